import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import {
  COLUMN_LABELS,
  PACKET_COLUMNS,
  readPacketRow,
  recogniseColumns,
  type PacketColumn,
  type PacketDraft,
  type RowRead,
} from '@fresh-tuck/core/seedbox';
import { FileButton } from '../kit/file-button';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { Notice } from '../data/household/notice.service';
import { readTable, type Table } from './table-file';
import { HouseholdApi } from '../data/household/household.api';
import { SeedsApi } from './seeds.api';

const SEPARATORS: Readonly<Record<string, string>> = { ';': 'semicolons', ',': 'commas', '\t': 'tabs', '|': 'bars' };

/** A table of packets comes in: columns recognised, rows previewed and mended, all of it kept at once or nothing. */
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
  /** Cells that were mended, by row and column; rows that are left out. */
  private readonly mended = signal<ReadonlyMap<string, string>>(new Map());
  protected readonly leftOut = signal<ReadonlySet<number>>(new Set());
  protected readonly problem = signal<string | null>(null);
  protected readonly saving = signal(false);
  private readonly thisYear = computed(() => Number(this.about.moments().field(this.about.nowMs()).slice(0, 4)));

  protected readonly rows = computed(() => {
    const table = this.table();
    if (!table || this.crops().length === 0) return [];
    return table.rows.map((cells, index) => {
      const named: Partial<Record<PacketColumn, string>> = {};
      this.columns().forEach((column, at) => {
        if (column) named[column] = cells[at] ?? '';
      });
      for (const column of PACKET_COLUMNS) {
        const mended = this.mended().get(`${index} ${column}`);
        if (mended !== undefined) named[column] = mended;
      }
      return { index, cells: named, read: readPacketRow(named, this.crops(), this.thisYear()), left: this.leftOut().has(index) };
    });
  });
  protected readonly used = computed(() => PACKET_COLUMNS.filter((column) => this.columns().includes(column)));
  protected readonly wrong = computed(() => this.rows().filter(({ read, left }) => !left && read.errors.length > 0));
  protected readonly good = computed(() => this.rows().filter(({ read, left }) => !left && read.draft !== null));
  protected readonly known = computed(() => this.columns().filter((column) => column !== null).length);
  protected readonly headline = computed(() => {
    const table = this.table();
    if (!table) return 'Bring in a table of packets';
    const wrong = this.wrong().length;
    const good = this.good().length;
    if (wrong > 0) return `${wrong} of ${table.rows.length} rows need correcting`;
    return `${good} ${good === 1 ? 'packet is' : 'packets are'} ready to come in`;
  });
  protected readonly how = computed(() => {
    const table = this.table();
    return table
      ? `${table.rows.length} rows, ${this.known()} of ${table.headings.length} columns understood; cells separated by ${SEPARATORS[table.separator] ?? 'a sign of their own'}, ${table.encoding}.`
      : '';
  });

  protected async take(file: File): Promise<void> {
    try {
      const table = readTable(await file.arrayBuffer());
      this.table.set(table);
      this.columns.set(recogniseColumns(table.headings));
      this.mended.set(new Map());
      this.leftOut.set(new Set());
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

  protected mend(row: number, column: PacketColumn, value: string): void {
    this.mended.update((mended) => new Map(mended).set(`${row} ${column}`, value));
  }

  protected leave(row: number): void {
    this.leftOut.update((left) => {
      const next = new Set(left);
      if (!next.delete(row)) next.add(row);
      return next;
    });
  }

  protected error(row: { readonly read: RowRead }, column: PacketColumn): string | null {
    return row.read.errors.find((one) => one.column === column)?.message ?? null;
  }

  protected bringIn(): void {
    const rows = this.good();
    const packets = rows.map(({ read }) => ({ id: uuid(), ...(read.draft as PacketDraft) }));
    this.saving.set(true);
    this.api
      .importPackets({
        id: uuid(),
        packets: packets.map(({ printedDays, ...packet }) => ({ ...packet, printedDays: printedDays && [printedDays[0], printedDays[1]] })),
      })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ added }) => {
          this.notice.say(`${added} ${added === 1 ? 'packet is' : 'packets are'} in the box.`);
          void this.router.navigate(['/seeds']);
        },
        error: (problem: ApiProblem) => {
          this.problem.set(`Nothing was brought in. ${problem.message}`);
        },
      });
  }
}
