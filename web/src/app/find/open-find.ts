import type { Injector } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { FindBox } from './find';

/** Opens the find box, once. */
export function openFind(injector: Injector): void {
  const dialogs = injector.get(MatDialog);
  if (dialogs.openDialogs.length > 0) return;
  dialogs.open(FindBox, { width: '620px', maxWidth: 'calc(100vw - 24px)', position: { top: '8vh' }, autoFocus: 'input' });
}
