import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { v7 as uuid } from 'uuid';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { ShellApi } from './shell.api';

/** What must be settled before records can be trusted: a clock that was set back, a file that is damaged. */
@Component({
  selector: 'ft-standing-notes',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (about.trouble(); as trouble) {
      <aside class="grave" role="alert">
        <p><b>The household’s file is damaged.</b> {{ trouble }}</p>
      </aside>
    }
    @if (clock(); as text) {
      <aside role="alert">
        <p>
          <b>Is the clock right?</b> {{ text }}
          <button matButton="text" type="button" class="quiet" (click)="settle()">The clock is right now</button>
          {{ error() ?? '' }}
        </p>
      </aside>
    }
  `,
  styles: `
    aside {
      padding: 8px 28px;
      border-bottom: 1px solid var(--hairline);
      background: var(--waiting-pale);
      color: var(--waiting-word);
    }
    .grave {
      background: var(--trouble-pale);
      color: var(--trouble-word);
    }
    p {
      max-width: 110ch;
    }
    .quiet {
      color: inherit;
    }
    @media (max-width: 720px) {
      aside {
        padding: 8px 16px;
      }
    }
  `,
})
export class StandingNotes {
  private readonly api = inject(ShellApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly error = signal<string | null>(null);
  protected readonly clock = computed(() => {
    const aheadMs = this.about.aheadMs();
    if (aheadMs === null) return null;
    const { dated, clock } = this.about.moments();
    const nowMs = this.about.nowMs();
    return `This machine says ${dated(nowMs)}, ${clock(nowMs)}, but something was written here for ${dated(aheadMs)}, ${clock(aheadMs)}. Set the clock if it is wrong: what you report now would stand before what was seen already.`;
  });

  protected settle(): void {
    this.api
      .settleClock({ id: uuid() })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: (about) => this.about.take(about), error: (problem: ApiProblem) => this.error.set(problem.message) });
  }
}
