import { A11yModule } from '@angular/cdk/a11y';
import { type ConnectedPosition, OverlayModule } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';

const BELOW: ConnectedPosition[] = [
  { originX: 'start', originY: 'bottom', overlayX: 'start', overlayY: 'top', offsetY: 6 },
  { originX: 'end', originY: 'bottom', overlayX: 'end', overlayY: 'top', offsetY: 6 },
  { originX: 'start', originY: 'top', overlayX: 'start', overlayY: 'bottom', offsetY: -6 },
];

/** A word of the sentence that opens its choices. What the gardener fixed is underlined whole, what we worked out is dashed. */
@Component({
  selector: 'ft-word',
  imports: [MatButton, A11yModule, OverlayModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span class="kept"
      ><button
        matButton="text"
        type="button"
        cdkOverlayOrigin
        #origin="cdkOverlayOrigin"
        [class.fixed]="fixed()"
        [class.missing]="missing()"
        [attr.aria-expanded]="open()"
        [attr.aria-label]="label() + ': ' + text()"
        aria-haspopup="dialog"
        (click)="open.set(!open())"
      >
        {{ text() }}</button
      >{{ after() }}</span
    ><ng-template
      cdkConnectedOverlay
      [cdkConnectedOverlayOrigin]="origin"
      [cdkConnectedOverlayOpen]="open()"
      [cdkConnectedOverlayPositions]="positions"
      [cdkConnectedOverlayPush]="true"
      [cdkConnectedOverlayViewportMargin]="12"
      cdkConnectedOverlayHasBackdrop
      cdkConnectedOverlayBackdropClass="cdk-overlay-transparent-backdrop"
      (backdropClick)="open.set(false)"
      (overlayKeydown)="$event.key === 'Escape' && open.set(false)"
    >
      <div class="panel" role="dialog" [attr.aria-label]="label()" cdkTrapFocus cdkTrapFocusAutoCapture>
        <div class="said"><ng-content /></div>
        <div class="foot"><button matButton="outlined" type="button" class="plain done" (click)="open.set(false)">Done</button></div>
      </div>
    </ng-template>
  `,
  styles: `
    /* What ends a phrase never begins a line. */
    .kept {
      white-space: nowrap;
    }
    button:not(.done) {
      display: inline;
      white-space: normal;
      padding: 0 5px 1px;
      border: 0;
      border-bottom: 2.5px dashed var(--growth);
      border-radius: 5px 5px 0 0;
      background: var(--surface);
      color: inherit;
      font: inherit;
      font-weight: 700;
      text-align: left;
      cursor: pointer;
    }
    button.fixed {
      border-bottom-style: solid;
      background: var(--chosen);
    }
    button.missing {
      border-bottom-color: var(--trouble);
      color: var(--trouble-word);
    }
    .panel {
      display: flex;
      flex-direction: column;
      width: min(360px, calc(100vw - 24px));
      max-height: min(70vh, 520px);
      border: 1.5px solid var(--ink);
      border-radius: 10px;
      background: var(--surface);
      color: var(--ink);
      font: 400 16px/1.5 var(--text);
    }
    .said {
      display: grid;
      gap: 12px;
      min-height: 0;
      overflow: auto;
      padding: 18px 18px 12px;
    }
    /* In reach however long the choices are, and over none of them. */
    .foot {
      display: flex;
      justify-content: flex-end;
      padding: 10px 18px 14px;
      border-top: 1px solid var(--hairline);
    }
    .done {
      min-height: 44px;
    }
  `,
})
export class Word {
  readonly label = input.required<string>();
  readonly text = input.required<string>();
  /** A comma or a full stop behind it. */
  readonly after = input('');
  readonly fixed = input(false);
  readonly missing = input(false);
  readonly open = signal(false);
  protected readonly positions = BELOW;
}
