import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { of, switchMap } from 'rxjs';
import type { Packet } from '@fresh-tuck/contract';
import type { StockAdvice } from '@fresh-tuck/core/stock';
import { Api } from '../data/api.service';
import { Changes } from '../data/changes.service';
import { RateBar } from '../kit/rate-bar';
import { PacketForm } from './packet-form';

/** The box's dividers, in the order in which they ask for something. */
const DIVIDERS: readonly { readonly id: StockAdvice | 'fine'; readonly title: string; readonly text: string }[] = [
  { id: 'test_first', title: 'Test first', text: 'doubtful, and nothing has proved it' },
  { id: 'use_up', title: 'Use up', text: 'near the end of its storage life' },
  { id: 'short', title: 'Nearly empty', text: 'fewer than a batch takes' },
  { id: 'fine', title: 'In order', text: 'good for a batch' },
];

/** The seed box behind its dividers: what to test first, what to use up, what is short. */
@Component({
  selector: 'ft-seeds',
  imports: [PacketForm, RateBar, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './seeds.html',
  styleUrl: './seeds.scss',
})
export class SeedsScreen {
  private readonly api = inject(Api);
  readonly add = input<string>();
  /** The packet that seed was saved from. */
  readonly mother = input<string>();

  protected readonly packets = toSignal(inject(Changes).keep(() => this.api.packets()));
  protected readonly adding = linkedSignal(() => this.add() !== undefined);
  protected readonly added = signal<{ id: string; text: string } | null>(null);
  protected readonly typed = signal('');
  protected readonly savedFrom = toSignal(toObservable(this.mother).pipe(switchMap((id) => (id ? this.api.packet(id) : of(null)))), {
    initialValue: null,
  });

  private readonly shown = computed(() => {
    const words = this.typed().trim().toLowerCase();
    return (this.packets() ?? [])
      .filter(({ cropName, variety, source }) => `${cropName} ${variety} ${source ?? ''}`.toLowerCase().includes(words))
      .sort((a, b) => a.cropName.localeCompare(b.cropName) || a.variety.localeCompare(b.variety));
  });
  protected readonly groups = computed(() =>
    DIVIDERS.map((divider) => ({
      ...divider,
      packets: this.shown().filter((packet) => this.dividerOf(packet) === divider.id),
    })).filter(({ packets }) => packets.length > 0),
  );
  protected readonly empty = computed(() => this.shown().filter((packet) => this.dividerOf(packet) === 'empty'));
  protected readonly headline = computed(() => {
    const packets = this.packets() ?? [];
    const count = packets.filter((packet) => this.dividerOf(packet) !== 'empty').length;
    if (packets.length === 0) return 'The seed box';
    const asks = DIVIDERS.slice(0, 2)
      .map(({ id }) => ({ id, number: packets.filter((packet) => this.dividerOf(packet) === id).length }))
      .filter(({ number }) => number > 0)
      .map(({ id, number }) => (id === 'test_first' ? `test ${number} first` : `use up ${number}`));
    const box = `${count} ${count === 1 ? 'packet' : 'packets'} in the box`;
    return asks.length > 0 ? `${box}: ${asks.join(', ')}` : box;
  });

  private dividerOf({ stock }: Packet): StockAdvice | 'fine' {
    if (stock.advice.includes('empty')) return 'empty';
    return DIVIDERS.find(({ id }) => id !== 'fine' && stock.advice.includes(id))?.id ?? 'fine';
  }

  /** What else is to be said beside its divider. */
  protected also(packet: Packet, divider: string): string {
    const words = { use_up: 'use up', test_first: 'test first', short: 'nearly empty', empty: '' } as const;
    return (
      packet.stock.advice
        // What wants a test is old as a rule: once is enough.
        .filter((one) => one !== divider && !(one === 'use_up' && divider === 'test_first'))
        .map((one) => words[one])
        .join(', ')
    );
  }

  protected keep(packet: Packet): void {
    this.added.set({ id: packet.id, text: `${packet.cropName}, ${packet.variety}` });
    this.adding.set(false);
  }
}
