import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Indices } from '@fresh-tuck/core/trials';
import { capital } from '@fresh-tuck/core/units';
import { INDICES } from '@fresh-tuck/core/words';

/** What a column tells of: a side of a trial, or a batch. */
export interface IndexColumn {
  readonly name: string;
  readonly indices: Indices | null;
  /** Whether its looks were too far apart for its days. */
  readonly sparse: boolean;
}

/** The published figures of germination, each under its name and by its source. */
@Component({
  selector: 'ft-index-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="scrolls">
      <table>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            @for (column of columns(); track column.name) {
              <th scope="col">{{ capital(column.name) }}</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (index of indices; track $index) {
            <tr>
              <th scope="row">
                {{ index.name }} <span class="soft">{{ index.source }}</span>
              </th>
              @for (column of columns(); track column.name) {
                <td>{{ column.indices ? index.tell(column.indices) : '' }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    </div>
    <p class="soft">In plain days, each tip on the day it was seen. {{ sparse() }}</p>
  `,
  styles: `
    .scrolls {
      overflow-x: auto;
    }
    table {
      border-collapse: collapse;
      margin: 8px 0;
    }
    th,
    td {
      padding: 6px 22px 6px 0;
      border-bottom: 1px solid var(--hairline);
      font-weight: 400;
      text-align: left;
    }
    td {
      white-space: nowrap;
    }
    thead th {
      font-weight: 700;
    }
  `,
})
export class IndexTable {
  readonly columns = input.required<readonly IndexColumn[]>();
  protected readonly indices = INDICES;
  protected readonly capital = capital;
  protected readonly sparse = computed(() =>
    this.columns()
      .filter(({ sparse }) => sparse)
      .map(({ name }) => `${capital(name)}: half or more was found at one look, so its days say more of the looks than of the seed.`)
      .join(' '),
  );
}
