import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { debounceTime, filter, finalize, map, switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Match } from '@fresh-tuck/contract';
import {
  COLUMN_LABELS,
  PACKET_COLUMNS,
  ratesOpen,
  recogniseColumns,
  type PacketColumn,
  type PacketDraft,
  type RatesAre,
} from '@fresh-tuck/core/seedbox';
import { counted, listed } from '@fresh-tuck/core/units';
import { FileButton } from '../kit/file-button';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Notice } from '../data/household/notice.service';
import { readTable, type Table } from './table-file';
import {
  asChange,
  asPacket,
  isChange,
  isNew,
  mendKey,
  readRows,
  sharedFaults,
  type ImportRow,
  type Known,
  type SharedFault,
} from './import-rows';
import { HouseholdApi } from '../data/household/household.api';
import { SeedsApi } from './seeds.api';

const SEPARATORS: Readonly<Record<string, string>> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'bars' };
/** A short wait before the box is asked which rows it knows, ms. */
const SETTLE_MS = 60;

/**
 * A table of packets comes in: columns recognised, rows known again, previewed and mended;
 * all of it kept at once or nothing, and taken out again in one.
 */
@Component({
  selector: 'ft-import',
  imports: [MatFormFieldModule, MatInputModule, MatButton, FileButton, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './import.html',
  styleUrl: './import.scss',
})
export class ImportScreen {
  private readonly api = inject(SeedsApi);
  private readonly householdApi = inject(HouseholdApi);
  private readonly about = inject(AboutService);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);

  protected readonly crops = toSignal(this.householdApi.crops(), { initialValue: [] });
  protected readonly columnChoices = PACKET_COLUMNS.map((column) => ({ column, label: COLUMN_LABELS[column] }));
  protected readonly labels = COLUMN_LABELS;
  protected readonly table = signal<Table | null>(null);
  protected readonly columns = signal<readonly (PacketColumn | null)[]>([]);
  private readonly mended = signal<ReadonlyMap<string, string>>(new Map());
  private readonly chosen = signal<ReadonlyMap<number, 'in' | 'out'>>(new Map());
  private readonly matches = signal<ReadonlyMap<number, NonNullable<Match>>>(new Map());
  private readonly choices = signal<ReadonlyMap<number, Known>>(new Map());
  protected readonly ratesAre = signal<RatesAre | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly saving = signal(false);
  private readonly thisYear = computed(() => Number(this.about.moments().field(this.about.nowMs()).slice(0, 4)));

  protected readonly rows = computed((): ImportRow[] => {
    const table = this.table();
    if (!table || this.crops().length === 0) return [];
    return readRows({
      ...{ table, columns: this.columns(), crops: this.crops(), thisYear: this.thisYear(), ratesAre: this.ratesAre() },
      ...{ mended: this.mended(), chosen: this.chosen(), matches: this.matches(), choices: this.choices() },
    });
  });
  /** Whether a "1" among the rates may be one in a hundred or all of them. */
  protected readonly ratesAsked = computed(() => {
    const at = this.columns().indexOf('ratePercent');
    return at >= 0 && ratesOpen((this.table()?.rows ?? []).map((row) => row[at] ?? ''));
  });
  protected readonly used = computed(() => PACKET_COLUMNS.filter((column) => this.columns().includes(column)));
  protected readonly faults = computed(() => sharedFaults(this.rows()));
  protected readonly wrong = computed(() => this.rows().filter(({ read, left }) => !left && read.errors.length > 0));
  protected readonly fresh = computed(() => this.rows().filter(isNew));
  protected readonly changing = computed(() => this.rows().filter(isChange));
  protected readonly knownRows = computed(() => this.rows().filter(({ left, known }) => !left && known !== null));
  /** Known rows that say otherwise than the box: each is chosen for itself. */
  protected readonly differing = computed(() => this.knownRows().filter(({ differences }) => differences.length > 0));
  protected readonly understood = computed(() => this.columns().filter((column) => column !== null).length);
  protected readonly headline = computed(() => {
    const table = this.table();
    if (!table) return 'Bring in a table of packets';
    const wrong = this.wrong().length;
    const [fresh, changing] = [this.fresh().length, this.changing().length];
    if (wrong > 0) return `${counted(wrong, 'row needs', 'rows need')} correcting`;
    if (fresh + changing === 0 && this.knownRows().length > 0) return 'All of it is in the box already';
    const parts = [fresh > 0 ? counted(fresh, 'new packet', 'new packets') : '', changing > 0 ? `${changing} to correct` : ''].filter(
      Boolean,
    );
    return `${parts.join(', ')} ready to come in`;
  });
  protected readonly button = computed(() => {
    const [fresh, changing] = [this.fresh().length, this.changing().length];
    const parts = [
      fresh > 0 ? counted(fresh, 'packet', 'packets') : '',
      changing > 0 ? counted(changing, 'correction', 'corrections') : '',
    ];
    return `Bring in ${listed(parts.filter(Boolean))}`;
  });
  protected readonly how = computed(() => {
    const table = this.table();
    return table
      ? `${table.rows.length} rows, ${this.understood()} of ${table.headings.length} columns understood; cells separated by ${SEPARATORS[table.separator] ?? 'a sign of their own'}, ${table.encoding}.`
      : '';
  });

  constructor() {
    // Which of the rows the box knows: asked again whenever what they say of themselves changes.
    const asked = computed(() =>
      this.readable().map(({ index, draft: { cropId, variety, year, source } }) => ({ index, row: { cropId, variety, year, source } })),
    );
    toObservable(computed(() => JSON.stringify(asked())))
      .pipe(
        debounceTime(SETTLE_MS),
        map(() => asked()),
        filter((rows) => rows.length > 0),
        switchMap((rows) => this.api.matches({ rows: rows.map(({ row }) => row) }).pipe(map((found) => ({ rows, found })))),
        takeUntilDestroyed(),
      )
      .subscribe(({ rows, found }) => {
        this.matches.set(new Map(rows.flatMap(({ index }, nth) => (found[nth] ? [[index, found[nth]] as const] : []))));
      });
  }

  private readonly readable = computed(() =>
    this.rows().flatMap(({ index, left, read: { draft } }) => (left || draft === null ? [] : [{ index, draft }])),
  );

  protected async take(file: File): Promise<void> {
    try {
      const table = readTable(await file.arrayBuffer());
      this.table.set(table);
      this.columns.set(recogniseColumns(table.headings, table.rows));
      this.mended.set(new Map());
      this.chosen.set(new Map());
      this.matches.set(new Map());
      this.choices.set(new Map());
      this.ratesAre.set(null);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : 'This file could not be read.');
    }
  }

  /** A column is told once: another heading that had it gives it up. */
  protected head(at: number, value: string): void {
    const column = PACKET_COLUMNS.find((one) => one === value) ?? null;
    this.columns.update((columns) => columns.map((old, index) => (index === at ? column : old === column && column !== null ? null : old)));
  }

  /** A spelling is mended once for all the rows that have it; a blank cell for its own row alone. */
  protected mend({ column, text, index }: SharedFault, value: string): void {
    this.mended.update((mended) => new Map(mended).set(mendKey(column, text, index), value));
  }

  protected leave(number: number): void {
    const row = this.rows().find((one) => one.number === number);
    if (row) this.chosen.update((chosen) => new Map(chosen).set(row.index, row.left ? 'in' : 'out'));
  }

  protected leaveAll(numbers: readonly number[]): void {
    for (const number of numbers) this.leave(number);
  }

  protected choose(index: number, choice: Known): void {
    this.choices.update((choices) => new Map(choices).set(index, choice));
  }

  protected chooseAll(choice: Known): void {
    this.choices.set(new Map(this.differing().map(({ index }) => [index, choice])));
  }

  protected error(row: ImportRow, column: PacketColumn): string | null {
    return row.read.errors.find((one) => one.column === column)?.message ?? null;
  }

  protected toKnow(row: ImportRow): string {
    const known = row.known === null ? '' : row.differences.length === 0 ? 'in the box already' : 'in the box, and said otherwise';
    return [row.sameAs === null ? '' : `the same as row ${row.sameAs}`, known, ...row.read.notes].filter(Boolean).join('; ');
  }

  protected bringIn(): void {
    const id = uuid();
    this.saving.set(true);
    this.api
      .importPackets({
        id,
        packets: this.fresh().map(({ read }) => ({ id: uuid(), ...asPacket(read.draft as PacketDraft) })),
        changes: this.changing().flatMap(({ read, known }) => (known ? [asChange(read.draft as PacketDraft, known)] : [])),
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ added, changed }) => {
          const parts = [
            added > 0 ? `${counted(added, 'packet is', 'packets are')} in the box` : '',
            changed > 0 ? `${changed} corrected` : '',
          ];
          this.notice
            .say(`${parts.filter(Boolean).join(', ')}.`, 'Take it all out')
            .onAction()
            .pipe(switchMap(() => this.api.undoImport(id, { id: uuid() })))
            .subscribe({
              next: () => this.notice.say('The table is out again; the box is as it was.'),
              error: (problem: ApiProblem) => this.notice.say(problem.message, 'Close'),
            });
          void this.router.navigate(['/seeds']);
        },
        error: (problem: ApiProblem) => this.problem.set(`Nothing was brought in. ${problem.message}`),
      });
  }
}
