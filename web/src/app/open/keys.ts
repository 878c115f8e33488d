import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';

const KEYS = [
  ['Tab, then Enter', 'go to a seed and turn it into what comes next'],
  ['M', 'more about the seed: any stage, and a root length'],
  ['O · T', 'opened · through the bag'],
  ['N', 'nothing new'],
  ['+ · −', 'one tip more · one fewer, counted'],
  ['D', 'the towel: dry, drying, damp, pooling, and round again'],
  ['U', 'undo the last touch'],
  ['S', 'skip: not opened'],
  ['Ctrl Enter', 'save, and on to the next parcel'],
  ['/', 'find anything'],
] as const;

/** The keys of the round, for hands that are on a keyboard. */
@Component({
  selector: 'ft-keys',
  imports: [MatButton, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>By keyboard alone</h2>
    <mat-dialog-content>
      <dl>
        @for (key of keys; track key[0]) {
          <dt>{{ key[0] }}</dt>
          <dd>{{ key[1] }}</dd>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions><button matButton="outlined" type="button" class="plain" mat-dialog-close>Close</button></mat-dialog-actions>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 130px minmax(0, 1fr);
      gap: 7px 16px;
      margin: 0;
      color: var(--ink);
    }
    dt {
      font-weight: 700;
    }
    dd {
      margin: 0;
    }
  `,
})
export class Keys {
  protected readonly keys = KEYS;
}
