import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, linkedSignal, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { combineLatest, concatMap, debounceTime, finalize, from, map, of, startWith, switchMap, toArray } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { Note } from '@fresh-tuck/contract';
import { AboutService } from '../data/household/about.service';
import { HouseholdApi } from '../data/household/household.api';
import { dayMs } from '../data/household/moments';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Field } from '../kit/field';
import { FileButton } from '../kit/file-button';
import { smallPicture } from '../kit/photo';
import { text } from '../kit/validators';
import { NotebookApi } from './notebook.api';

const TYPING_MS = 150;
const MOST_PICTURES = 4;

/** The open notebook: what was written, by date, batch and crop, with pictures; and a line to write more. */
@Component({
  selector: 'ft-notes',
  imports: [Field, FileButton, MatButton, MatFormFieldModule, MatInputModule, ReactiveFormsModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './notes.html',
  styleUrl: './notes.scss',
})
export class NotesScreen {
  private readonly api = inject(NotebookApi);
  private readonly household = inject(HouseholdApi);
  private readonly changes = inject(Changes);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly home = inject(AboutService);
  /** What the page is about, where another one led here; and what is written already. */
  readonly batch = input<string>();
  readonly crop = input<string>();
  readonly write = input<string>();

  protected readonly finding = signal('');
  protected readonly from = signal(0);
  protected readonly all = toSignal(
    combineLatest([
      toObservable(this.finding).pipe(debounceTime(TYPING_MS), startWith('')),
      toObservable(this.batch),
      toObservable(this.crop),
      toObservable(this.from),
    ]).pipe(switchMap(([find, batch, crop, first]) => this.changes.keep(() => this.api.notes({ find, batch, crop, from: first })))),
  );
  /** What is written is about, as it is called. */
  protected readonly about = toSignal(
    combineLatest([toObservable(this.batch), toObservable(this.crop)]).pipe(
      switchMap(([batch, crop]) =>
        batch
          ? this.household.batch(batch).pipe(map(({ number, title }) => `${number} · ${title}`))
          : crop
            ? this.household.crop(crop).pipe(map(({ name }) => name))
            : of(null),
      ),
    ),
    { initialValue: null },
  );
  /** Notes of a day stand together. */
  protected readonly days = computed(() => {
    const days: { day: string; title: string; notes: Note[] }[] = [];
    for (const note of this.all()?.notes ?? []) {
      const last = days.at(-1);
      if (last?.day === note.day) last.notes.push(note);
      else days.push({ day: note.day, title: this.home.moments().dated(dayMs(note.day)), notes: [note] });
    }
    return days;
  });

  protected readonly day = text('');
  protected readonly words = text('');
  protected readonly pictures = signal<readonly { readonly file: File; readonly blob: Blob }[]>([]);
  /** The note that is being changed; null for a new one. */
  protected readonly changing = signal<Note | null>(null);
  protected readonly saving = signal(false);
  protected readonly problem = signal<string | null>(null);
  /** What another page gave to be written, once. */
  private readonly given = linkedSignal(() => this.write() ?? null);

  constructor() {
    toObservable(this.given)
      .pipe(takeUntilDestroyed())
      .subscribe((given) => given && this.words.setValue(given));
    this.day.setValue(this.today());
  }
  private today(): string {
    return this.home.moments().field(this.home.nowMs()).slice(0, 10);
  }

  protected async picture(file: File): Promise<void> {
    if (this.pictures().length >= MOST_PICTURES) return this.problem.set(`A note holds at most ${MOST_PICTURES} pictures.`);
    try {
      const blob = await smallPicture(file);
      this.pictures.update((all) => [...all, { file, blob }]);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : String(error));
    }
  }

  protected save(): void {
    const said = this.words.value.trim();
    if (said === '') return this.problem.set('Write something first: a line is enough.');
    if (!/^\d{4}-\d{2}-\d{2}$/.test(this.day.value)) return this.problem.set('Name the day that it is of, like 2026-05-20.');
    const changing = this.changing();
    const noteId = changing?.id ?? uuid();
    const subject = changing
      ? { batchId: changing.batchId, cropId: changing.batchId ? null : changing.cropId }
      : { batchId: this.batch() ?? null, cropId: this.batch() ? null : (this.crop() ?? null) };
    this.saving.set(true);
    this.api
      .sayNote(noteId, { day: this.day.value, text: said, ...subject })
      .pipe(
        switchMap(() =>
          from(this.pictures()).pipe(
            concatMap(({ blob }) => this.api.notePicture(noteId, uuid(), blob)),
            toArray(),
          ),
        ),
        finalize(() => this.saving.set(false)),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: () => {
          this.clear();
          this.offer(noteId, changing ? 'Changed.' : 'Written down.');
        },
        error: ({ message }: ApiProblem) => this.problem.set(message),
      });
  }
  protected clear(): void {
    this.words.setValue('');
    this.day.setValue(this.today());
    this.pictures.set([]);
    this.changing.set(null);
    this.problem.set(null);
  }
  protected change(note: Note): void {
    this.changing.set(note);
    this.words.setValue(note.text);
    this.day.setValue(note.day);
    this.pictures.set([]);
    window.scrollTo({ top: 0 });
  }
  protected takeOut(note: Note): void {
    this.api
      .sayNote(note.id, null)
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({ next: () => this.offer(note.id, 'Taken out.'), error: ({ message }: ApiProblem) => this.problem.set(message) });
  }
  private offer(noteId: string, said: string): void {
    this.notice
      .say(said, 'Undo')
      .onAction()
      .pipe(switchMap(() => this.api.takeBackNote(noteId)))
      .subscribe({ error: ({ message }: ApiProblem) => this.notice.say(message, 'Close') });
  }
}
