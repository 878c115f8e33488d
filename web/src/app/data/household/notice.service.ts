import { inject, Injectable } from '@angular/core';
import { MatSnackBar, type MatSnackBarRef, type TextOnlySnackBar } from '@angular/material/snack-bar';

const SHOWN_MS = 8000;
const PHONE = '(max-width: 860px)';

/** A line that comes and goes; on a phone above the thumb's button, so that it covers neither that nor the first line. */
@Injectable({ providedIn: 'root' })
export class Notice {
  private readonly snacks = inject(MatSnackBar);

  say(text: string, action?: string): MatSnackBarRef<TextOnlySnackBar> {
    const phone = matchMedia(PHONE).matches;
    return this.snacks.open(text, action, {
      duration: phone ? SHOWN_MS / 2 : SHOWN_MS,
      verticalPosition: 'bottom',
      panelClass: phone ? 'notice-phone' : 'notice',
    });
  }
}
