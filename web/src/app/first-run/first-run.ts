import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { SettingsForm } from '../house/settings-form';

/** Before anything else, in one breath: who and where the household is, and on to the first packet. */
@Component({
  selector: 'ft-first-run',
  imports: [SettingsForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page narrow">
      <p class="brand">Fresh Tuck</p>
      <svg viewBox="0 0 190 92" width="230" aria-hidden="true">
        <path class="paper" d="M2 2h172l13 14v74h-185z" />
        <path class="fold" d="M46 4v84" />
        <ellipse class="seed" cx="86" cy="46" rx="10" ry="6.4" transform="rotate(-18 86 46)" />
        <ellipse class="seed" cx="120" cy="30" rx="10" ry="6.4" transform="rotate(12 120 30)" />
        <ellipse class="seed" cx="142" cy="62" rx="10" ry="6.4" transform="rotate(-6 142 62)" />
        <path class="root edge" d="M129 32c9 4 12 9 11 15" />
        <path class="root" d="M129 32c9 4 12 9 11 15" />
      </svg>
      <h1>Is this you?</h1>
      <p class="lead">Touch a word to change it. All of it stays on this machine.</p>
      <ft-settings-form button="Yes: put the first packet in" (saved)="on()" />
    </div>
  `,
  styles: `
    .narrow {
      max-width: 820px;
      margin: 0 auto;
    }
    .brand {
      margin-bottom: 22px;
      font: 700 21px var(--heading);
    }
    h1 {
      margin-top: 14px;
    }
    .lead {
      margin: 6px 0 18px;
      font-size: 17px;
    }
    .paper {
      fill: var(--surface);
      stroke: var(--ink);
      stroke-width: 2;
      stroke-linejoin: round;
    }
    .fold {
      stroke: var(--hairline);
      stroke-dasharray: 4 4;
    }
    .seed {
      fill: var(--seed);
      stroke: var(--seed-edge);
      stroke-width: 1.6;
    }
    .root {
      fill: none;
      stroke: var(--radicle);
      stroke-width: 2.4;
      stroke-linecap: round;
    }
    .root.edge {
      stroke: var(--seed-edge);
      stroke-width: 4.6;
    }
  `,
})
export class FirstRun {
  private readonly router = inject(Router);

  protected on(): void {
    void this.router.navigate(['/seeds'], { queryParams: { add: 1 } });
  }
}
