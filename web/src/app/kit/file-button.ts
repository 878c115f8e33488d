import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** A button that asks for a file of this machine. The same file may be chosen twice in a row. */
@Component({
  selector: 'ft-file-button',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button
      [matButton]="look() === 'do' ? 'filled' : 'outlined'"
      type="button"
      [class]="look()"
      [disabled]="disabled()"
      (click)="field.click()"
    >
      {{ label() }}
    </button>
    <input
      #field
      type="file"
      class="unseen"
      tabindex="-1"
      [attr.aria-label]="label()"
      [accept]="accept()"
      [attr.capture]="capture()"
      [disabled]="disabled()"
      (change)="take(field)"
    />
  `,
  styles: `
    :host {
      display: inline-block;
      position: relative;
    }
  `,
})
export class FileButton {
  readonly label = input.required<string>();
  /** What is offered: endings and kinds, as an input's accept. */
  readonly accept = input.required<string>();
  readonly look = input<'do' | 'plain' | 'choice'>('plain');
  /** A phone's camera that is offered first. */
  readonly capture = input<'environment' | null>(null);
  readonly disabled = input(false);
  readonly chosen = output<File>();

  protected take(field: HTMLInputElement): void {
    const file = field.files?.[0];
    // An emptied field speaks again when the same file is chosen.
    field.value = '';
    if (file) this.chosen.emit(file);
  }
}
