import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { catchError, firstValueFrom, of, Subject, switchMap, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Reading, SpotSheet } from '@fresh-tuck/contract';
import { counted, formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { askedBack } from '@fresh-tuck/core/warmth';
import { askBackInWords } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { showProblem } from '../kit/field-errors';
import { readBy, text } from '../kit/validators';
import { LoggerFile, type Done } from '../kit/logger-file';
import { SpotApi } from './spot.api';

/** Hours that go to the server at once. */
const PART = 1000;

/** Who measures at a place: a hand, a logger's file, a thermometer that sends. */
@Component({
  selector: 'ft-thermometers',
  imports: [Field, LoggerFile, MatButton, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h3>By hand</h3>
    <form [formGroup]="form" (ngSubmit)="save()">
      <ft-field label="Day" type="date" [max]="today()" [control]="form.controls.day" accepted="A day up to today." />
      <ft-field label="Lowest" [unit]="unit()" [control]="form.controls.minC" accepted="A temperature like 21, 21.5 C or 70F." />
      <ft-field label="Highest" [unit]="unit()" [control]="form.controls.maxC" accepted="A temperature like 26, 26.5 C or 79F." />
      @if (asked(); as question) {
        <p class="trouble" role="alert">{{ question }}</p>
      }
      <button matButton="outlined" type="submit" class="plain">{{ asked() ? 'Yes, save it' : 'Save the reading' }}</button>
    </form>
    <p class="acts">
      <button matButton="text" type="button" class="quiet" (click)="show()">
        {{ open() ? 'Hide it' : 'Show what was read' }}
      </button>
    </p>
    @if (readings(); as all) {
      <ul>
        @for (reading of all; track reading.id) {
          <li>
            {{ day(reading) }}: {{ degrees(reading.minC) }} to {{ degrees(reading.maxC) }}
            <button matButton="text" type="button" class="quiet" (click)="takeBack(reading.id, 'Taken out.')">
              Take it out<span class="unseen">: {{ day(reading) }}</span>
            </button>
          </li>
        } @empty {
          <li class="soft">Nothing was read here yet.</li>
        }
      </ul>
    }
    <h3>A logger’s file</h3>
    <ft-logger-file [into]="bring" (saved)="saved.emit($event)" />
    <ul>
      @for (file of sheet().files; track file.id) {
        <li>
          {{ file.name }}: {{ hours(file.hours) }} from {{ about.moments().dated(file.fromMs) }} to {{ about.moments().dated(file.toMs) }}
          <button matButton="text" type="button" class="quiet" (click)="takeBack(file.id, 'Its hours count no more.')">
            Take it out<span class="unseen">: {{ file.name }}</span>
          </button>
        </li>
      }
    </ul>
    <h3>A thermometer that sends</h3>
    <p class="soft">
      It sends what it read over the household’s own network, by a token of its own; how is written in docs/thermometers.md.
    </p>
    <ul>
      @for (probe of sheet().probes; track probe.id) {
        <li>
          {{ probe.name }}: {{ last(probe.last) }}
          <button matButton="text" type="button" class="quiet" (click)="withdraw(probe.id)">
            Withdraw its token<span class="unseen">: {{ probe.name }}</span>
          </button>
        </li>
      }
    </ul>
    @if (token(); as token) {
      <p class="token" role="status">
        Its token, told this once: <code>{{ token }}</code> <br />It goes with every request: <code>Authorization: Bearer {{ token }}</code>
      </p>
    }
    <form [formGroup]="probe" (ngSubmit)="add()">
      <ft-field
        label="What it is called"
        [most]="60"
        [control]="probe.controls.name"
        accepted="What you call it, like “the wire on the mat”."
      />
      <button matButton="outlined" type="submit" class="plain">Let a thermometer in</button>
    </form>
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styleUrl: './forms.scss',
  styles: `
    h3 {
      margin: 18px 0 8px;
    }
  `,
})
export class Thermometers {
  private readonly api = inject(SpotApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly sheet = input.required<SpotSheet>();
  readonly saved = output<string>();
  protected readonly error = signal<string | null>(null);
  protected readonly asked = signal<string | null>(null);
  protected readonly token = signal<string | null>(null);
  /** Whether what was read is shown; asked for anew when something was said: an older answer never stands over a newer one. */
  protected readonly open = signal(false);
  private readonly shown = new Subject<boolean>();
  protected readonly readings = toSignal<readonly Reading[] | null>(
    this.shown.pipe(
      switchMap((open) =>
        open
          ? this.api.readings(this.sheet().spot.id).pipe(
              catchError((problem: ApiProblem) => {
                this.error.set(problem.message);
                return of(null);
              }),
            )
          : of(null),
      ),
    ),
    { initialValue: null },
  );
  protected readonly unit = computed(() => (this.about.household().units === 'us' ? '°F' : '°C'));
  protected readonly today = computed(() => this.about.moments().field(this.about.nowMs()).slice(0, 10));
  private readonly celsius = (words: string): number | null => parseCelsius(words, this.about.household().units);
  protected readonly form = new FormGroup({
    day: text(this.about.moments().field(this.about.nowMs()).slice(0, 10), Validators.required),
    minC: text('', Validators.required, readBy(this.celsius)),
    maxC: text('', Validators.required, readBy(this.celsius)),
  });
  protected readonly probe = new FormGroup({ name: text('', Validators.required) });

  /** A logger's hours, in parts that count together once all of them are there. */
  protected readonly bring = async (
    { name, lines, hours }: { name: string } & Done,
    progress: (share: number) => void,
  ): Promise<string> => {
    const importId = uuid();
    const spotId = this.sheet().spot.id;
    await firstValueFrom(this.api.begin(spotId, { id: importId, name, lines, hours: hours.length }));
    let known = 0;
    for (let from = 0; from < hours.length; from += PART) {
      progress(from / hours.length);
      known += (await firstValueFrom(this.api.part(spotId, importId, { id: uuid(), hours: hours.slice(from, from + PART) }))).known;
    }
    await firstValueFrom(this.api.finish(spotId, importId, { id: uuid() }));
    return `${counted(hours.length - known, 'hour')} came in${known > 0 ? `, ${known} were known already` : ''}.`;
  };

  protected degrees(celsius: number): string {
    return formatTemperature(celsius, this.about.household().units);
  }
  protected day({ day }: Reading): string {
    return this.about.moments().dated(Date.parse(`${day}T12:00:00Z`));
  }
  protected hours = (count: number): string => counted(count, 'hour');
  protected last(last: SpotSheet['probes'][number]['last']): string {
    return last === null ? 'nothing yet' : `${this.degrees(last.celsius)}, ${this.about.moments().spoken(last.atMs)}`;
  }

  protected save(): void {
    this.form.markAllAsTouched();
    const [minC, maxC] = [this.celsius(this.form.value.minC ?? ''), this.celsius(this.form.value.maxC ?? '')];
    if (this.form.invalid || minC === null || maxC === null) return;
    const { units } = this.about.household();
    const question = askBackInWords(
      askedBack({ minC, maxC }),
      { minC, maxC },
      { temperature: (celsius) => formatTemperature(celsius, units) },
    );
    if (question !== null && question !== this.asked()) return this.asked.set(question);
    this.run(this.api.read(this.sheet().spot.id, { id: uuid(), day: this.form.value.day ?? '', minC, maxC }), 'Saved.', this.form);
  }
  protected show(): void {
    this.open.update((open) => !open);
    this.shown.next(this.open());
  }
  protected takeBack(recordId: string, said: string): void {
    this.run(this.api.takeBack(this.sheet().spot.id, { id: uuid(), recordId }), said);
  }
  protected withdraw(probeId: string): void {
    this.run(this.api.withdraw(this.sheet().spot.id, probeId, { id: uuid() }), 'Its token lets nobody in any more.');
  }
  protected add(): void {
    this.probe.markAllAsTouched();
    if (this.probe.invalid) return;
    this.api
      .addProbe(this.sheet().spot.id, { id: uuid(), name: this.probe.value.name ?? '' })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ token }) => {
          this.token.set(token);
          this.probe.reset({ name: '' });
          this.saved.emit('');
        },
        error: (problem: ApiProblem) => this.error.set(showProblem(this.probe, problem)),
      });
  }

  private run(request: Observable<unknown>, said: string, form: FormGroup | null = null): void {
    request.pipe(takeUntilDestroyed(this.destroyRef)).subscribe({
      next: () => {
        this.error.set(null);
        this.asked.set(null);
        this.shown.next(this.open());
        if (form === this.form) this.form.patchValue({ minC: '', maxC: '' });
        this.form.markAsUntouched();
        this.saved.emit(said);
      },
      error: (problem: ApiProblem) => this.error.set(form ? showProblem(form, problem) : problem.message),
    });
  }
}
