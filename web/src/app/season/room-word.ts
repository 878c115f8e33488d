import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { SeasonRoom } from '@fresh-tuck/contract';
import { Field } from '../kit/field';
import { text, wholeFrom } from '../kit/validators';
import { Word } from '../kit/word';
import { SeasonService } from './season.service';

/** How much stands under a lamp, said in its sentence. */
@Component({
  selector: 'ft-room-word',
  imports: [Field, MatButton, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      {{ room().name }}: room for
      <ft-word
        label="Room"
        [text]="room().holds === null ? 'nobody has said how many' : room().holds + ''"
        [fixed]="room().holds !== null"
        [missing]="room().holds === null && room().lots.length > 0"
      >
        <p class="soft">
          Count cells of 4 cm edge to edge; a 9 cm pot takes five of them. A plan carries seedlings only to places whose room is said.
        </p>
        <ft-field label="Cells" mode="numeric" [control]="cells" accepted="A whole number from 1 to 5000." />
        <button matButton="outlined" type="button" class="plain" (click)="save()">So many stand there</button>
      </ft-word>
      cells.
    </p>
  `,
})
export class RoomWord {
  private readonly service = inject(SeasonService);
  readonly room = input.required<SeasonRoom>();
  protected readonly cells = text('', wholeFrom(1, 5000));

  protected save(): void {
    this.cells.markAsTouched();
    if (this.cells.invalid || this.cells.value.trim() === '') return;
    this.service.room(this.room().id, Number(this.cells.value));
  }
}
