import { Directive, ElementRef, inject, input } from '@angular/core';
import type { FocusableOption } from '@angular/cdk/a11y';
import type { SeedStage } from '@fresh-tuck/core/parcel';

/** One seed as the towel shows it. */
export interface TowelSeed {
  readonly seed: number;
  readonly stage: SeedStage;
  readonly moved: boolean;
  readonly rootMm: number | null;
  /** Touched in this look. */
  readonly fresh: boolean;
}

/** A seed and where it lies, mm. */
export interface Placed {
  readonly seed: TowelSeed;
  readonly x: number;
  readonly y: number;
  readonly angle: number;
}

/** A seed's place on the towel as the keyboard reaches it: one stop for all, arrows from seed to seed. */
@Directive({ selector: '[ftSeedPlace]' })
export class SeedPlace implements FocusableOption {
  private readonly host = inject<ElementRef<SVGElement>>(ElementRef);
  readonly place = input.required<Placed>({ alias: 'ftSeedPlace' });

  /** A moved seed is not there any more. */
  get disabled(): boolean {
    return this.place().seed.moved;
  }

  focus(): void {
    this.host.nativeElement.focus();
  }
}
