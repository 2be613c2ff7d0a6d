import type { Schemas } from '../../api/client';
import { numberOf } from '../../lib/numbers';

/** What is tried is none of those on offer. */
export const OWN = 'own';

/** What is asked for; nothing while a blank is empty. */
export function askedOf(
  choice: string,
  own: string,
  analyte: string,
  days: string,
): Schemas['TrialAsked'] | undefined {
  const whole = numberOf(days);
  if (whole === undefined || (choice === OWN && !own.trim())) return undefined;
  const asked = { analyte, days: Math.round(whole) };
  return choice === OWN ? { ...asked, what: own.trim() } : { ...asked, option: Number(choice) };
}
