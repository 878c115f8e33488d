import { readBy, readGrams, text, wholeFrom } from '../kit/validators';
import { Field } from '../kit/field';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { isolationInWords, knownInWords, paceInWords, packetHeadline, printedInWords, regulatedInWords } from '@fresh-tuck/core/words';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { catchError, EMPTY, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { DRYNESSES, readNumber, STORES } from '@fresh-tuck/core/seedbox';
import { formatTemperature } from '@fresh-tuck/core/units';
import { methodOf } from '@fresh-tuck/core/method';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Changes } from '../data/transport/changes.service';
import { Notice } from '../data/household/notice.service';
import { TestResultView } from '../kit/test-result';
import { When } from '../kit/when';
import { Why } from '../kit/why';
import { SeedsPipe } from '../kit/seeds.pipe';
import { PrintLabel } from '../print/print-label';
import { PacketForm } from '../seeds/packet-form';
import { Fading } from './fading';
import { HouseholdApi } from '../data/household/household.api';
import { PacketApi } from './packet.api';

/** One packet: what it is, what it has proved, how it fades, where it comes from and what came of it. */
@Component({
  selector: 'ft-packet',
  imports: [Fading, Field, MatButton, PacketForm, PrintLabel, ReactiveFormsModule, RouterLink, SeedsPipe, TestResultView, When, Why],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './packet.html',
  styleUrl: './packet.scss',
})
export class PacketScreen {
  private readonly api = inject(PacketApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly changes = inject(Changes);
  private readonly notice = inject(Notice);
  private readonly router = inject(Router);
  /** When it was counted; null is now. */
  protected readonly at = signal<string | null>(null);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  readonly packetId = input.required<string>();

  protected readonly gone = signal<string | null>(null);
  protected readonly panel = signal<'count' | 'change' | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly packet = toSignal(
    toObservable(this.packetId).pipe(
      switchMap((id) =>
        this.changes.keep(() =>
          this.householdApi.packet(id).pipe(
            catchError((problem: ApiProblem) => {
              this.gone.set(problem.message);
              return EMPTY;
            }),
          ),
        ),
      ),
    ),
  );

  protected readonly counted = new FormGroup({ seeds: text('', wholeFrom(0, 100_000)), grams: text('', readBy(readGrams)) });
  protected readonly known = computed(() => (this.packet()?.prior.known ?? []).map(knownInWords));
  protected readonly regulated = regulatedInWords;
  protected readonly headline = computed(() => {
    const packet = this.packet();
    if (!packet) return '';
    return packetHeadline(packet.stock, packet.seedsLeft);
  });

  protected readonly facts = computed(() => {
    const packet = this.packet();
    if (!packet) return [];
    const { storage } = packet;
    const { units } = this.about.household();
    const kept = [
      storage.place && STORES[storage.place].label,
      storage.celsius !== null && formatTemperature(storage.celsius, units),
      storage.dryness && DRYNESSES[storage.dryness].label,
    ].filter(Boolean);
    const facts: [string, string | null][] = [
      ['Year', packet.year === null ? null : String(packet.year)],
      ['From', packet.source],
      ['Printed', printedInWords(packet.printedRatePercent, packet.printedDays)],
      ['Kept', kept.length > 0 ? `${kept.join(', ')}; ${paceInWords(packet.pace)}` : null],
      ['Hoped for', packet.trait],
      ['Note', packet.note],
      ['Cost', packet.price === null ? null : packet.price.toFixed(2)],
      ['Saved here', packet.generation === null ? null : packet.generation === 1 ? 'once' : `${packet.generation} times`],
      ['Isolated', packet.isolation && this.about.told(isolationInWords(packet.isolation, packet.isolationM, packet.isolationNeededM))],
    ];
    return facts.filter((fact): fact is [string, string] => fact[1] !== null);
  });

  protected show(panel: 'count' | 'change'): void {
    this.error.set(null);
    this.panel.update((open) => (open === panel ? null : panel));
  }

  protected count(): void {
    this.counted.markAllAsTouched();
    const { seeds, grams } = this.counted.getRawValue();
    const [number, weight] = [seeds.trim(), grams.trim()];
    if ((number === '') === (weight === '')) return this.error.set('Write how many seeds, or how many grams: one of the two.');
    const value = readNumber(number === '' ? weight : number);
    if (this.counted.invalid || value === null) return;
    this.api
      .countPacket(this.packetId(), { id: uuid(), seeds: number === '' ? null : value, grams: number === '' ? value : null, at: this.at() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ seedsLeft }) => {
          this.panel.set(null);
          this.counted.reset();
          this.notice.say(seedsLeft === 0 ? 'Used up.' : `${seedsLeft} in it now.`);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  /** What came of a batch, in a few words. */
  /** Which way a batch was begun, and the one that it follows. */
  protected wayOf(batchId: string): string {
    const outcome = this.packet()?.outcomes.find((one) => one.batchId === batchId);
    if (!outcome) return '';
    const { method, from } = outcome;
    const follows = from === null ? '' : from.kind === 'split' ? `, laid apart from ${from.number}` : `, after ${from.number}`;
    return method === 'towel' && from === null ? '' : `${methodOf(method).nouns.way}${follows}: `;
  }

  protected came(batchId: string): string {
    const found = this.packet()?.outcomes.find((one) => one.batchId === batchId);
    if (!found) return '';
    const { tipped, rotten, moved } = found;
    return [`${tipped} showed`, rotten > 0 ? `${rotten} rotten` : '', moved > 0 ? `${moved} moved` : ''].filter(Boolean).join(', ');
  }

  protected undoCount(recordId: string): void {
    this.api
      .undoCount(this.packetId(), { id: uuid(), recordId })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => this.notice.say('The count is taken back.'),
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected shelve(how: 'away' | 'back' | 'removals'): void {
    const said = { away: 'Put away: it is offered no more and stays in the records.', back: 'Taken out again.', removals: 'Removed.' }[how];
    this.api
      .shelve(this.packetId(), how, { id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: () => {
          this.notice.say(said);
          if (how === 'removals') void this.router.navigate(['/seeds']);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  protected changed(): void {
    this.panel.set(null);
    this.notice.say('Kept.');
  }
}
