import { ChangeDetectionStrategy, Component, DestroyRef, type ElementRef, inject, Injector, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { Router } from '@angular/router';
import type { Labelled } from '@fresh-tuck/contract';
import { openFind } from '../find/open-find';
import { Transport, type ApiProblem } from '../data/transport/transport.service';
import { FileButton } from '../kit/file-button';
import { QrReader } from './qr-reader.service';

/** Between two pictures of the camera, ms. */
const FRAME_MS = 180;

/** From a label back: a live camera where the browser allows one, else a photograph; typing its number does the same. */
@Component({
  selector: 'ft-scan',
  imports: [FileButton, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <h1>Read a label</h1>
      <p class="lead soft">Hold the square of the label before the camera, or take a picture of it.</p>
      <p class="said" role="status">{{ said() }}</p>
      <p class="error" role="alert">{{ failed() ?? '' }}</p>
      <div class="camera" [class.on]="watching()">
        <video #video playsinline muted aria-label="What the camera sees"></video>
        <svg viewBox="0 0 100 100" aria-hidden="true"><path d="M4 22V4h18M78 4h18v18M96 78v18H78M22 96H4V78" /></svg>
      </div>
      <div class="acts">
        @if (live && !watching()) {
          <button matButton="filled" type="button" class="do" (click)="watch()">Use the camera</button>
        }
        @if (watching()) {
          <button matButton="outlined" type="button" class="plain" (click)="stop()">Stop the camera</button>
        }
        <ft-file-button
          label="Take a picture of it"
          accept="image/*"
          capture="environment"
          [look]="live ? 'plain' : 'do'"
          (chosen)="photographed($event)"
        />
        <button matButton="outlined" type="button" class="plain" (click)="find()">Type its number</button>
      </div>
    </div>
  `,
  styles: `
    .page {
      max-width: 560px;
    }
    .camera {
      position: relative;
      display: none;
      margin-top: 14px;
    }
    .on {
      display: block;
    }
    video {
      display: block;
      width: 100%;
      border: 1px solid var(--edge);
      border-radius: 10px;
    }
    svg {
      position: absolute;
      inset: 14%;
      width: 72%;
      height: 72%;
      pointer-events: none;
    }
    path {
      fill: none;
      stroke: #fff;
      stroke-width: 2.5;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 10px;
      margin-top: 18px;
    }
    .said:empty,
    .error:empty {
      display: none;
    }
  `,
})
export class Scan {
  private readonly reader = inject(QrReader);
  private readonly transport = inject(Transport);
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);
  private readonly destroyRef = inject(DestroyRef);
  private readonly video = viewChild.required<ElementRef<HTMLVideoElement>>('video');
  /** Cameras are for pages of this machine alone: elsewhere a photograph does. */
  protected readonly live = typeof navigator.mediaDevices?.getUserMedia === 'function';
  protected readonly watching = signal(false);
  protected readonly said = signal('');
  protected readonly failed = signal<string | null>(null);
  private stream: MediaStream | null = null;
  /** The code that was refused last: it is not asked about again while it is still before the camera. */
  private refused = '';

  constructor() {
    this.destroyRef.onDestroy(() => this.stop());
  }

  protected async watch(): Promise<void> {
    this.failed.set(null);
    try {
      this.stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    } catch {
      return this.failed.set('The browser gives no camera: allow it for this page, or take a picture instead.');
    }
    const video = this.video().nativeElement;
    video.srcObject = this.stream;
    await video.play();
    this.watching.set(true);
    this.said.set('Looking for a label…');
    void this.look();
  }
  private async look(): Promise<void> {
    const video = this.video().nativeElement;
    while (this.stream) {
      const text = video.videoWidth > 0 ? await this.reader.read(video, video.videoWidth, video.videoHeight) : null;
      if (text !== null && text !== this.refused && this.stream) this.lead(text);
      await new Promise((resolve) => setTimeout(resolve, FRAME_MS));
    }
  }
  protected stop(): void {
    for (const track of this.stream?.getTracks() ?? []) track.stop();
    this.stream = null;
    this.watching.set(false);
    this.said.set('');
  }

  protected async photographed(file: File): Promise<void> {
    this.failed.set(null);
    this.said.set('Looking for a label…');
    try {
      const text = await this.reader.readFile(file);
      this.said.set('');
      if (text === null) return this.failed.set('No code is to be seen in it. Nearer, in more light, and all of the square.');
      this.lead(text);
    } catch {
      this.said.set('');
      this.failed.set('This file is no picture that the browser can read: a photograph as JPEG or PNG.');
    }
  }

  private lead(code: string): void {
    this.transport
      .get<Labelled>('labels', { code: code.slice(0, 200) })
      .pipe(takeUntilDestroyed(this.destroyRef))
      .subscribe({
        next: (label) => this.go(label),
        error: (problem: ApiProblem) => {
          this.refused = code;
          this.failed.set(problem.message);
        },
      });
  }
  private go({ kind, id, title }: Labelled): void {
    this.stop();
    if (kind === 'line' && id) void this.router.navigate(['/sitting', id]);
    else if (kind === 'packet' && id) void this.router.navigate(['/packet', id]);
    else if (kind === 'spot') void this.router.navigate(['/house']);
    else if (id) void this.router.navigate(['/batch', id]);
    else this.failed.set(`${title}: nothing lies in it now.`);
  }
  protected find(): void {
    openFind(this.injector);
  }
}
