import { v7 as uuid } from 'uuid';
import type { BatchRequest } from '@fresh-tuck/contract';
import { CLOSURE_WORDS } from '@fresh-tuck/core/words';
import { PLIES } from './choices';
import type { TuckPlan } from './tuck-plan';

/** What is wanting in the sentence before it can be sent; a request where nothing is. */
export function requestOf(plan: TuckPlan): BatchRequest | { readonly missing: string } {
  const packet = plan.chosen();
  const spotId = plan.spotId();
  const answer = plan.plan();
  if (!packet) return { missing: 'Choose the packet first: touch “a packet of seed” in the sentence.' };
  if (!spotId || !answer) return { missing: 'Name a warm spot first: touch “a warm spot” in the sentence.' };
  const holderId = plan.holderId();
  const closure = plan.lies();
  const { damped, wet, light, medium } = plan.setup();
  const also = plan.also();
  const begun = {
    id: uuid(),
    packetId: packet.id,
    seeds: plan.seeds(),
    taken: plan.split() ? answer.taken : null,
    wanted: answer.sprouts,
    aim: {
      plants: plan.wantedNumber(),
      destination: plan.destination(),
      target: plan.goal(),
      ...(plan.destination() === 'slot' && plan.rackId() !== null ? { rackId: plan.rackId() } : {}),
    },
    startAt: plan.startAt(),
    chillDays: plan.chillDays(),
    chilledDays: plan.chilledDays(),
    chillDry: plan.chillDry() && plan.chillDays() !== null,
    prepared: [...plan.prepared()],
    soaking: plan.soaking(),
    soakHours: plan.soaking() ? plan.soakHours() : null,
    secondStep: plan.secondStep(),
    damped,
    wet: plan.way().bagged ? wet : null,
    light,
    also: also && { packetId: also.packetId, seeds: also.seeds },
    after: plan.after(),
    trial: plan.trial(),
    doseMl: answer.dose.millilitres,
    holder: plan.way().bagged && holderId ? { holderId } : { newId: uuid(), kind: kindOf(plan), closure, spotId },
  };
  const method = plan.method();
  switch (method) {
    case 'towel':
      return { ...begun, method, towel: { widthMm: plan.pane().widthMm, heightMm: plan.pane().heightMm, plies: PLIES, medium } };
    case 'plug':
    case 'pod':
    case 'pellet':
    case 'pot':
      return { ...begun, method, places: plan.places() };
    case 'water':
    case 'bed':
    case 'surface':
      return { ...begun, method };
  }
}

const kindOf = (plan: TuckPlan): 'bag' | 'tub' | 'tray' =>
  plan.way().bagged ? CLOSURE_WORDS[plan.closure()].kind : plan.method() === 'water' ? 'tub' : 'tray';
