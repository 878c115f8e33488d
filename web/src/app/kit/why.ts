import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap, type Observable } from 'rxjs';
import type { WhyPanel } from '@fresh-tuck/contract';
import { WhyPanelView } from './why-panel';

let nextId = 1;

/** The figures behind a judgement, opened on asking: sentences, and what each thing moved. */
@Component({
  selector: 'ft-why',
  imports: [MatButton, WhyPanelView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      matButton="text"
      type="button"
      class="quiet"
      [attr.aria-expanded]="open()"
      [attr.aria-controls]="id"
      (click)="open.set(!open())"
    >
      Why?<span class="unseen"> {{ about() }}</span>
    </button>
    @if (open()) {
      <div [id]="id">
        <ul>
          @for (reason of said(); track $index) {
            <li>{{ reason }}</li>
          }
        </ul>
        @if (drawn(); as panel) {
          <ft-why-panel [panel]="panel" />
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: inline;
    }
    button {
      min-height: 24px;
    }
    ul {
      margin: 8px 0 4px;
      padding: 0 0 0 18px;
      color: var(--ink-soft);
      font-size: 14px;
      line-height: 1.45;
    }
    li {
      margin: 3px 0;
    }
  `,
})
export class Why {
  readonly reasons = input.required<readonly string[]>();
  /** What it is about, for those who do not see where it stands. */
  readonly about = input('');
  /** Fetches what moved it; asked anew whenever it changes while open. */
  readonly panel = input<(() => Observable<WhyPanel>) | null>(null);
  /** What the figures rest on, where it is not drawn. */
  readonly grounds = input<readonly string[]>([]);
  protected readonly said = computed(() => [...(this.drawn() ? [] : this.grounds()), ...this.reasons()]);
  protected readonly open = signal(false);
  protected readonly id = `why-${nextId++}`;
  private readonly asked = computed(() => ({ open: this.open(), ask: this.panel(), about: this.reasons() }));
  protected readonly drawn = toSignal(toObservable(this.asked).pipe(switchMap(({ open, ask }) => (open && ask ? ask() : of(null)))));
}
