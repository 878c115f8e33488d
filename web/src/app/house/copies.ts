import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { finalize, type Observable } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Copy } from '@fresh-tuck/contract';
import { FileButton } from '../kit/file-button';
import { AboutService } from '../data/household/about.service';
import { type ApiProblem } from '../data/transport/transport.service';
import { HouseApi } from './house.api';

const KIND_WORDS: Readonly<Record<Copy['kind'], string>> = {
  daily: 'made by itself',
  by_hand: 'made by hand',
  before_restore: 'as it was before a copy was put back',
  brought: 'brought from a file',
};
const FIRST = 6;

const counted = (count: number, one: string, many = `${one}s`): string => `${count.toLocaleString('en-GB')} ${count === 1 ? one : many}`;

/** A number of bytes as people say it: "470 kB", "12 MB". */
const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000
    ? `${Math.max(Math.round(bytes / 1000), 1)} kB`
    : bytes < 1_000_000_000
      ? `${Math.round(bytes / 1_000_000)} MB`
      : `${(bytes / 1_000_000_000).toFixed(1)} GB`;

/** Copies of the household: made, taken away, looked into and put back. */
@Component({
  selector: 'ft-copies',
  imports: [FileButton, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './copies.html',
  styleUrl: './copies.scss',
})
export class CopiesList {
  private readonly api = inject(HouseApi);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly about = inject(AboutService);
  protected readonly folder = signal<string | null>(null);
  protected readonly copies = signal<readonly Copy[] | undefined>(undefined);
  protected readonly all$ = signal(false);
  protected readonly asked = signal<string | null>(null);
  protected readonly busy = signal<string | null>(null);
  protected readonly said = signal<string | null>(null);
  protected readonly error = signal<string | null>(null);
  protected readonly shown = computed(() => (this.all$() ? this.copies() : this.copies()?.slice(0, FIRST)) ?? []);

  constructor() {
    this.fetch();
  }

  protected whenOf({ madeMs }: Copy): string {
    const { dated, clock } = this.about.moments();
    return `${dated(madeMs)}, ${clock(madeMs)}`;
  }

  protected kindOf({ kind, household }: Copy): string {
    const other = household !== null && household !== this.about.household().name ? `, of “${household}”` : '';
    return KIND_WORDS[kind] + other;
  }

  protected contentOf({ packets, batches, looks, seedlings, photographs, photographsMissing, bytes }: Copy): string {
    const missing = photographsMissing > 0 ? `, ${photographsMissing} of them without their file` : '';
    return [
      counted(packets, 'packet'),
      counted(batches, 'batch', 'batches'),
      counted(looks, 'look'),
      counted(seedlings, 'seedling'),
      ...(photographs > 0 ? [`${counted(photographs, 'photograph')}${missing}`] : []),
      sizeInWords(bytes),
    ].join(' · ');
  }

  /** What putting a copy back means, before it is done. */
  protected consequenceOf(copy: Copy): string {
    const { newestMs, household, photographsMissing } = copy;
    const { dated, clock } = this.about.moments();
    const last =
      newestMs === null ? 'Nothing was ever written in it.' : `The last thing written in it is of ${dated(newestMs)}, ${clock(newestMs)}.`;
    const whose = household !== null && household !== this.about.household().name ? ` It is of another household, “${household}”.` : '';
    const photos =
      photographsMissing > 0 ? ` ${counted(photographsMissing, 'photograph')} will have no picture unless it lies here already.` : '';
    return `${last}${whose} What was written here since then is not in it: a copy of all as it is now is made first and kept, so that this can be undone in the same way.${photos}`;
  }

  protected ask({ name }: Copy): void {
    this.error.set(null);
    this.asked.update((open) => (open === name ? null : name));
  }

  protected make(): void {
    this.run('Making a copy and reading it through…', this.api.makeCopy({ id: uuid() }), 'The copy is made and was read through.');
  }

  protected bring(file: File): void {
    this.run(
      'Reading the file through…',
      this.api.bringCopy(file),
      'It is a household’s copy and whole. It stands in the list; nothing is put back yet.',
      (copy) => this.asked.set(copy.name),
    );
  }

  protected restore({ name }: Copy): void {
    this.run(
      'Keeping a copy of the present, then putting this one back…',
      this.api.restoreCopy(name, { id: uuid() }),
      'Put back. The present as it was before is the newest copy.',
      () => this.asked.set(null),
    );
  }

  private fetch(): void {
    this.api
      .copies()
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: ({ folder, copies }) => {
          this.folder.set(folder);
          this.copies.set(copies);
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }

  private run<T>(doing: string, request: Observable<T>, said: string, then: (reply: T) => void = () => undefined): void {
    this.busy.set(doing);
    this.said.set(null);
    this.error.set(null);
    request
      .pipe(
        finalize(() => this.busy.set(null)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (reply) => {
          this.said.set(said);
          then(reply);
          this.fetch();
        },
        error: (problem: ApiProblem) => this.error.set(problem.message),
      });
  }
}
