import type { SeedlingLot } from '../../../api/types';

export type Step = SeedlingLot['events'][number]['step'];

/** What becomes of a lot, in the order in which it usually does. */
export const STEPS: Record<Step, string> = {
  sown: 'sown',
  bought: 'bought',
  up: 'came up',
  singled: 'singled to',
  divided: 'divided into',
  'potted-on': 'potted on',
  ready: 'ready',
  'set-out': 'set out',
  given: 'given away',
  lost: 'lost',
};

export const LATER = (Object.keys(STEPS) as Step[])
  .filter((step) => step !== 'sown' && step !== 'bought')
  .map((step) => [step, STEPS[step]] as const);
