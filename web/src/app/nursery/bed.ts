import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { RouterLink } from '@angular/router';
import { combineLatest, firstValueFrom, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { soilDays } from '@fresh-tuck/core/moving';
import { reached } from '@fresh-tuck/core/nursing';
import { counted, formatTemperature, parseCelsius, uncapital } from '@fresh-tuck/core/units';
import { SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices } from '../kit/choices';
import { Field } from '../kit/field';
import { LoggerFile, type Done } from '../kit/logger-file';
import { Stepper } from '../kit/stepper';
import { readBy, text } from '../kit/validators';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { BedPlan } from './bed-plan';
import { NurseryApi } from './nursery.api';
import { NurseryService } from './nursery.service';

/** A bed: what grows in it, drawn to scale; what can go out and how it is measured out; its soil. */
@Component({
  selector: 'ft-bed',
  imports: [BedPlan, Choices, Field, LoggerFile, MatButton, RouterLink, Stepper, When, Word],
  providers: [NurseryService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bed.html',
  styleUrl: './bed.scss',
})
export class BedScreen {
  private readonly api = inject(NurseryApi);
  private readonly notice = inject(Notice);
  private readonly dialogs = inject(MatDialog);
  private readonly changes = inject(Changes);
  protected readonly about = inject(AboutService);
  protected readonly service = inject(NurseryService);
  readonly bedId = input.required<string>();

  /** What is big enough to go out, by crop; the bed's own stand there already. */
  protected readonly crops = computed(() => {
    const crops = new Map<string, { cropId: string; name: string; numbers: number[] }>();
    for (const tray of (this.service.all()?.places ?? []).flatMap(({ trays }) => trays)) {
      if (tray.destination === 'bed' || tray.finalPot) continue;
      const one = crops.get(tray.cropId) ?? { cropId: tray.cropId, name: tray.name, numbers: [] };
      const grown = tray.plants.filter(({ stage }) => reached(stage, 'true_leaves')).map(({ number }) => number);
      if (grown.length === 0) continue;
      // The best go out first; a single one has no order.
      const order = tray.order.length > 0 ? tray.order.map(({ number }) => number).filter((number) => grown.includes(number)) : grown;
      crops.set(tray.cropId, { ...one, numbers: [...one.numbers, ...order] });
    }
    return [...crops.values()];
  });
  private readonly lets = computed(() =>
    (this.service.all()?.tasks ?? []).filter(({ bedId, kind }) => bedId === this.bedId() && kind === 'soil'),
  );
  protected readonly tasks = computed(() => this.lets().filter(({ today }) => today));
  /** Which crop is asked about: the one that the soil lets out, else the first. */
  protected readonly cropId = linkedSignal<string | null>(() => this.lets()[0]?.cropId ?? this.crops()[0]?.cropId ?? null);
  protected readonly crop = computed(() => this.crops().find(({ cropId }) => cropId === this.cropId()) ?? null);
  protected readonly choices = computed(() => this.crops().map(({ cropId, name }) => ({ value: cropId, text: name })));
  protected readonly plants = linkedSignal(() => this.crop()?.numbers.length ?? 1);
  private readonly asked = computed(() => {
    const crop = this.crop();
    return crop === null ? null : { cropId: crop.cropId, plants: this.plants() };
  });
  protected readonly page = toSignal(
    combineLatest([toObservable(this.bedId), toObservable(this.asked)]).pipe(
      switchMap(([bedId, asked]) => this.changes.keep(() => this.api.bed(bedId, asked))),
    ),
  );
  protected readonly readings = toSignal(
    toObservable(this.bedId).pipe(switchMap((bedId) => this.changes.keep(() => this.api.soil(bedId)))),
    { initialValue: [] },
  );
  protected readonly over = computed(() => this.page()?.proposed?.over ?? 0);
  protected readonly all = computed(() => Math.min(this.plants(), this.crop()?.numbers.length ?? 0));
  /** Those that fit. */
  protected readonly goes = computed(() => Math.max(this.all() - this.over(), 0));
  protected readonly ready = computed(() => this.page()?.gate?.tone === 'growth');
  protected readonly lead = computed(() => {
    const [task] = this.tasks();
    const bed = this.page()?.bed;
    if (!bed) return '';
    return task ? task.lead : bed.taken.plants === 0 ? `${bed.name}, still empty` : `${bed.name}: ${counted(bed.taken.plants, 'plant')}`;
  });
  private readonly celsius = (words: string): number | null => parseCelsius(words, this.about.household().units);
  protected readonly soil = text('', readBy(this.celsius));
  protected readonly error = signal<string | null>(null);
  protected readonly lower = uncapital;
  protected readonly ripe = SEEDLING_WORDS.ripe.title;

  protected degrees = (celsius: number): string => formatTemperature(celsius, this.about.household().units);
  protected dayOf = (day: string): string => this.about.moments().dated(this.about.moments().at(`${day}T12:00`));

  protected by(step: 1 | -1): void {
    this.plants.update((plants) => Math.max(plants + step, 1));
  }
  protected plantOut(count: number): void {
    const crop = this.crop();
    if (!crop) return;
    const numbers = crop.numbers.slice(0, count);
    this.service.say(
      numbers,
      { kind: 'stage', stage: 'planted_out', bedId: this.bedId() },
      `planted out in ${this.page()?.bed.name ?? 'the bed'}`,
    );
  }

  protected read(source: 'soil' | 'air'): void {
    this.soil.markAsTouched();
    const celsius = this.celsius(this.soil.value);
    if (celsius === null) return this.error.set('A temperature like 12, 12.5 C or 54F.');
    const id = uuid();
    const day = this.about.moments().field(this.about.nowMs()).slice(0, 10);
    this.api.addSoil(this.bedId(), { id, day, celsius, source }).subscribe({
      next: () => {
        this.error.set(null);
        this.soil.reset('');
        this.said('Written down.', id);
      },
      ...this.complain,
    });
  }
  /** A thermometer's file, a mean a day. */
  protected readonly bring = async ({ hours }: Done): Promise<string> => {
    const { field } = this.about.moments();
    const days = soilDays(hours.map(([hour, minC, maxC]) => ({ day: field(hour * 3_600_000).slice(0, 10), minC, maxC })));
    this.brought = uuid();
    await firstValueFrom(this.api.importSoil(this.bedId(), { id: this.brought, days: [...days] }));
    return `${counted(days.length, 'day')} of soil came in.`;
  };
  /** The file that came in last: taken back whole. */
  private brought = '';
  protected tell(text: string): void {
    this.said(text, this.brought);
  }
  protected takeBack(recordId: string): void {
    this.api.undoSoil(this.bedId(), { id: uuid(), recordId }).subscribe(this.complain);
  }

  protected template(): void {
    const page = this.page();
    if (!page) return;
    const { name, widthM, lengthM } = page.bed;
    void import('../print/print-template').then(({ PrintTemplate }) =>
      this.dialogs.open(PrintTemplate, { width: '520px', data: { name, widthM, lengthM, spacingCm: page.spacingCm } }),
    );
  }

  private said(what: string, recordId: string): void {
    this.notice
      .say(what, 'Undo')
      .onAction()
      .subscribe(() => this.takeBack(recordId));
  }
  private readonly complain = { error: (problem: ApiProblem) => this.error.set(problem.message) };
}
