import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/** A heading of what unfolds elsewhere than where it was asked for: eye, keyboard and reader come along to it. */
@Directive({ selector: '[ftArrival]', host: { tabindex: '-1', class: 'arrival' } })
export class Arrival {
  constructor() {
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    afterNextRender(() => {
      nativeElement.scrollIntoView({ block: 'start' });
      nativeElement.focus({ preventScroll: true });
    });
  }
}
