import { MatInputModule } from '@angular/material/input';
import { MatFormFieldModule } from '@angular/material/form-field';
import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { Router, RouterLink } from '@angular/router';
import { finalize } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { SittingName, SittingRequest } from '@fresh-tuck/contract';
import { capital, counted, numberWord } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { Changes } from '../data/transport/changes.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { TuckSources } from '../tuck/sources';
import { SittingApi } from './sitting.api';
import { sittingTitle } from './title';

type NewLine = SittingRequest['lines'][number];

/** Which packets are laid out for a sitting: what could be started now, what is in the box, or a list from before. */
@Component({
  selector: 'ft-choose-sitting',
  imports: [MatButton, MatButtonToggleModule, MatFormFieldModule, MatInputModule, RouterLink],
  providers: [TuckSources],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './choose.html',
  styleUrl: './choose.scss',
})
export class ChooseSitting {
  private readonly api = inject(SittingApi);
  private readonly router = inject(Router);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly sources = inject(TuckSources);
  private readonly names = toSignal(
    inject(Changes).keep(() => this.api.names()),
    { initialValue: [] as SittingName[] },
  );
  /** Lists that are not worked off yet, and those whose packets may be laid out again. */
  protected readonly going = computed(() => this.names().filter(({ ended }) => !ended));
  protected readonly before = computed(() => this.names().filter(({ ended }) => ended));
  protected readonly title = (name: SittingName): string => capital(sittingTitle(name, this.about.moments()));
  protected readonly word = numberWord;
  protected readonly counted = counted;

  /** Chosen packets, in the order they were chosen, with what a list from before said of them. */
  protected readonly chosen = signal<readonly (NewLine & { readonly title: string })[]>([]);
  protected readonly saving = signal(false);
  protected readonly failed = signal<string | null>(null);
  protected readonly ideas = computed(() => this.sources.ideas() ?? []);
  protected readonly box = computed(() =>
    (this.sources.packets() ?? []).filter(({ id }) => this.sources.finding().trim() !== '' || !this.ideas().some((idea) => idea.id === id)),
  );

  protected has(packetId: string): boolean {
    return this.chosen().some((line) => line.packetId === packetId);
  }
  protected toggle(packetId: string, title: string): void {
    const line = { id: uuid(), packetId, words: {}, bag: null, title };
    this.chosen.update((all) => (this.has(packetId) ? all.filter((one) => one.packetId !== packetId) : [...all, line]));
  }

  /** The packets of a list from before, with what was said of each; what is gone from the box stays out. */
  protected again({ id }: SittingName): void {
    this.api
      .sitting(id)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ lines }) => {
          const left = lines.filter(({ title, seedsLeft }) => title !== null && seedsLeft !== 0);
          const anew = new Map(lines.map((line) => [line.id, uuid()]));
          const fresh = left
            .filter(({ packetId }) => !this.has(packetId))
            .map(({ id: lineId, packetId, words, bag, title }) => {
              const { holderId: _, ...rest } = words;
              return { id: anew.get(lineId) ?? uuid(), packetId, words: rest, bag: (bag && anew.get(bag)) ?? null, title: title ?? '' };
            });
          this.chosen.update((all) => [...all, ...fresh]);
          const gone = lines.length - left.length;
          this.failed.set(gone === 0 ? null : `${gone} of that list ${gone === 1 ? 'is' : 'are'} used up or no longer in the box.`);
        },
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }

  protected make(): void {
    this.saving.set(true);
    this.failed.set(null);
    const lines = this.chosen().map(({ title: _, ...line }) => line);
    this.api
      .add({ id: uuid(), lines })
      .pipe(
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/sitting', id]),
        error: (problem: ApiProblem) => this.failed.set(problem.message),
      });
  }
}
