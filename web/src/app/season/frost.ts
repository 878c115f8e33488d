import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { v7 as uuid } from 'uuid';
import type { FrostWordRequest } from '@fresh-tuck/contract';
import { formatTemperature, parseCelsius } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from '../kit/choices';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { readBy, text, wholeFrom } from '../kit/validators';
import { FrostFileService } from './frost-file.service';
import type { FrostReply } from './frost.messages';
import { SeasonApi } from './season.api';
import { SeasonService } from './season.service';

type Read = Extract<FrostReply, { kind: 'read' }>;
const UNITS: Readonly<Record<Read['unit'], string>> = { C: '°C', F: '°F', tenths: 'tenths of °C' };
/** A garden's nights against an open station's, K. Rules of thumb, no source. */
const SHELTERS = [
  { value: 3, text: 'a walled court, or against a house', follows: 'nights about 3° warmer' },
  { value: 1.5, text: 'in a town', follows: 'about 1.5° warmer' },
  { value: 0, text: 'open ground, like the station', follows: null },
  { value: -2, text: 'a hollow, where cold air lies', follows: 'about 2° colder' },
] as const;

/** How frost is counted: by a station's nights or by days that are said; what counts as frost, and how sheltered the garden is. */
@Component({
  selector: 'ft-frost',
  imports: [Choices, Field, FileButton, MatButton, RouterLink],
  providers: [SeasonService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frost.html',
  styleUrl: './frost.scss',
})
export class FrostScreen {
  private readonly api = inject(SeasonApi);
  private readonly files = inject(FrostFileService);
  private readonly about = inject(AboutService);
  private readonly router = inject(Router);
  protected readonly service = inject(SeasonService);
  protected readonly frost = computed(() => this.service.all()?.frost);
  protected readonly file = signal<{ readonly name: string; readonly read: Read } | null>(null);
  protected readonly busy = signal(false);
  protected readonly error = signal<string | null>(null);
  /** The record that days are counted by; null where they are said. */
  protected readonly recordId = signal<string | null>(null);
  protected readonly spring = text('');
  protected readonly springGive = text('', wholeFrom(0, 60));
  protected readonly autumn = text('');
  protected readonly autumnGive = text('', wholeFrom(0, 60));
  protected readonly threshold = text(
    '',
    readBy((typed) => parseCelsius(typed, this.about.household().units)),
  );
  protected readonly shelter = signal(0);
  protected readonly shelters: readonly Choice<number>[] = SHELTERS;
  protected readonly summary = computed(() => {
    const file = this.file();
    if (!file) return '';
    const { first, last, read, celsius, heading, unit, hourly } = file.read;
    const missing = celsius.length - read;
    return `${file.name}: ${first} to ${last}, ${hourly ? 'hours, the coldest of each day' : 'a row a day'}, column “${heading}” in ${UNITS[unit]}${missing > 0 ? `, ${missing} days without a figure` : ''}.`;
  });
  private filled = false;

  constructor() {
    effect(() => {
      const season = this.service.all();
      if (!season || this.filled) return;
      this.filled = true;
      untracked(() => {
        const { said, thresholdC, shelterK, record } = season.frost;
        const dated = (monthDay: string): string => `${season.year}-${monthDay}`;
        if (said.spring) {
          this.spring.setValue(dated(said.spring.monthDay));
          this.springGive.setValue(String(said.spring.giveDays));
        }
        if (said.autumn) {
          this.autumn.setValue(dated(said.autumn.monthDay));
          this.autumnGive.setValue(String(said.autumn.giveDays));
        }
        this.threshold.setValue(formatTemperature(thresholdC, this.about.household().units));
        this.shelter.set(shelterK);
        this.recordId.set(record?.id ?? null);
      });
    });
  }

  protected take(file: File): void {
    this.busy.set(true);
    this.error.set(null);
    this.files.read(file).subscribe({
      next: (reply) => {
        this.busy.set(false);
        if (reply.kind === 'failed') this.error.set(reply.why);
        else this.file.set({ name: file.name, read: reply });
      },
      error: ({ message }: Error) => {
        this.busy.set(false);
        this.error.set(message);
      },
    });
  }

  /** The station's nights come in, and days are counted by them at once. */
  protected bring(): void {
    const file = this.file();
    if (!file) return;
    const id = uuid();
    this.busy.set(true);
    this.api.record({ id, name: file.name.replace(/\.\w+$/, ''), first: file.read.first, celsius: [...file.read.celsius] }).subscribe({
      next: () => {
        this.busy.set(false);
        this.file.set(null);
        this.recordId.set(id);
        this.save();
      },
      error: ({ message }: ApiProblem) => {
        this.busy.set(false);
        this.error.set(message);
      },
    });
  }

  /** Days that are said count again. */
  protected bySaid(): void {
    this.recordId.set(null);
    this.save();
  }

  protected save(): void {
    for (const field of [this.springGive, this.autumnGive, this.threshold]) field.markAsTouched();
    const thresholdC = parseCelsius(this.threshold.value, this.about.household().units);
    if (thresholdC === null || this.springGive.invalid || this.autumnGive.invalid) return;
    const said = (day: string, give: string): FrostWordRequest['spring'] =>
      /^\d{4}-\d\d-\d\d$/.test(day) ? { monthDay: day.slice(5), giveDays: give.trim() === '' ? 10 : Number(give) } : null;
    this.service.frost({
      recordId: this.recordId(),
      spring: said(this.spring.value, this.springGive.value),
      autumn: said(this.autumn.value, this.autumnGive.value),
      thresholdC,
      shelterK: this.shelter(),
    });
  }
  protected back(): void {
    void this.router.navigate(['/season']);
  }
}
