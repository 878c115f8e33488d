import { computed, inject, type Signal } from '@angular/core';
import { capital } from '@fresh-tuck/core/units';
import { AboutService } from '../data/household/about.service';
import { RoundService } from '../data/household/round.service';

/**
 * Where a parcel stands in the round that is walked, and which comes after it. To be
 * called while a component is made.
 *
 * @param correcting whether a look is corrected, which is no part of a round
 */
export function walked(batchId: Signal<string>, correcting: Signal<boolean>) {
  const round = inject(RoundService);
  const about = inject(AboutService);
  const nextId = computed(() => round.after(batchId()));
  const place = computed(() => {
    const ids = round.batchIds();
    const index = ids.indexOf(batchId());
    return index < 0 ? null : { index: index + 1, of: ids.length };
  });
  const title = computed(() =>
    correcting() ? 'Correct a look' : place() ? `${capital(about.moments().partOfDay)} round` : 'Open a parcel',
  );
  return { nextId, place, title };
}
