import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatButton } from '@angular/material/button';
import { DAMPS } from '@fresh-tuck/contract/choices';
import { TROUBLES, type ParcelState, type Trouble } from '@fresh-tuck/core/parcel';
import { methodOf, type Method } from '@fresh-tuck/core/method';
import { capital } from '@fresh-tuck/core/units';
import { FINDING_OF } from '@fresh-tuck/core/judging';
import { TROUBLE_WORDS } from '@fresh-tuck/core/words';
import { RoundService } from '../data/household/round.service';
import { FileButton } from '../kit/file-button';
import { FindingPicture } from '../kit/finding';
import { Stepper } from '../kit/stepper';
import { mostCounted, newTips, type Damp, type Draft } from './draft';
import { countOnTowel, towelsOf } from './towels';

export type Edit = (draft: Draft) => Draft;

/** What a look asks besides the seeds: how, how many, how damp, what is wrong, who and what else. */
@Component({
  selector: 'ft-asks',
  imports: [MatButtonToggleModule, MatFormFieldModule, MatInputModule, MatButton, FileButton, FindingPicture, Stepper],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './asks.html',
  styleUrl: './asks.scss',
})
export class LookAsks {
  protected readonly round = inject(RoundService);
  readonly draft = input.required<Draft>();
  /** How what lies there is spoken of. */
  readonly way = input<Method>(methodOf('towel'));
  readonly before = input.required<ParcelState>();
  /** Names that looked before, in this house. */
  readonly people = input<readonly string[]>([]);
  /** Seeds on each towel, where a test lies on several. */
  readonly shares = input<readonly number[]>([]);
  readonly edit = output<Edit>();
  readonly looked = output<'opened' | 'through'>();
  /** A photograph to keep with this look; null takes it out again. */
  readonly pictured = output<File | null>();
  readonly picture = input<string | null>(null);

  protected readonly damps = DAMPS;
  /** What is felt: "Towel", "Mix", "Water". */
  protected readonly wet = computed(() => capital(this.way().nouns.wet.replace(/^the /, '')));
  protected readonly rewettedText = computed(
    () => ({ dosed: 'I re-damped it', standing: 'I changed it', watered: 'I watered it' })[this.way().water],
  );
  protected readonly words = TROUBLE_WORDS;
  protected readonly pictures = FINDING_OF;
  protected readonly wrongShown = signal(false);
  protected readonly moreShown = signal(false);
  protected readonly tips = computed(() => newTips(this.draft(), this.before()));
  /** Fuzz that may be root hair is asked for where a root was seen; elsewhere threads are mould. */
  protected readonly troubles = computed(() => {
    const rooted = this.before().tipped + this.tips() > 0 || this.draft().troubles.has('fuzz');
    return TROUBLES.filter((trouble) => rooted || trouble !== 'fuzz');
  });
  protected readonly canCountMore = computed(() => this.draft().counted < mostCounted(this.draft(), this.before()));
  protected readonly wrong = computed(() => this.wrongShown() || this.draft().troubles.size > 0);

  /** Each towel of a test for itself: its tips are counted by touching the next seed that lies on it. */
  protected readonly towels = computed(() => (this.shares().length < 2 ? [] : towelsOf(this.shares(), this.draft(), this.before())));

  protected countOn(towel: number, by: 1 | -1): void {
    const before = this.before();
    this.edit.emit((draft) => countOnTowel(draft, before, this.shares(), towel, by));
  }

  protected count(by: 1 | -1): void {
    this.edit.emit((draft) => ({ ...draft, nothingNew: false, counted: Math.max(draft.counted + by, 0) }));
  }

  protected nothingNew(): void {
    this.edit.emit((draft) =>
      draft.nothingNew ? { ...draft, nothingNew: false } : { ...draft, nothingNew: true, counted: 0, marks: new Map() },
    );
  }

  protected feel(damp: Damp): void {
    this.edit.emit((draft) => ({ ...draft, damp: draft.damp === damp ? null : damp, rewetted: false }));
  }

  protected rewet(): void {
    this.edit.emit((draft) => ({ ...draft, rewetted: !draft.rewetted }));
  }

  protected trouble(trouble: Trouble): void {
    this.edit.emit((draft) => {
      const troubles = new Set(draft.troubles);
      if (!troubles.delete(trouble)) troubles.add(trouble);
      return { ...draft, troubles };
    });
  }

  protected note(text: string): void {
    this.edit.emit((draft) => ({ ...draft, note: text }));
  }
}
