import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import type { PacketSheet } from '@fresh-tuck/contract';
import { HouseholdApi } from '../data/household/household.api';
import { TuckSources } from './sources';
import { TuckApi } from './tuck.api';

/**
 * What is known of the packet that is tucked in: itself, its crop, others of its kind
 * and former seasons. To be called while a service is made.
 *
 * @param asked how often it was asked about anew
 */
export function packetFacts(packetId: Signal<string | null>, asked: Signal<number>) {
  const api = inject(TuckApi);
  const household = inject(HouseholdApi);
  const sources = inject(TuckSources);
  const sheet = toSignal(
    toObservable(computed(() => ({ id: packetId(), nth: asked() }))).pipe(
      switchMap(({ id }) => (id === null ? of(null) : sources.follow(() => household.packet(id)))),
    ),
    { initialValue: null },
  );
  /** The packet with all that is known of it; null until it is here, so that nothing is planned on another's figures. */
  const chosen = computed<PacketSheet | null>(() => {
    const known = sheet();
    return known?.id === packetId() ? known : null;
  });
  const others = toSignal(
    toObservable(computed(() => chosen()?.id ?? null)).pipe(switchMap((id) => (id === null ? of([]) : sources.follow(() => api.kin(id))))),
    { initialValue: [] },
  );
  const cropId = toObservable(computed(() => chosen()?.cropId ?? null));
  const crop = toSignal(cropId.pipe(switchMap((id) => (id === null ? of(null) : household.crop(id)))), { initialValue: null });
  const seasons = toSignal(cropId.pipe(switchMap((id) => (id === null ? of(null) : sources.follow(() => api.seasons(id))))), {
    initialValue: null,
  });
  return { chosen, others, crop, seasons };
}
