import { CLOSURES, DAMPINGS, LIGHTS, MEDIA, METHODS, PREPARATIONS, WETNESSES } from '@fresh-tuck/contract/choices';
import { inOrder, usualSteps } from '@fresh-tuck/core/preparing';
import type { TuckPlan } from './tuck-plan';

const oneOf = <T extends string>(all: readonly T[], value: string): T | undefined => all.find((one) => one === value);

/**
 * Fixes the word of the sentence that a trial asks about, as its side has it; what it does
 * not ask about stays as it is usual. The crop must be known for a soak and its coat.
 *
 * @param question of the trial; @param setting of the side, a code, an id or hours
 */
export function fixSide(plan: TuckPlan, question: string, setting: string): void {
  const laid = (change: Parameters<TuckPlan['setupFixed']['set']>[0]): void => plan.setupFixed.update((fixed) => ({ ...fixed, ...change }));
  switch (question) {
    case 'soak': {
      const crop = plan.crop();
      if (!crop) return;
      const rest = usualSteps(crop).filter((step) => step !== 'soak');
      const hours = Number(setting);
      plan.prepFixed.set(hours > 0 ? ['soak', ...rest] : rest);
      plan.soakedFixed.set('now');
      plan.soakHours.set(hours > 0 ? hours : null);
      return;
    }
    case 'chill':
      return plan.chillFixed.set(Number(setting) > 0 ? 7 * Number(setting) : null);
    case 'method':
      return plan.methodFixed.set(oneOf(METHODS, setting) ?? null);
    case 'medium': {
      const medium = oneOf(MEDIA, setting);
      return medium && laid({ medium });
    }
    case 'wet': {
      const wet = oneOf(WETNESSES, setting);
      return wet && laid({ wet });
    }
    case 'damped': {
      const damped = oneOf(DAMPINGS, setting);
      return damped && laid({ damped });
    }
    case 'light': {
      const light = oneOf(LIGHTS, setting);
      return light && laid({ light });
    }
    case 'closure': {
      const closure = oneOf(CLOSURES, setting);
      return closure && plan.closure.set(closure);
    }
    case 'spot':
      return plan.spotFixed.set(setting);
    case 'prepared': {
      const crop = plan.crop();
      if (!crop) return;
      // Its usual soak goes on: what is asked is what was done to the coat.
      const soak = usualSteps(crop).filter((step) => step === 'soak');
      const steps = setting.split(', ').flatMap((step) => oneOf(PREPARATIONS, step) ?? []);
      return plan.prepFixed.set(inOrder([...soak, ...steps], crop.preparation.sometimes));
    }
  }
}
