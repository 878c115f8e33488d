import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { AboutService } from '../data/household/about.service';
import { Calendars } from './calendars';
import { CopiesList } from './copies';
import { Garden } from './garden';
import { NursingForm } from './nursing-form';
import { SettingsForm } from './settings-form';
import { Spots } from './spots';
import { WaysForm } from './ways-form';

/** The household: its settings, its warm spots, its data. */
@Component({
  selector: 'ft-house',
  imports: [Calendars, CopiesList, Garden, NursingForm, SettingsForm, Spots, WaysForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <h1>{{ about.household().name }}</h1>
      <section aria-labelledby="spots">
        <h2 id="spots">The walk <span class="soft">warm spots, in the order you pass them</span></h2>
        <ft-spots />
      </section>
      <section aria-labelledby="settings">
        <h2 id="settings">The day</h2>
        <ft-settings-form [household]="about.household()" button="Save the household" (saved)="said.set('Saved.')" />
        <p class="growth" role="status">{{ said() }}</p>
      </section>
      <section aria-labelledby="ways">
        <h2 id="ways">How it is done here</h2>
        <ft-ways-form />
      </section>
      <section aria-labelledby="nursing">
        <h2 id="nursing">How they are raised <span class="soft">from the move on</span></h2>
        <ft-nursing-form />
      </section>
      <section aria-labelledby="garden">
        <h2 id="garden">The garden <span class="soft">where plants end</span></h2>
        <ft-garden />
      </section>
      <section aria-labelledby="calendars">
        <h2 id="calendars">Your calendars</h2>
        <ft-calendars />
      </section>
      <section aria-labelledby="data">
        <h2 id="data">Copies of the household</h2>
        <ft-copies />
      </section>
    </div>
  `,
  styles: `
    section {
      margin-top: 30px;
      padding-top: 18px;
      border-top: 1px solid var(--hairline);
    }
    section h2 {
      margin-bottom: 14px;
    }
    h2 .soft {
      margin-left: 8px;
      font: 400 15px var(--text);
    }
    section > p {
      margin-bottom: 14px;
    }
  `,
})
export class HouseScreen {
  protected readonly about = inject(AboutService);
  protected readonly said = signal('');
}
