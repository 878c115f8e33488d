import { ChangeDetectionStrategy, Component, computed, DestroyRef, effect, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { v7 as uuid } from 'uuid';
import type { WaysRequest } from '@fresh-tuck/contract';
import { DAMPINGS, MEDIA, WETNESSES, type Damping, type Medium, type Wetness } from '@fresh-tuck/core/carrier';
import { DAMPED_WORDS, MEDIUM_WORDS, PEROXIDE_CAUTION, WET_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Word } from '../kit/word';
import { fieldError, showProblem } from '../kit/field-errors';
import { HouseApi } from './house.api';

const NUMBER = Validators.pattern(/^\s*\d+([.,]\d+)?\s*$/);
const percent = (share: number): string => String(Number((share * 100).toFixed(2)));
const number = (text: string): number => Number(text.replace(',', '.'));

/** How this house moves, looks and judges. */
@Component({
  selector: 'ft-ways-form',
  imports: [Choices, MatButton, MatFormFieldModule, MatInputModule, ReactiveFormsModule, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form [formGroup]="form" (ngSubmit)="save()">
      <p class="sentence">
        Sprouts are moved at
        <ft-word label="Sprouts are moved at" [text]="rootText()" [fixed]="true">
          <ft-choices label="Sprouts are moved at" [choices]="roots()" [value]="value().rootSchool" (chosen)="set('rootSchool', $event)" />
          <p class="soft">What hates being moved keeps to its crop’s page.</p> </ft-word
        >. A bag is looked at
        <ft-word label="A bag is looked at" [text]="lookText()" [fixed]="true">
          <ft-choices
            label="A bag is looked at"
            [choices]="looks"
            [value]="value().unopenedFirst"
            (chosen)="set('unopenedFirst', $event)"
          /> </ft-word
        >. Seed lies on
        <ft-word label="Seed lies on" [text]="mediumText()" [fixed]="true">
          <ft-choices label="Seed lies on" [choices]="media" [value]="value().medium" (chosen)="lay('medium', $event)" />
          <p class="soft">What a crop asks for on its page comes first.</p> </ft-word
        >,
        <ft-word label="How wet" [text]="wetText()" [fixed]="true">
          <ft-choices label="How wet" [choices]="wets" [value]="value().wet" (chosen)="lay('wet', $event)" /> </ft-word
        >, with
        <ft-word label="Damped with" [text]="dampedText()" [fixed]="true">
          <ft-choices label="Damped with" [choices]="waters" [value]="value().damped" (chosen)="lay('damped', $event)" />
          <p class="trouble">{{ value().damped === 'peroxide' ? peroxide : '' }}</p> </ft-word
        >.
        @for (field of fields; track field.name) {
          {{ field.before }}
          <ft-word
            [label]="field.label"
            [text]="value()[field.name] + ' ' + field.unit"
            [fixed]="true"
            [missing]="form.controls[field.name].invalid"
          >
            <mat-form-field appearance="outline" subscriptSizing="dynamic">
              <mat-label>{{ field.label }}</mat-label>
              <input matInput [formControlName]="field.name" inputmode="decimal" />
              <span matTextSuffix>{{ field.unit }}</span>
              <mat-hint>{{ field.hint }}</mat-hint>
              <mat-error>{{ fieldError(form.controls[field.name], 'A number ' + field.accepts + '.') }}</mat-error>
            </mat-form-field> </ft-word
          >{{ field.after }}
        }
      </p>
      <p class="error" role="alert">{{ error() ?? '' }}</p>
      <div class="acts">
        <button matButton="outlined" type="submit" class="plain">Save how it is done here</button>
        @if (stale()) {
          <button matButton="outlined" type="button" class="plain" (click)="again()">Show what stands now</button>
        }
      </div>
      <p class="growth" role="status">{{ said() }}</p>
    </form>
  `,
  styles: `
    .sentence {
      max-width: 900px;
      font: 400 19px/1.85 var(--heading);
      text-wrap: pretty;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 16px;
      margin-top: 10px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class WaysForm {
  private readonly api = inject(HouseApi);
  protected readonly about = inject(AboutService);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly error = signal<string | null>(null);
  /** The version that is being changed. */
  private basedOn: number | null = null;
  protected readonly said = signal('');
  protected readonly fieldError = fieldError;
  protected readonly fields = [
    {
      name: 'lateTolerance',
      before: 'A late root may be missed at',
      after: ' of the looks.',
      label: 'Accepted risk of missing a late root',
      unit: '%',
      hint: 'chance for any seed of a batch; less where it takes many looks',
      accepts: 'from 0.1 to 50 %',
    },
    {
      name: 'sureness',
      before: 'Enough means',
      after: ' sure.',
      label: 'How sure to be of enough',
      unit: '%',
      hint: 'below it more seed is asked for',
      accepts: 'from 50 to 99 %',
    },
    {
      name: 'leastHope',
      before: 'A quiet lot is given up below',
      after: ' chance of any more,',
      label: 'Give up below',
      unit: '%',
      hint: 'chance of any further tip within patience',
      accepts: 'from 0.1 to 50 %',
    },
    {
      name: 'patienceTimes',
      before: 'and not before',
      after: ' time.',
      label: 'Patience at the least',
      unit: '× usual',
      hint: 'times what half of the live seeds need; then the looks decide',
      accepts: 'from 1.5 to 20',
    },
    {
      name: 'retestChance',
      before: 'A packet is doubted where so few would come in less than',
      after: ' of the cases.',
      label: 'Doubt a packet below',
      unit: '%',
      hint: 'chance of so few if what it promised held',
      accepts: 'from 0.1 to 50 %',
    },
  ] as const;
  protected readonly form = new FormGroup({
    rootSchool: new FormControl<WaysRequest['rootSchool']>('crop', { nonNullable: true }),
    unopenedFirst: new FormControl(false, { nonNullable: true }),
    medium: new FormControl<Medium>('paper', { nonNullable: true }),
    wet: new FormControl<Wetness>('wrung', { nonNullable: true }),
    damped: new FormControl<Damping>('water', { nonNullable: true }),
    lateTolerance: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    sureness: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    leastHope: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    patienceTimes: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
    retestChance: new FormControl('', { nonNullable: true, validators: [Validators.required, NUMBER] }),
  });

  protected readonly media = MEDIA.map((value): Choice<Medium> => ({ value, ...MEDIUM_WORDS[value] }));
  protected readonly wets = WETNESSES.map((value): Choice<Wetness> => ({ value, ...WET_WORDS[value] }));
  protected readonly waters = DAMPINGS.map((value): Choice<Damping> => ({ value, ...DAMPED_WORDS[value] }));
  protected readonly peroxide = PEROXIDE_CAUTION;
  private readonly changed = toSignal(this.form.valueChanges);
  protected readonly value = computed(() => {
    this.changed();
    return this.form.getRawValue();
  });
  protected readonly stale = signal(false);
  protected readonly roots = computed((): Choice<WaysRequest['rootSchool']>[] => [
    { value: 'crop', text: 'the root that each crop’s page advises' },
    { value: 'tip', text: this.about.told('the first tip, about 2 mm') },
    { value: 'short', text: this.about.told('a short root, about 8 mm') },
    { value: 'finger', text: this.about.told('a finger-wide root, about 16 mm') },
  ]);
  protected readonly looks: readonly Choice<boolean>[] = [
    { value: false, text: 'opened' },
    { value: true, text: 'unopened first, where that is enough' },
  ];
  protected readonly rootText = computed(() => this.roots().find(({ value }) => value === this.value().rootSchool)?.text ?? '');
  protected readonly mediumText = computed(() => MEDIUM_WORDS[this.value().medium].text);
  protected readonly wetText = computed(() => WET_WORDS[this.value().wet].text);
  protected readonly dampedText = computed(() => DAMPED_WORDS[this.value().damped].text);
  protected readonly lookText = computed(() => this.looks.find(({ value }) => value === this.value().unopenedFirst)?.text ?? '');

  constructor() {
    effect(() => {
      this.about.household();
      // What is being typed is never overwritten by what comes in.
      if (this.form.pristine) this.fill();
    });
  }

  private fill(): void {
    const { ways, version } = this.about.household();
    this.basedOn = version;
    this.form.setValue({
      rootSchool: ways.rootSchool,
      unopenedFirst: ways.unopenedFirst,
      medium: ways.laid?.medium ?? 'paper',
      wet: ways.laid?.wet ?? 'wrung',
      damped: ways.laid?.damped ?? 'water',
      lateTolerance: percent(ways.lateTolerance),
      sureness: percent(ways.sureness),
      leastHope: percent(ways.leastHope),
      patienceTimes: String(ways.patienceTimes),
      retestChance: percent(ways.retestChance),
    });
  }

  protected set(name: 'rootSchool' | 'unopenedFirst', value: WaysRequest['rootSchool'] | boolean): void {
    this.form.patchValue({ [name]: value });
    this.form.markAsDirty();
  }

  protected lay(name: 'medium' | 'wet' | 'damped', value: Medium | Wetness | Damping): void {
    this.form.patchValue({ [name]: value });
    this.form.markAsDirty();
  }

  /** Lays what stands now into the sentences: somebody saved it meanwhile. */
  protected again(): void {
    this.form.markAsPristine();
    this.stale.set(false);
    this.error.set(null);
    this.fill();
  }

  protected save(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return this.error.set('One word of the sentences cannot be so: open the word that is marked and mend it.');
    const typed = this.form.getRawValue();
    const share = (text: string): number => number(text) / 100;
    this.api
      .saveWays({
        id: uuid(),
        version: this.basedOn,
        rootSchool: typed.rootSchool,
        unopenedFirst: typed.unopenedFirst,
        laid: { medium: typed.medium, wet: typed.wet, damped: typed.damped },
        lateTolerance: share(typed.lateTolerance),
        sureness: share(typed.sureness),
        leastHope: share(typed.leastHope),
        patienceTimes: number(typed.patienceTimes),
        retestChance: share(typed.retestChance),
      })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (about) => {
          this.form.markAsPristine();
          this.error.set(null);
          this.about.take(about);
          this.said.set('Saved. Today follows it at once.');
        },
        error: (problem: ApiProblem) => {
          this.stale.set(problem.status === 409);
          this.error.set(showProblem(this.form, problem) ?? problem.message);
        },
      });
  }
}
