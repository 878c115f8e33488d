import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import { debounceTime, finalize, map, of, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BENCH, benchValue, type BenchField, type BenchResult, type BenchTool } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Word } from '../kit/word';
import { NurseryApi } from '../nursery/nursery.api';
import { PacketApi } from '../packet/packet.api';
import { SpotApi } from '../spot/spot.api';

/** The arithmetic of the bench: each tool with its formula, and its result put where it belongs. */
@Component({
  selector: 'ft-workbench',
  imports: [Choices, MatButton, MatFormFieldModule, MatInputModule, RouterLink, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './workbench.html',
  styleUrl: './workbench.scss',
})
export class WorkbenchScreen {
  private readonly api = inject(HouseholdApi);
  private readonly packetApi = inject(PacketApi);
  private readonly spotApi = inject(SpotApi);
  private readonly nurseryApi = inject(NurseryApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly changes = inject(Changes);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);

  protected readonly tools = BENCH;
  protected readonly toolId = signal(BENCH[0]?.id ?? '');
  protected readonly tool = computed<BenchTool>(() => BENCH.find(({ id }) => id === this.toolId()) ?? (BENCH[0] as BenchTool));
  /** What was typed or chosen, by tool and field. */
  private readonly typed = signal<Readonly<Record<string, string>>>({});
  protected readonly cropId = signal<string | null>(null);
  protected readonly crops = toSignal(
    this.changes.keep(() => this.api.crops()),
    { initialValue: [] },
  );
  protected readonly cropChoices = computed((): Choice<string>[] =>
    this.crops().map(({ id, name, family }) => ({ value: id, text: name, follows: family })),
  );
  protected readonly crop = toSignal(toObservable(this.cropId).pipe(switchMap((id) => (id === null ? of(null) : this.api.crop(id)))), {
    initialValue: null,
  });
  /** What a packet is looked for by. */
  protected readonly finding = signal('');
  protected readonly packets = toSignal(
    toObservable(this.finding).pipe(
      debounceTime(120),
      switchMap((words) => this.changes.keep(() => this.api.packets(words))),
    ),
    { initialValue: [] },
  );
  protected readonly packetChoices = computed((): Choice<string>[] =>
    this.packets().map(({ id, cropName, variety, seedsLeft }) => ({
      value: id,
      text: `${cropName}, ${variety}`,
      follows: seedsLeft === null ? 'not counted' : `${seedsLeft} left`,
    })),
  );
  protected readonly spotChoices = toSignal(
    this.changes
      .keep(() => this.api.spots())
      .pipe(map((spots) => spots.map(({ id, name }): Choice<string> => ({ value: id, text: name })))),
    { initialValue: [] },
  );
  protected readonly problem = signal<string | null>(null);
  protected readonly saving = signal(false);

  protected text({ key, initial }: BenchField): string {
    return this.typed()[`${this.toolId()} ${key}`] ?? initial;
  }
  protected choiceText(field: BenchField): string {
    return field.choices?.find(({ value }) => value === this.text(field))?.text ?? '';
  }
  protected type({ key }: BenchField, text: string): void {
    this.problem.set(null);
    this.typed.update((all) => ({ ...all, [`${this.toolId()} ${key}`]: text }));
  }
  protected take(toolId: string): void {
    this.problem.set(null);
    this.toolId.set(toolId);
  }

  /** What comes out; a sentence where something cannot be so. */
  protected readonly result = computed((): BenchResult | { readonly fault: string } => {
    const tool = this.tool();
    const { units, millilitresPerSpray } = this.about.household();
    const values: Record<string, number> = {};
    const texts: Record<string, string> = {};
    for (const field of tool.fields) {
      const typed = this.text(field);
      texts[field.key] = typed;
      const value = benchValue(field, typed, units);
      if (typeof value === 'number') values[field.key] = value;
      else if (value !== null) return value;
    }
    try {
      return tool.work(values, texts, { units, millilitresPerSpray, crop: this.crop() });
    } catch (error) {
      return { fault: error instanceof Error ? error.message : String(error) };
    }
  });
  protected readonly fault = computed(() => {
    const result = this.result();
    return 'fault' in result ? result.fault : null;
  });
  protected readonly out = computed(() => {
    const result = this.result();
    return 'fault' in result ? null : result;
  });

  /** Puts it where it belongs. */
  protected put({ place: { to, value } }: BenchResult): void {
    switch (to) {
      case 'note':
        return void this.router.navigate(['/notebook/notes'], { queryParams: { write: value } });
      case 'tuck':
        return void this.router.navigate(['/tuck'], { queryParams: value === '' ? {} : { seeds: value } });
      case 'crop':
        return void this.router.navigate(['/crop', value]);
      case 'copy':
        return void navigator.clipboard.writeText(value).then(
          () => this.notice.say('Copied.'),
          () => this.problem.set('This browser does not let a page copy: mark the line and copy it by hand.'),
        );
      case 'count':
      case 'lamp':
        return;
    }
  }
  protected count(packetId: string, seeds: string): void {
    const id = uuid();
    this.packetApi
      .countPacket(packetId, { id, seeds: Math.min(Number(seeds), 100_000), grams: null, at: null })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ variety }) => this.notice.say(`${seeds} counted into ${variety}. Its page can take that back.`),
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }
  /** A place's lamp burns so long a day from now on; what else is known of its light stays. */
  protected burn(spotId: string, hours: string): void {
    this.saving.set(true);
    this.spotApi
      .sheet(spotId)
      .pipe(
        switchMap(({ spot, light }) => {
          const { lamp } = light;
          if (lamp === null) return of(`${spot.name} has no lamp written down: say what hangs there on its page, and come back.`);
          return this.nurseryApi
            .light(spotId, { id: uuid(), light: { ...light, lamp: { ...lamp, hours: Number(hours) } }, at: null })
            .pipe(map(() => spot));
        }),
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (done) => {
          if (typeof done === 'string') return this.problem.set(done);
          this.notice.say(`The lamp at ${done.name} burns ${hours} hours a day from now on. Its page can change that.`);
        },
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }
}
