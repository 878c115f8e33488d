import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { seatRadiusMm, seatsOf, type CarrierKind } from '@fresh-tuck/core/method';
import type { Medium } from '@fresh-tuck/core/crops';

/** A dot of mix, the same every time. */
const speck = (index: number, width: number, height: number): { x: number; y: number; r: number } => ({
  x: 3 + ((index * 37.7) % Math.max(width - 6, 1)),
  y: 3 + ((index * 23.3 + (index % 7) * 11) % Math.max(height - 6, 1)),
  r: 0.35 + (index % 3) * 0.18,
});

/** What seed lies in or on, to scale in millimetres: drawn by its shape, so that no word is needed. */
@Component({
  // An element of the drawing that it stands in.
  selector: 'g[ftGround]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (carrier()) {
      @case ('towel') {
        <svg:rect class="paper" x="0.4" y="0.4" [attr.width]="widthMm() - 0.8" [attr.height]="heightMm() - 0.8" rx="1" />
        @if (loose()) {
          @for (dot of specks(); track $index) {
            <svg:circle class="crumb" [attr.cx]="dot.x" [attr.cy]="dot.y" [attr.r]="dot.r * 2.4" />
          }
        } @else {
          <svg:defs>
            <svg:pattern
              [attr.id]="id"
              [attr.width]="weave()"
              [attr.height]="weave()"
              patternUnits="userSpaceOnUse"
              [attr.patternTransform]="medium() === 'cloth' ? null : 'rotate(45)'"
            >
              <svg:path class="quilt" [attr.d]="'M0 0H' + weave() + 'M0 0V' + weave()" />
            </svg:pattern>
          </svg:defs>
          <svg:rect [attr.fill]="'url(#' + id + ')'" x="1" y="1" [attr.width]="widthMm() - 2" [attr.height]="heightMm() - 2" />
          <svg:path class="crease" [attr.d]="'M' + widthMm() / 2 + ' 1V' + (heightMm() - 1)" />
        }
      }
      @case ('glass') {
        <svg:ellipse
          class="glass"
          [attr.cx]="widthMm() / 2"
          [attr.cy]="heightMm() / 2"
          [attr.rx]="widthMm() / 2 - 0.6"
          [attr.ry]="heightMm() / 2 - 0.6"
        />
        <svg:ellipse
          class="water"
          [attr.cx]="widthMm() / 2"
          [attr.cy]="heightMm() / 2"
          [attr.rx]="widthMm() / 2 - 4"
          [attr.ry]="heightMm() / 2 - 4"
        />
      }
      @case ('row') {
        <svg:rect class="soil" x="0.4" y="0.4" [attr.width]="widthMm() - 0.8" [attr.height]="heightMm() - 0.8" rx="1" />
        <svg:path
          class="furrow"
          [attr.d]="'M2 ' + (heightMm() / 2 - 9) + 'H' + (widthMm() - 2) + 'M2 ' + (heightMm() / 2 + 9) + 'H' + (widthMm() - 2)"
        />
        @for (dot of specks(); track $index) {
          <svg:circle class="mix" [attr.cx]="dot.x" [attr.cy]="dot.y" [attr.r]="dot.r" />
        }
      }
      @case ('lid') {
        <svg:rect class="lid" x="0.4" y="0.4" [attr.width]="widthMm() - 0.8" [attr.height]="heightMm() - 0.8" rx="5" />
        <svg:rect class="soil" x="4" y="4" [attr.width]="widthMm() - 8" [attr.height]="heightMm() - 8" rx="3" />
        @for (dot of specks(); track $index) {
          <svg:circle class="mix" [attr.cx]="dot.x" [attr.cy]="dot.y" [attr.r]="dot.r" />
        }
        <svg:path class="shine" [attr.d]="'M8 ' + (heightMm() - 12) + 'L22 8M14 ' + (heightMm() - 9) + 'L30 8'" />
      }
      @default {
        <svg:rect
          class="board"
          x="0.4"
          y="0.4"
          [attr.width]="widthMm() - 0.8"
          [attr.height]="heightMm() - 0.8"
          [attr.rx]="carrier() === 'slots' ? 6 : 2"
        />
        @for (seat of seats(); track $index) {
          @if (carrier() === 'cells') {
            <svg:rect
              class="soil"
              [attr.x]="seat.xMm - radius()"
              [attr.y]="seat.yMm - radius()"
              [attr.width]="2 * radius()"
              [attr.height]="2 * radius()"
              rx="2.5"
            />
          } @else {
            <svg:circle
              [attr.class]="carrier() === 'slots' ? 'slot' : 'soil'"
              [attr.cx]="seat.xMm"
              [attr.cy]="seat.yMm"
              [attr.r]="radius()"
            />
            @if (carrier() === 'slots') {
              <svg:circle class="sponge" [attr.cx]="seat.xMm" [attr.cy]="seat.yMm" [attr.r]="radius() * 0.72" />
              <svg:path class="slit" [attr.d]="'M' + (seat.xMm - radius() * 0.6) + ' ' + seat.yMm + 'H' + (seat.xMm + radius() * 0.6)" />
            } @else if (carrier() === 'pellets') {
              <svg:circle class="net" [attr.cx]="seat.xMm" [attr.cy]="seat.yMm" [attr.r]="radius() * 0.86" />
            } @else {
              <svg:circle class="rim" [attr.cx]="seat.xMm" [attr.cy]="seat.yMm" [attr.r]="radius() * 0.9" />
            }
          }
        }
      }
    }
  `,
  styleUrl: './ground.scss',
})
export class Ground {
  readonly carrier = input.required<CarrierKind>();
  readonly medium = input<Medium>('paper');
  readonly widthMm = input.required<number>();
  readonly heightMm = input.required<number>();
  /** Cells, slots, pellets or pots. */
  readonly places = input(1);

  protected readonly id = `ground-${nextId++}`;
  protected readonly loose = computed(() => this.medium() === 'perlite' || this.medium() === 'vermiculite');
  /** How wide its weave or quilting is, mm: a cloth is close, a pad has none to speak of. */
  protected readonly weave = computed(() => ({ paper: 5, tissue: 3.4, cloth: 1.9, pad: 9, perlite: 5, vermiculite: 5 })[this.medium()]);
  protected readonly radius = computed(() => seatRadiusMm(this.carrier()));
  protected readonly seats = computed(() => seatsOf(this.carrier(), Math.max(this.places(), 1)));
  protected readonly specks = computed(() =>
    Array.from({ length: Math.min(Math.round((this.widthMm() * this.heightMm()) / 60), 260) }, (_, index) =>
      speck(index, this.widthMm(), this.heightMm()),
    ),
  );
}

let nextId = 1;
