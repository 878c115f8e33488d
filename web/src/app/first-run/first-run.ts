import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { of, switchMap } from 'rxjs';
import { AboutService } from '../data/household/about.service';

import { Changes } from '../data/transport/changes.service';
import { SettingsForm } from '../house/settings-form';
import { Spots } from '../house/spots';
import { HouseholdApi } from '../data/household/household.api';

/** Before anything else: where the household is, and its warm spots in walking order. */
@Component({
  selector: 'ft-first-run',
  imports: [MatButton, RouterLink, SettingsForm, Spots],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page narrow">
      <p class="brand">Fresh Tuck</p>
      @if (!placed()) {
        <h1>Where is your household?</h1>
        <p class="lead">Fresh Tuck keeps all of this on your own machine. It needs your clock, your units, and when somebody can look.</p>
        <ft-settings-form button="Go on to the warm spots" (saved)="placed.set(true)" />
      } @else {
        <h1>Where is it warm?</h1>
        <p class="lead">
          Name the places where bags can lie, in the order you walk past them. A thermometer’s lowest and highest make the forecast surer;
          without one, the kind of place will do, and it says so.
        </p>
        <ft-spots />
        @if ((spots() ?? []).length > 0) {
          <p class="on">
            <a matButton="filled" class="do" routerLink="/seeds" [queryParams]="{ add: 1 }">Put the first packet in the box</a>
          </p>
        }
      }
    </div>
  `,
  styles: `
    .narrow {
      max-width: 760px;
      margin: 0 auto;
    }
    .brand {
      margin-bottom: 26px;
      font: 700 21px var(--heading);
    }
    .lead {
      max-width: 62ch;
      margin: 10px 0 22px;
      font-size: 17px;
    }
    .on {
      margin-top: 24px;
    }
  `,
})
export class FirstRun {
  private readonly api = inject(HouseholdApi);
  protected readonly placed = signal(inject(AboutService).settled());
  private readonly changes = inject(Changes);
  // Before the household is named the server has no clock to tell spots by.
  protected readonly spots = toSignal(
    toObservable(this.placed).pipe(switchMap((placed) => (placed ? this.changes.keep(() => this.api.spots()) : of([])))),
  );
}
