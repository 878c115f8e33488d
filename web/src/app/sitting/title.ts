import type { SittingName } from '@fresh-tuck/contract';
import type { Moments } from '../data/household/moments';

/** What a list is called: its own name, or the day it is for. */
export const sittingTitle = ({ name, createdMs }: Pick<SittingName, 'name' | 'createdMs'>, moments: Moments): string =>
  name ?? `the list of ${moments.day(createdMs)}`;
