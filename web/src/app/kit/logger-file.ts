import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { counted, formatTemperature } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { ApiProblem } from '../data/transport/transport.service';
import { Choices, type Choice } from './choices';
import { FileButton } from './file-button';
import { Word } from './word';
import type { LoggerReply, LoggerRequest } from './logger.messages';

export type Done = Extract<LoggerReply, { kind: 'done' }>;
const ZONES: readonly string[] = Intl.supportedValuesOf('timeZone');

/** A logger's file: read beside the page, shown before it comes in, and brought in whole or not at all. */
@Component({
  selector: 'ft-logger-file',
  imports: [Choices, FileButton, MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="acts">
      <ft-file-button
        label="Bring in a logger’s file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        [disabled]="busy()"
        (chosen)="take($event)"
      />
      @if (busy()) {
        <span role="status" class="soft">{{ doing() }}</span>
      }
    </p>
    @if (found(); as found) {
      <div class="preview">
        <p>
          <b>{{ name() }}</b>: {{ summary() }} Column “{{ found.column }}” in
          <ft-word label="Unit" [text]="found.unit === 'F' ? '°F' : '°C'" [fixed]="unit() !== null">
            <ft-choices label="Unit" [choices]="units" [value]="found.unit" (chosen)="say($event, null)" /> </ft-word
          >{{ found.unitSaid ? '' : ' (taken from how high the figures are)' }}, days written
          <ft-word label="How days are written" [text]="orderText(found.order)" [fixed]="order() !== null">
            <ft-choices label="How days are written" [choices]="orders" [value]="found.order" (chosen)="say(null, $event)" /> </ft-word
          >, times of
          <ft-word label="Zone of its clock" [text]="zone()" [fixed]="ownZone() !== null">
            <ft-choices label="Zone of its clock" [choices]="zones()" [value]="zone()" (chosen)="sayZone($event)" /> </ft-word
          >.
        </p>
        @if (found.orderDoubtful && order() === null) {
          <p class="waiting">Day and month could be either way round: look whether the dates above are right.</p>
        }
        @if (found.unread > 0) {
          <p class="waiting">{{ unread() }}</p>
        }
        @if (future()) {
          <p class="trouble">{{ future() }}</p>
        } @else if (old()) {
          <p class="waiting">{{ old() }}</p>
        }
        <p class="acts">
          <button matButton="outlined" type="button" class="plain" [disabled]="busy() || future() !== null" (click)="bring(found)">
            Bring in {{ hoursText() }}
          </button>
          <button matButton="text" type="button" class="quiet" [disabled]="busy()" (click)="leave()">Leave it</button>
        </p>
      </div>
    }
    <p class="error" role="alert">{{ error() ?? '' }}</p>
  `,
  styleUrl: '../spot/forms.scss',
})
export class LoggerFile {
  private readonly about = inject(AboutService);
  /** Takes what was read, whole or not at all, and says what came in. */
  readonly into = input.required<(file: { readonly name: string } & Done, progress: (share: number) => void) => Promise<string>>();
  readonly saved = output<string>();
  protected readonly error = signal<string | null>(null);
  protected readonly busy = signal(false);
  protected readonly doing = signal('');
  protected readonly found = signal<Done | null>(null);
  protected readonly unit = signal<'C' | 'F' | null>(null);
  protected readonly order = signal<'dmy' | 'mdy' | 'ymd' | null>(null);
  protected readonly ownZone = signal<string | null>(null);
  protected readonly zone = computed(() => this.ownZone() ?? this.about.household().zone);
  protected readonly units: readonly Choice<'C' | 'F'>[] = [
    { value: 'C', text: '°C' },
    { value: 'F', text: '°F' },
  ];
  protected readonly orders: readonly Choice<'dmy' | 'mdy' | 'ymd'>[] = [
    { value: 'dmy', text: 'day first' },
    { value: 'mdy', text: 'month first' },
    { value: 'ymd', text: 'year first' },
  ];
  protected orderText = (order: string): string => this.orders.find(({ value }) => value === order)?.text ?? order;
  protected readonly zones = computed((): readonly Choice<string>[] =>
    [this.about.household().zone, 'UTC', ...ZONES.filter((zone) => zone.split('/')[0] === this.about.household().zone.split('/')[0])]
      .filter((zone, nth, all) => all.indexOf(zone) === nth)
      .map((value) => ({ value, text: value, follows: value === this.about.household().zone ? 'the household’s' : null })),
  );
  private readonly file = signal<File | null>(null);
  protected readonly name = computed(() => this.file()?.name ?? '');
  private worker: Worker | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  protected readonly hoursText = computed(() => counted(this.found()?.hours.length ?? 0, 'hour'));
  protected readonly summary = computed(() => {
    const found = this.found();
    if (!found) return '';
    const { dated, clock } = this.about.moments();
    const { units } = this.about.household();
    const hours = found.hours;
    const [from, to] = [(hours[0]?.[0] ?? 0) * 3_600_000, (hours.at(-1)?.[0] ?? 0) * 3_600_000];
    const low = hours.reduce((least, [, min]) => Math.min(least, min), Infinity);
    const high = hours.reduce((most, [, , max]) => Math.max(most, max), -Infinity);
    const gaps = found.gaps > 0 ? `, ${counted(found.gaps, 'gap')}` : '';
    const repeated = found.repeated > 0 ? `, ${counted(found.repeated, 'line')} said twice` : '';
    return `${counted(found.lines, 'line')} from ${dated(from)}, ${clock(from)} to ${dated(to)}, ${clock(to)}, ${formatTemperature(low, units)} to ${formatTemperature(high, units)}${gaps}${repeated}.`;
  });
  protected readonly unread = computed(() => {
    const { unread = 0, unreadLines = [] } = this.found() ?? {};
    return `${counted(unread, 'line')} could not be read and ${unread === 1 ? 'is' : 'are'} left out, as line ${unreadLines.join(', ')}.`;
  });
  protected readonly future = computed(() => {
    const last = (this.found()?.hours.at(-1)?.[0] ?? 0) * 3_600_000;
    return last > this.about.nowMs() + 3_600_000
      ? `Its last reading is of ${this.about.moments().dated(last)}, which is still to come: the logger’s clock, the year or the order of day and month is wrong.`
      : null;
  });
  /** A file of another year says nothing of today: that is said before it comes in. */
  protected readonly old = computed(() => {
    const last = (this.found()?.hours.at(-1)?.[0] ?? 0) * 3_600_000;
    return this.found() && last < this.about.nowMs() - 60 * 86_400_000
      ? `It ends on ${this.about.moments().dated(last)}: it tells of what stood here then, and says nothing of today.`
      : null;
  });

  protected take(file: File): void {
    this.leave();
    this.file.set(file);
    this.read();
  }
  protected say(unit: 'C' | 'F' | null, order: 'dmy' | 'mdy' | 'ymd' | null): void {
    if (unit) this.unit.set(unit);
    if (order) this.order.set(order);
    this.read();
  }
  protected sayZone(zone: string): void {
    this.ownZone.set(zone);
    this.read();
  }
  protected leave(): void {
    this.found.set(null);
    this.error.set(null);
    this.unit.set(null);
    this.order.set(null);
    this.file.set(null);
  }

  private read(): void {
    const file = this.file();
    if (!file) return;
    this.error.set(null);
    this.busy.set(true);
    this.doing.set('Reading…');
    this.worker?.terminate();
    const worker = new Worker(new URL('./logger.worker', import.meta.url), { type: 'module' });
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<LoggerReply>) => {
      if (data.kind === 'read') return this.doing.set(`Reading, ${Math.round(data.share * 100)} % done…`);
      this.busy.set(false);
      worker.terminate();
      if (data.kind === 'failed') {
        this.found.set(null);
        return this.error.set(data.why);
      }
      this.found.set(data);
    };
    const request: LoggerRequest = { file, zone: this.zone(), unit: this.unit(), order: this.order() };
    worker.postMessage(request);
  }

  protected async bring(found: Done): Promise<void> {
    this.busy.set(true);
    this.doing.set('Bringing in…');
    this.error.set(null);
    try {
      const said = await this.into()({ name: this.name(), ...found }, (share) =>
        this.doing.set(`Bringing in, ${Math.round(share * 100)} % done…`),
      );
      this.leave();
      this.saved.emit(said);
    } catch (error) {
      this.error.set(
        error instanceof ApiProblem ? `${error.message} Nothing of it counts.` : 'The file could not be brought in. Nothing of it counts.',
      );
    } finally {
      this.busy.set(false);
    }
  }
}
