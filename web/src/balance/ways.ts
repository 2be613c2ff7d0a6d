import type { Schemas } from '../api/client';

/** What the ways beside the advice are called. */
export const WAY_NAMES: Record<Schemas['Way']['kind'], string> = {
  LEAST_EFFORT: 'Least effort',
  AS_NOW: 'As you do now',
  LEAST_WATER: 'Least water',
  LEAST_OFTEN: 'Least often',
};
