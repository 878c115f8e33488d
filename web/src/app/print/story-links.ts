import { ChangeDetectionStrategy, Component, DestroyRef, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { HttpClient } from '@angular/common/http';
import { MatButton } from '@angular/material/button';
import { from, switchMap } from 'rxjs';
import { handOver } from './print.api';

/** Pixels of a picture for each of the drawing's: sharp on any screen. */
const SHARP = 2;

/** A drawing of lines and words as a picture. */
async function pictureOf(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = image.naturalWidth * SHARP;
  canvas.height = image.naturalHeight * SHARP;
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be drawn.'))), 'image/png'),
  );
}

/** One page of a story for showing to others: as paper, as a drawing and as a picture. */
@Component({
  selector: 'ft-story-links',
  imports: [MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p>
      Its story on one page, to show to others: no person, no place of the house and no seller stands in it.
      <a matButton="text" class="quiet" [href]="path() + '/story.pdf'" download="story.pdf">PDF</a>
      <a matButton="text" class="quiet" [href]="path() + '/story.svg'" download="story.svg">SVG</a>
      <button matButton="text" type="button" class="quiet" (click)="picture()">PNG</button>
    </p>
    <p class="error" role="alert">{{ problem() ?? '' }}</p>
  `,
  styles: `
    a,
    button {
      margin-left: 8px;
    }
    .error:empty {
      display: none;
    }
  `,
})
export class StoryLinks {
  /** Address of what it is the story of. */
  readonly path = input.required<string>();
  private readonly http = inject(HttpClient);
  private readonly destroyRef = inject(DestroyRef);
  protected readonly problem = signal<string | null>(null);

  protected picture(): void {
    this.http
      .get(`${this.path()}/story.svg`, { responseType: 'text' })
      .pipe(
        switchMap((svg) => from(pictureOf(svg))),
        takeUntilDestroyed(this.destroyRef),
      )
      .subscribe({
        next: (png) => handOver(png, 'story.png'),
        error: () => this.problem.set('The picture could not be drawn: the PDF and the SVG hold the same page.'),
      });
  }
}
