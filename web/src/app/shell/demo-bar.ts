import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { finalize } from 'rxjs';
import { AboutService } from '../data/household/about.service';
import { ShellApi } from './shell.api';

/** The demo's own clock: half a day on, or back to the first morning. */
@Component({
  selector: 'ft-demo-bar',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <aside [class.bare]="bare()" aria-label="Demo">
      <span class="what"
        ><b>Demo</b><span class="long">, an invented household. Its clock says</span>
        {{ busy() ? 'one moment' : about.moments().short(about.nowMs()) }}.</span
      >
      <button matButton="text" type="button" [disabled]="busy()" (click)="step()">Half a day on</button>
      <button matButton="text" type="button" [disabled]="busy()" (click)="reset()">Begin again</button>
    </aside>
  `,
  styles: `
    :host {
      position: sticky;
      bottom: 0;
      z-index: 4;
    }
    aside {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 18px;
      padding: 2px 28px;
      border-top: 1px solid var(--hairline);
      background: var(--waiting-pale);
      color: var(--waiting-word);
      font-size: 14px;
    }
    .what {
      flex: 1;
    }
    button {
      min-height: 36px;
      padding: 0 6px;
      border: 0;
      background: none;
      color: inherit;
      font: 700 14px var(--text);
      text-decoration: underline;
      text-underline-offset: 3px;
      cursor: pointer;
    }
    @media (max-width: 720px) {
      :host {
        position: static;
      }
      aside {
        order: -1;
        padding: 0 16px;
        border-top: 0;
        border-bottom: 1px solid var(--hairline);
        font-size: 13px;
        gap: 0 10px;
        position: absolute;
        inset: 0 0 auto;
        z-index: 5;
      }
      aside.bare {
        display: none;
      }
      .long {
        display: none;
      }
    }
    @media print {
      aside {
        display: none;
      }
    }
  `,
})
export class DemoBar {
  private readonly api = inject(ShellApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly busy = signal(false);
  readonly bare = input(false);

  protected step(): void {
    this.busy.set(true);
    this.api
      .stepDemo()
      .pipe(
        finalize(() => this.busy.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe();
  }

  protected reset(): void {
    this.busy.set(true);
    this.api
      .resetDemo()
      .pipe(
        finalize(() => this.busy.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      // Everything on the screen belongs to the old household.
      .subscribe(() => void this.router.navigateByUrl('/').then(() => location.reload()));
  }
}
