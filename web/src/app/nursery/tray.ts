import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import type { Plant, Tray } from '@fresh-tuck/contract';
import { COVERS, type Cover, NURSERY_TROUBLES, reached, SEEDLING_STAGES, type SeedlingStage } from '@fresh-tuck/core/nursing';
import { COVER_WORDS, SEEDLING_WORDS } from '@fresh-tuck/core/words';
import { AboutService } from '../data/household/about.service';
import { Choices } from '../kit/choices';
import { PlantDrawing } from '../kit/plant';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { PrintLabel } from '../print/print-label';
import { CellMark } from './cell-mark';
import { FeedCard } from './feed-card';
import { Hardening } from './hardening';
import { NurseryService } from './nursery.service';
import { PotOn } from './pot-on';

/** What can be said of a seedling here; ripe and harvested belong to the garden. */
const SAYABLE = SEEDLING_STAGES.filter((stage) => stage !== 'moved' && !reached(stage, 'ripe'));
/** In a slot nothing is hardened or planted out. */
const IN_SLOT: readonly SeedlingStage[] = [...SAYABLE.filter((stage) => !reached(stage, 'roots_out')), 'ripe'];

const OFFERED = 2;

/** A tray close up: its seedlings are marked one by one, many at once, or all; what it needs; what is wrong with it. */
@Component({
  selector: 'ft-tray',
  imports: [
    CellMark,
    Choices,
    FeedCard,
    Hardening,
    MatButton,
    MatFormFieldModule,
    MatInputModule,
    PlantDrawing,
    PotOn,
    PrintLabel,
    RouterLink,
    When,
    Word,
  ],
  providers: [NurseryService],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tray.html',
  styleUrl: './tray.scss',
})
export class TrayScreen {
  protected readonly service = inject(NurseryService);
  protected readonly about = inject(AboutService);
  readonly trayId = input.required<string>();
  readonly batchId = input.required<string>();
  /** What they stand in, where some of the batch stand in something else. */
  readonly standing = input<string>();

  protected readonly all = this.service.all;
  private readonly isThis = ({ id, batchId, destination }: Tray): boolean =>
    id === this.trayId() && batchId === this.batchId() && (this.standing() ?? destination) === destination;
  private readonly place = computed(() => this.all()?.places.find(({ trays }) => trays.some(this.isThis)) ?? null);
  protected readonly tray = computed(() => this.place()?.trays.find(this.isThis) ?? null);
  protected readonly where = computed(() => this.place()?.name ?? '');
  protected readonly spotId = computed(() => this.tray()?.spotId ?? null);
  /** The name of where it stands: a rack stands on a sill. */
  protected readonly stands = computed(() => this.spots().find(({ value }) => value === this.spotId())?.text ?? this.where());
  protected readonly spots = computed(() => (this.all()?.spots ?? []).map(({ id, name }) => ({ value: id, text: name })));
  protected readonly tasks = computed(() => this.tray()?.tasks ?? []);
  protected readonly cells = computed(() => {
    const tray = this.tray();
    return tray !== null && (tray.destination === 'cell' || tray.destination === 'plug' || tray.plants.length > 24);
  });
  protected readonly covers = COVERS.map((cover) => ({ value: cover, text: COVER_WORDS[cover] }));
  protected readonly coverWords = COVER_WORDS;
  protected readonly troubles = NURSERY_TROUBLES;
  protected readonly trouble = signal<string | null>(null);
  protected readonly potting = signal(false);
  protected readonly giving = signal(false);

  /** The seedlings that were touched; none is all. */
  protected readonly picked = signal<ReadonlySet<number>>(new Set());
  protected readonly targets = computed(() => {
    const plants = this.tray()?.plants ?? [];
    const own = plants.filter(({ number }) => this.picked().has(number));
    return own.length > 0 ? own : plants;
  });
  /** What can be said of them: each stage with those that are not there yet. */
  protected readonly stages = computed(() =>
    (this.tray()?.destination === 'slot' ? IN_SLOT : SAYABLE)
      .map((stage) => ({ stage, title: SEEDLING_WORDS[stage].title, numbers: this.short(stage) }))
      .filter(({ numbers }) => numbers.length > 0),
  );
  /** The next two are offered at once; further ones when they are asked for. */
  protected readonly further = signal(false);
  protected readonly offered = computed(() => (this.further() ? this.stages() : this.stages().slice(0, OFFERED)));
  /** What is lost is named: never a whole tray in one touch. */
  protected readonly named = computed(() => this.picked().size > 0 || this.tray()?.plants.length === 1);
  protected readonly who = computed(() => {
    const [one, ...more] = this.targets();
    const count = more.length + 1;
    if (count < (this.tray()?.plants.length ?? 0)) return more.length === 0 ? `${one?.number}` : `these ${count}`;
    return more.length === 0 ? 'it' : `all ${count}`;
  });
  protected readonly labels = computed(() => this.targets().map(({ number }) => ({ kind: 'seedling' as const, id: String(number) })));

  private short(stage: SeedlingStage): number[] {
    return this.targets().flatMap((plant) => (reached(plant.stage, stage) ? [] : [plant.number]));
  }

  protected pick({ number }: Pick<Plant, 'number'>): void {
    this.picked.update((picked) => {
      const next = new Set(picked);
      if (!next.delete(number)) next.add(number);
      return next;
    });
  }
  protected pickOthers(): void {
    const picked = this.picked();
    this.picked.set(new Set(this.tray()?.plants.flatMap(({ number }) => (picked.has(number) ? [] : [number])) ?? []));
  }
  /** All that a task is about. */
  protected pickThese(numbers: readonly number[]): void {
    this.picked.set(new Set(numbers));
  }
  protected pickNone(): void {
    this.picked.set(new Set());
  }

  protected aria({ number, stage, pot, slot }: Plant): string {
    const shares = pot === null || pot === number ? '' : `, in one pot with ${pot}`;
    return `${number}: ${SEEDLING_WORDS[stage].title.toLowerCase()}${shares}${slot === null ? '' : `, slot ${slot}`}`;
  }
  protected numbers = (): number[] => this.targets().map(({ number }) => number);

  /** Those that are asked about which bed they go to. */
  protected readonly bedding = signal(false);
  protected readonly beds = computed(() => (this.all()?.beds ?? []).map(({ id, name }) => ({ value: id, text: name })));
  protected readonly bedChoices = computed(() => [...this.beds(), { value: null, text: 'somewhere else' }]);
  protected readonly racks = computed(() => this.all()?.racks ?? []);
  protected readonly slotting = signal<string | null>(null);
  /** Racks with as many free slots as are to be filled. */
  protected readonly roomy = computed(() => this.racks().filter(({ free }) => free.length >= this.targets().length));
  protected readonly freeSlots = computed(() => this.racks().find(({ id }) => id === this.slotting())?.free ?? []);

  protected say(stage: SeedlingStage): void {
    if (stage === 'planted_out' && this.beds().length > 0 && this.tray()?.destination !== 'bed') return this.bedding.set(!this.bedding());
    this.service.stage(this.short(stage), stage);
    this.pickNone();
  }
  protected plantOut(bedId: string | null): void {
    const numbers = this.short('planted_out');
    const name = this.beds().find(({ value }) => value === bedId)?.text;
    this.service.say(numbers, { kind: 'stage', stage: 'planted_out', bedId }, name ? `planted out in ${name}` : 'planted out');
    this.bedding.set(false);
    this.pickNone();
  }
  protected intoSlot(from: number): void {
    const rackId = this.slotting();
    const free = this.freeSlots().filter((slot) => slot >= from);
    const into = this.numbers().map((number, nth) => ({ number, slot: free[nth] ?? 0 }));
    if (rackId === null || into.some(({ slot }) => slot === 0)) return;
    this.service.slot(rackId, into);
    this.slotting.set(null);
    this.pickNone();
  }
  /** From which free slots on all that are picked find one each. */
  protected readonly firstSlots = computed(() => {
    const free = this.freeSlots();
    return free.slice(0, Math.max(free.length - this.targets().length + 1, 0));
  });
  protected lose(why: string): void {
    if (why.trim() === '') return;
    this.service.say(this.numbers(), { kind: 'lost', why: why.trim() }, `lost, ${why.trim()}`);
    this.pickNone();
    this.trouble.set(null);
  }
  protected give(to: string): void {
    this.service.say(
      this.numbers(),
      { kind: 'given', to: to.trim() === '' ? null : to.trim() },
      to.trim() === '' ? 'given away' : `given to ${to.trim()}`,
    );
    this.pickNone();
    this.giving.set(false);
  }
  protected compost(): void {
    this.service.say(this.numbers(), { kind: 'composted' }, 'on the compost');
    this.pickNone();
  }
  protected potted(): void {
    this.potting.set(false);
    this.pickNone();
  }
  protected carry(spotId: string): void {
    const name = this.spots().find(({ value }) => value === spotId)?.text ?? '';
    this.service.care([this.trayId()], { kind: 'place', spotId }, `Stands at ${name}`);
  }
  protected lid(cover: Cover): void {
    this.service.care([this.trayId()], { kind: 'cover', cover }, `Its lid: ${COVER_WORDS[cover]}`);
  }
  protected felt(finger: 'damp' | 'drying' | 'dry' | 'pooling', text: string): void {
    this.service.care([this.trayId()], { kind: 'water', from: null, finger }, `Felt: ${text}`);
  }
  protected seen(): void {
    this.service.care([this.trayId()], { kind: 'seen' }, 'Looked at, nothing new');
  }
}
