import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { catchError, of, switchMap } from 'rxjs';
import type { Batch } from '@fresh-tuck/contract';
import type { SeedStage } from '@fresh-tuck/core/parcel';

import { Towel, type TowelSeed } from '../kit/towel';
import { OpenApi } from './open.api';

/** The demo's stand-in for opening a real bag: what truly lies there, to be reported by hand. */
@Component({
  selector: 'ft-peek',
  imports: [MatButton, Towel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button matButton="text" type="button" class="quiet" [attr.aria-expanded]="open()" (click)="toggle()">
      Demo: {{ open() ? 'fold it again' : 'what lies in the bag?' }}
    </button>
    @if (open() && seeds().length > 0) {
      <div class="shown">
        <ft-towel
          [seeds]="seeds()"
          [method]="batch().facts.method"
          [medium]="batch().facts.setup?.medium ?? 'paper'"
          [places]="batch().carrier.places"
          [widthMm]="batch().widthMm"
          [heightMm]="batch().heightMm"
          [seedLengthMm]="batch().facts.crop.seed.lengthMm"
          [lengthText]="lengthText()"
        />
        <p class="soft">This is what you would see. Report it above, as you would with wet hands.</p>
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 10px;
    }
    button {
      min-height: 32px;
    }
    .shown {
      max-width: 340px;
      margin-top: 8px;
    }
    p {
      margin-top: 6px;
      line-height: 1.4;
    }
  `,
})
export class Peek {
  private readonly api = inject(OpenApi);
  readonly batch = input.required<Batch>();
  readonly lengthText = input.required<(mm: number) => string>();
  protected readonly open = signal(false);

  private readonly truth = toSignal(
    toObservable(computed(() => (this.open() ? this.batch().id : null))).pipe(
      switchMap((id) => (id === null ? of(null) : this.api.demoParcel(id).pipe(catchError(() => of(null))))),
    ),
  );
  protected readonly seeds = computed<TowelSeed[]>(() => {
    const moved = new Set(
      this.batch()
        .answers.state.seeds.filter((seed) => seed.moved)
        .map(({ seed }) => seed),
    );
    return (this.truth()?.seeds ?? []).map(({ seed, stage, rootMm }) => ({
      seed,
      stage: stage as SeedStage,
      moved: moved.has(seed),
      rootMm: rootMm !== null && rootMm >= 4 ? rootMm : null,
      fresh: false,
    }));
  });

  toggle(): void {
    this.open.update((open) => !open);
  }
}
