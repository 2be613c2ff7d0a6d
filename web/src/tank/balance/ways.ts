import type { Schemas } from '../../api/client';
import { interval, percent } from '../../lib/words';

/** What the ways beside the advice are called. */
export const WAY_NAMES: Record<Schemas['Way']['kind'], string> = {
  LEAST_EFFORT: 'Least effort',
  AS_NOW: 'As you do now',
  LEAST_WATER: 'Least water',
  LEAST_OFTEN: 'Least often',
};

/** What is changed before a routine begins, where something is. */
function first(caughtUp: Schemas['CaughtUp']): string {
  const share = percent(caughtUp.fraction);
  if (caughtUp.times === 1) return `${share} now`;
  return caughtUp.times === 2
    ? `${share} now and tomorrow`
    : `${share} on ${caughtUp.times} days from today`;
}

/** A routine in short, and what comes before it. */
export function does(what: {
  caughtUp?: Schemas['CaughtUp'];
  fraction: number;
  everyDays: number;
}): string {
  const then =
    what.fraction > 0 ? `${percent(what.fraction)} every ${interval(what.everyDays)}` : '';
  return (
    [what.caughtUp ? first(what.caughtUp) : '', then].filter(Boolean).join(', then ') || 'no change'
  );
}
