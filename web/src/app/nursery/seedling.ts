import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { RouterLink } from '@angular/router';
import { switchMap } from 'rxjs';
import { v7 as uuid } from 'uuid';
import type { SeedlingWord } from '@fresh-tuck/contract';
import type { Role } from '@fresh-tuck/contract/choices';
import { touchSays } from '@fresh-tuck/core/nursing';
import { ROLE_WORDS, SEEDLING_WORDS } from '@fresh-tuck/core/words';
import type { Destination } from '@fresh-tuck/core/moving';
import { AboutService } from '../data/household/about.service';
import { Notice } from '../data/household/notice.service';
import { Changes } from '../data/transport/changes.service';
import type { ApiProblem } from '../data/transport/transport.service';
import { Choices } from '../kit/choices';
import { FileButton } from '../kit/file-button';
import { smallPicture } from '../kit/photo';
import { PlantDrawing } from '../kit/plant';
import { When } from '../kit/when';
import { Word } from '../kit/word';
import { PrintLabel } from '../print/print-label';
import { NurseryApi } from './nursery.api';

/** A plant from its packet to its fruit: what was said of it, each to be taken back, and what it is kept as. */
@Component({
  selector: 'ft-seedling',
  imports: [Choices, FileButton, MatButton, MatFormFieldModule, MatInputModule, PlantDrawing, PrintLabel, RouterLink, When, Word],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <p class="soft"><a routerLink="/nursery">Nursery</a></p>
      @if (plant(); as plant) {
        <header>
          <ft-plant [stage]="plant.stage" [destination]="destination()" [number]="plant.number" />
          <div>
            <h1>{{ plant.number }} {{ plant.title }}</h1>
            <p class="said">
              {{ words[plant.stage].title }}, kept as&ngsp;<ft-word label="Kept as" [text]="role()" [fixed]="role() !== any"
                ><ft-choices
                  label="Kept as"
                  [choices]="roles"
                  [value]="null"
                  (chosen)="say({ kind: 'role', role: $event }, 'kept so')" /></ft-word
              >, graded&ngsp;<ft-word label="Its grade" [text]="grade()" [fixed]="grade() !== 'not yet'"
                ><ft-choices
                  label="Its grade"
                  [choices]="grades"
                  [value]="null"
                  (chosen)="say({ kind: 'graded', grade: $event }, 'graded')" /></ft-word
              >.
            </p>
            <p class="soft">
              From <a [routerLink]="['/batch', plant.batchId]">batch {{ plant.batchNumber }}</a
              >, moved {{ about.moments().short(plant.movedMs) }}{{ plant.proved ? '' : ', planted while quiet' }}.
            </p>
          </div>
        </header>
        @if (plant.gone === null) {
          <p class="acts">
            @if (next(); as stage) {
              <button matButton="filled" type="button" class="do" (click)="say({ kind: 'stage', stage }, words[stage].title.toLowerCase())">
                {{ words[stage].title }}
              </button>
            }
            <span class="soft">seen <ft-when label="When it was seen" [(at)]="at" [sinceMs]="plant.movedMs" /></span>
            <ft-print-label text="Print its label" [of]="plant.title" [items]="label()" />
          </p>
          <p class="acts">
            <mat-form-field class="entry" appearance="outline" subscriptSizing="dynamic"
              ><mat-label>Seen on it: colour, shape, vigour</mat-label><input matInput #trait maxlength="200" (keydown.enter)="seen(trait)"
            /></mat-form-field>
            <button matButton="outlined" type="button" class="plain" (click)="seen(trait)">Write it down</button>
            <ft-file-button label="A photograph of it" accept="image/*" (chosen)="picture($event)" />
          </p>
        }
        @if (plant.seed; as isolation) {
          <h2>Its seed</h2>
          <p class="isolation">{{ isolation }}</p>
          <p class="acts">
            <a
              matButton="outlined"
              class="plain"
              routerLink="/seeds"
              [queryParams]="{ add: 1, mother: plant.packetId, plant: plant.number }"
              >Save its seed in the box</a
            >
          </p>
        }
        @if (pictures().length > 0) {
          <p class="pictures">
            @for (one of pictures(); track one.id) {
              <a [href]="'/api/photos/' + one.photoId" target="_blank" rel="noopener"
                ><img
                  [src]="'/api/photos/' + one.photoId"
                  [alt]="'Plant ' + plant.number + ', ' + about.moments().short(one.atMs)"
                  loading="lazy"
                  width="160"
              /></a>
            }
          </p>
        }
        <h2>Its record</h2>
        <ul>
          @for (event of plant.events; track event.id) {
            <li>
              <span class="soft when">{{ about.moments().short(event.atMs) }}</span>
              <span>{{ event.inWords }}</span>
              <button matButton="text" type="button" class="quiet" (click)="takeBack(event.id)">
                Undo<span class="unseen">: {{ event.inWords }}</span>
              </button>
            </li>
          } @empty {
            <li class="soft">Nothing yet since it was moved.</li>
          }
          <li>
            <span class="soft when">{{ about.moments().short(plant.movedMs) }}</span>
            <span
              >moved to {{ plant.destination === 'bed' ? (plant.bedName ?? 'a bed') : 'a ' + plant.destination }}:
              <a [routerLink]="['/batch', plant.batchId]">undo or correct that in the journal of {{ plant.batchNumber }}</a></span
            >
          </li>
          <li>
            <span class="soft when">{{ about.moments().short(plant.startedMs) }}</span>
            <span
              >started from the packet <a [routerLink]="['/packet', plant.packetId]">{{ plant.packetTitle }}</a></span
            >
          </li>
        </ul>
      } @else {
        <p class="soft" role="status">Asking what it is…</p>
      }
    </div>
  `,
  styles: `
    header,
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 10px 18px;
      align-items: center;
      margin-bottom: 10px;
    }
    header ft-plant {
      flex: none;
      width: 96px;
    }
    .said {
      font-size: 19px;
      line-height: 1.7;
    }
    .pictures {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin: 12px 0;
    }
    .pictures img {
      display: block;
      height: auto;
      border-radius: 6px;
    }
    h2 {
      margin-top: 18px;
    }
    ul {
      margin: 4px 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      grid-template-columns: 130px minmax(0, 1fr) auto;
      gap: 4px 12px;
      align-items: center;
      min-height: 44px;
      border-bottom: 1px solid var(--hairline);
    }
  `,
})
export class SeedlingScreen {
  private readonly api = inject(NurseryApi);
  private readonly notice = inject(Notice);
  private readonly destroyRef = inject(DestroyRef);
  private readonly changes = inject(Changes);
  protected readonly about = inject(AboutService);
  readonly number = input.required<string>();
  protected readonly words = SEEDLING_WORDS;
  protected readonly at = signal<string | null>(null);
  protected readonly any = 'any other';
  protected readonly roles = [
    { value: 'main' as Role | null, text: ROLE_WORDS.main },
    { value: 'spare' as const, text: ROLE_WORDS.spare },
    { value: 'pollen' as const, text: ROLE_WORDS.pollen },
    { value: null, text: this.any },
  ];
  protected readonly grades = [5, 4, 3, 2, 1].map((value) => ({
    value,
    text: `${value} of 5${value === 5 ? ': the best' : value === 1 ? ': the poorest' : ''}`,
  }));
  protected readonly plant = toSignal(
    toObservable(this.number).pipe(switchMap((number) => this.changes.keep(() => this.api.seedling(Number(number))))),
  );
  protected readonly next = computed(() => {
    const stage = this.plant()?.stage;
    return stage ? touchSays(stage, { destination: this.destination(), finalPot: false }) : null;
  });
  protected readonly destination = computed(() => (this.plant()?.destination ?? 'cup') as Destination);
  protected readonly label = computed(() => [{ kind: 'seedling' as const, id: this.number() }]);
  protected readonly role = computed(() => (this.plant()?.role ? ROLE_WORDS[this.plant()!.role!] : this.any));
  protected readonly grade = computed(() => (this.plant()?.grade ? `${this.plant()!.grade} of 5` : 'not yet'));

  protected say(said: SeedlingWord, text: string): void {
    const id = uuid();
    this.api.act({ id, numbers: [Number(this.number())], said, at: this.at() }).subscribe({
      next: () =>
        this.notice
          .say(`${this.number()}: ${text}.`, 'Undo')
          .onAction()
          .pipe(switchMap(() => this.api.undoAct({ id: uuid(), actId: id })))
          .subscribe(this.complain),
      ...this.complain,
    });
  }
  protected seen(field: HTMLInputElement): void {
    if (field.value.trim() === '') return;
    this.say({ kind: 'trait', trait: field.value.trim() }, 'written down');
    field.value = '';
  }
  protected readonly pictures = computed(() => (this.plant()?.events ?? []).filter(({ photoId }) => photoId !== null));
  protected async picture(file: File): Promise<void> {
    try {
      const small = await smallPicture(file);
      this.api.picture(Number(this.number()), uuid(), small).subscribe({
        next: () => void this.notice.say('Its photograph is kept; its record takes it back.', 'Close'),
        ...this.complain,
      });
    } catch (error) {
      this.notice.say(error instanceof Error ? error.message : 'That file is no picture: a JPEG, PNG or WebP is.', 'Close');
    }
  }
  protected takeBack(entryId: string): void {
    this.api.undo(Number(this.number()), { id: uuid(), entryId }).pipe(takeUntilDestroyed(this.destroyRef)).subscribe(this.complain);
  }
  private readonly complain = { error: (problem: ApiProblem) => void this.notice.say(problem.message, 'Close') };
}
