import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, input, output, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { v7 as uuid } from 'uuid';
import type { BatchWithJournal } from '@fresh-tuck/contract';
import { DAMPS } from '@fresh-tuck/contract/choices';
import { methodFor } from '@fresh-tuck/core/method';
import { DAMP_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { MendApi } from '../data/household/mend.api';
import { RoundService } from '../data/household/round.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Entry } from '../kit/entry';
import { readBy, text, wholeFrom } from '../kit/validators';

const DAY_MS = 86_400_000;
/** Days that stand in the table by themselves. */
const MOST_DAYS = 10;
type Damp = (typeof DAMPS)[number] | '';

/** Several days of one batch at once: a row a look, its time and what showed in all by then. What is left blank was not looked at. */
@Component({
  selector: 'ft-days',
  imports: [Entry, MatButton, MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './days.html',
  styleUrl: './days.scss',
})
export class Days {
  private readonly api = inject(MendApi);
  private readonly round = inject(RoundService);
  private readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  readonly batch = input.required<BatchWithJournal>();
  readonly said = output<string>();

  protected readonly damps = DAMPS;
  protected readonly words = DAMP_WORDS;
  protected readonly error = signal<string | null>(null);
  protected readonly saving = signal(false);
  protected readonly event = computed(() => methodFor(this.batch().facts.method, this.batch().facts.crop).nouns.event.many);
  protected readonly rows = new FormArray<ReturnType<Days['row']>>([]);
  private readonly id = computed(() => this.batch().id);
  private readonly past = readBy((local) => {
    const ms = this.about.moments().at(local);
    return ms >= this.batch().facts.startMs && ms <= this.about.nowMs() + 60_000 ? ms : null;
  });

  constructor() {
    // A row for each day since it began on which nobody looked, at the last looking time of the day.
    effect(() => {
      this.id();
      untracked(() => this.lay());
    });
  }

  protected add(): void {
    const last = this.rows.controls.at(-1)?.controls.at.value ?? '';
    const { at, field } = this.about.moments();
    const nextMs = Math.min(last === '' ? this.about.nowMs() : at(last) + DAY_MS, this.about.nowMs());
    this.rows.push(this.row(field(nextMs)));
  }

  protected save(): void {
    this.rows.markAllAsTouched();
    const told = this.rows.getRawValue().filter(({ tipped }) => tipped.trim() !== '');
    if (told.length === 0) return this.error.set('Write how many showed on one of the days; leave the others blank.');
    if (this.rows.invalid) return this.error.set('One of the rows cannot be so: its time or its number is marked.');
    const number = (typed: string): number | null => (typed.trim() === '' ? null : Number(typed));
    this.saving.set(true);
    this.api
      .days(this.batch().id, {
        id: uuid(),
        who: this.round.who(),
        looks: told.map(({ at, tipped, rotten, damp }) => ({
          ...{ id: uuid(), at: at.slice(0, 16), tipped: Number(tipped), rotten: number(rotten), damp: damp === '' ? null : damp },
        })),
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.saving.set(false);
          this.error.set(null);
          this.rows.clear();
          this.said.emit(told.length === 1 ? 'The look stands in the journal.' : `${told.length} looks stand in the journal.`);
        },
        error: (problem: ApiProblem) => {
          this.saving.set(false);
          this.error.set(problem.message);
        },
      });
  }

  private row(at: string) {
    return new FormGroup({
      at: text(at, this.past),
      tipped: text('', wholeFrom(0, this.batch().facts.seeds)),
      rotten: text('', wholeFrom(0, this.batch().facts.seeds)),
      damp: new FormControl<Damp>('', { nonNullable: true }),
    });
  }

  private lay(): void {
    this.rows.clear();
    const { facts } = this.batch();
    const nowMs = this.about.nowMs();
    const { at, field } = this.about.moments();
    const looked = new Set(facts.looks.map(({ atMs }) => field(atMs).slice(0, 10)));
    const time = this.about.household().lookingTimes.at(-1) ?? '18:30';
    const days = Math.min(Math.ceil((nowMs - facts.startMs) / DAY_MS) + 1, MOST_DAYS);
    const moments = Array.from({ length: days }, (_, ago) => field(nowMs - ago * DAY_MS).slice(0, 10))
      .reverse()
      .filter((day) => !looked.has(day))
      .map((day) => `${day}T${time}`)
      .filter((local) => at(local) > facts.startMs && at(local) <= nowMs);
    for (const local of moments.length > 0 ? moments : [field(nowMs)]) this.rows.push(this.row(local));
  }
}
