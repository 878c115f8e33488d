import { ChangeDetectionStrategy, Component, computed, inject, Injector } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { AboutService } from '../data/household/about.service';
import { Outbox } from '../data/transport/outbox.service';
import { DemoBar } from './demo-bar';
import { StandingNotes } from './standing-notes';

/** The frame around every screen; a round and a tucking-in have the whole page to themselves. */
@Component({
  selector: 'ft-root',
  imports: [MatButton, RouterOutlet, RouterLink, RouterLinkActive, DemoBar, StandingNotes],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'onKey($event)' },
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
})
export class Shell {
  private readonly injector = inject(Injector);
  private readonly router = inject(Router);
  protected readonly about = inject(AboutService);
  protected readonly outbox = inject(Outbox);
  protected readonly waits = computed(() =>
    this.outbox
      .waiting()
      .map(({ what }) => what)
      .join(', '),
  );

  private readonly path = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects.split('?')[0] ?? '/'),
      startWith('/'),
    ),
    { requireSync: true },
  );
  protected readonly bare = computed(() => /^\/(open|tuck|welcome|packet\/[^/]+\/test|sitting\/[^/]+\/lay)/.test(this.path()));

  /** The find box comes when it is asked for, and not before. */
  protected find(): void {
    void import('../find/open-find').then(({ openFind }) => openFind(this.injector));
  }

  protected onKey(event: KeyboardEvent): void {
    const target = event.target as HTMLElement | null;
    const typing = target?.closest('input, textarea, select, [contenteditable]') !== null;
    if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey || !this.about.settled()) return;
    event.preventDefault();
    this.find();
  }

  protected toMain(): void {
    document.getElementById('main')?.focus();
  }
}
