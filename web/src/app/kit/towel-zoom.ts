import { afterNextRender, computed, DestroyRef, ElementRef, inject, signal, type Signal } from '@angular/core';

/** Closer together than this on the screen, seeds are no targets for a thumb, px. */
const LEAST_PX = 44;
const WANTED_PX = 56;
const MOST_TIMES = 5;

/**
 * A towel whose seeds lie too close for a thumb: the first touch brings that part of it
 * near, the next ones touch seeds. To be called while a component is made.
 *
 * @param nearestMm between the nearest two seeds
 */
export function towelZoom({
  live,
  widthMm,
  heightMm,
  nearestMm,
}: {
  readonly live: Signal<boolean>;
  readonly widthMm: Signal<number>;
  readonly heightMm: Signal<number>;
  readonly nearestMm: Signal<number>;
}) {
  const host = inject<ElementRef<HTMLElement>>(ElementRef);
  const destroyed = inject(DestroyRef);
  const shownPx = signal(0);
  const at = signal<{ readonly x: number; readonly y: number } | null>(null);
  afterNextRender(() => {
    const watch = new ResizeObserver(() => shownPx.set(host.nativeElement.clientWidth));
    watch.observe(host.nativeElement);
    destroyed.onDestroy(() => watch.disconnect());
  });
  const times = computed(() => {
    const apartPx = (shownPx() / widthMm()) * nearestMm();
    return apartPx <= 0 || apartPx >= LEAST_PX ? 1 : Math.min(WANTED_PX / apartPx, MOST_TIMES);
  });
  /** Whether seeds are too close to be touched one by one. */
  const tight = computed(() => live() && times() > 1.05);
  const near = computed(() => tight() && at() !== null);
  const viewBox = computed(() => {
    const [w, h] = [widthMm(), heightMm()];
    const centre = at();
    if (!near() || !centre) return `0 0 ${w} ${h}`;
    const [nw, nh] = [w / times(), h / times()];
    const x = Math.min(Math.max(centre.x - nw / 2, 0), w - nw);
    const y = Math.min(Math.max(centre.y - nh / 2, 0), h - nh);
    return `${x} ${y} ${nw} ${nh}`;
  });
  return {
    tight,
    near,
    viewBox,
    /** Brings a part near; whether the touch was spent on it. */
    approach(place: { readonly x: number; readonly y: number }): boolean {
      if (!tight() || near()) return false;
      at.set({ x: place.x, y: place.y });
      return true;
    },
    leave: (): void => at.set(null),
  };
}
