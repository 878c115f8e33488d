import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { catchError, debounceTime, distinctUntilChanged, map, of, switchMap } from 'rxjs';
import type { Found } from '@fresh-tuck/contract';

import { Finder, type Hit } from './finder';
import { FindApi } from './find.api';

/** A short wait for the next letter, ms. */
const TYPING_MS = 60;
const KIND_WORDS: Readonly<Record<Hit['kind'], string>> = {
  parcel: 'parcel',
  finished: 'finished parcel',
  seedling: 'seedling',
  line: 'on a list',
  packet: 'packet',
  crop: 'crop',
  page: 'page',
  do: 'do it',
};

/** Reaches every packet, batch, crop, screen and action, by keyboard and thumb. */
@Component({
  selector: 'ft-find',
  imports: [MatFormFieldModule, MatInputModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title class="unseen">Find</h2>
    <mat-dialog-content>
      <label class="unseen" for="find">Find a parcel, packet, crop or page</label>
      <mat-form-field class="entry" appearance="outline" subscriptSizing="dynamic"
        ><input
          matInput
          id="find"
          type="text"
          role="combobox"
          autocomplete="off"
          placeholder="A number, a name, or what you want to do"
          aria-controls="found"
          aria-expanded="true"
          [attr.aria-activedescendant]="hits()[active()] ? 'hit-' + active() : null"
          [value]="typed()"
          (input)="typed.set($any($event.target).value)"
          (keydown)="onKey($event)"
      /></mat-form-field>
      <div id="found" class="found" role="listbox" aria-label="Found">
        @for (hit of hits(); track hit.id; let index = $index) {
          <div
            role="option"
            tabindex="-1"
            [id]="'hit-' + index"
            [attr.aria-selected]="index === active()"
            (click)="go(hit)"
            (keydown.enter)="go(hit)"
          >
            <span>{{ hit.title }}</span>&ngsp;<span class="soft">{{ words[hit.kind] }}</span>
          </div>
        }
      </div>
      <p class="soft" role="status">
        {{
          !ready() && hits().length === 0
            ? 'Looking through the box…'
            : hits().length === 0
              ? 'Nothing goes by that name. Try fewer letters, or a label’s number.'
              : ''
        }}
      </p>
    </mat-dialog-content>
  `,
  styles: `
    mat-dialog-content {
      padding-top: 22px !important;
    }
    .entry {
      width: 100%;
      min-height: 54px;
      font-size: 19px;
    }
    .found {
      margin-top: 10px;
    }
    [role='option'] {
      display: flex;
      align-items: center;
      justify-content: space-between;
      gap: 14px;
      min-height: 48px;
      padding: 4px 12px;
      border-radius: 8px;
      color: var(--ink);
      font-size: 17px;
      cursor: pointer;
    }
    [aria-selected='true'] {
      background: var(--chosen);
      outline: 2px solid var(--ink);
      outline-offset: -2px;
    }
    .soft {
      white-space: nowrap;
    }
    p {
      min-height: 20px;
    }
  `,
})
export class FindBox {
  private readonly api = inject(FindApi);
  private readonly router = inject(Router);
  private readonly dialog = inject<MatDialogRef<FindBox>>(MatDialogRef);
  private readonly finder = new Finder();
  protected readonly words = KIND_WORDS;
  protected readonly typed = signal('');
  /** What the server found, and for which words. */
  private readonly found = toSignal(
    toObservable(this.typed).pipe(
      debounceTime(TYPING_MS),
      map((typed) => typed.trim()),
      distinctUntilChanged(),
      switchMap((words) =>
        (words === '' ? of<Found[]>([]) : this.api.find(words)).pipe(
          map((hits) => ({ words, hits })),
          // Pages are found without the server too.
          catchError(() => of({ words, hits: [] as Found[] })),
        ),
      ),
    ),
    { initialValue: { words: '', hits: [] as Found[] } },
  );
  /** Whether what stands there answers what is typed. */
  protected readonly ready = computed(() => this.found().words === this.typed().trim());
  protected readonly hits = computed(() => this.finder.merge(this.typed(), this.ready() ? this.found().hits : []));
  protected readonly active = linkedSignal({ source: this.hits, computation: () => 0 });

  protected onKey(event: KeyboardEvent): void {
    const last = this.hits().length - 1;
    const hit = this.hits()[this.active()];
    if (event.key === 'ArrowDown') this.active.update((at) => (at >= last ? 0 : at + 1));
    else if (event.key === 'ArrowUp') this.active.update((at) => (at <= 0 ? Math.max(last, 0) : at - 1));
    else if (event.key === 'Enter' && hit) this.go(hit);
    else return;
    event.preventDefault();
  }

  protected go(hit: Hit): void {
    // The focus goes back to where it was first: the next screen may want it.
    this.dialog.afterClosed().subscribe(() => void this.router.navigate([...hit.link], { queryParams: hit.query }));
    this.dialog.close();
  }
}
