import type { Schemas } from '../../api/client';

/** What is asked for, beside the five things that can be raised. */
export const OTHERS = [
  { key: 'adsorber', words: 'phosphate adsorber' },
  { key: 'precipitant', words: 'phosphate precipitant' },
  { key: 'carbon', words: 'carbon' },
  { key: 'peroxide', words: 'peroxide' },
  { key: 'conditioner', words: 'conditioner' },
  { key: 'pump', words: 'a dosing pump' },
] as const;

/** A level as the field begins with it. */
export function typed(value: number | undefined): string {
  if (value === undefined) return '';
  return String(value >= 10 ? Math.round(value) : Number(value.toPrecision(2)));
}

/** An amount as a spoon or a syringe is read. */
export function amount(value: number): string {
  return String(value >= 100 ? Math.round(value) : Number(value.toPrecision(2)));
}

/** The line that notes a step. */
export function lineOf(dose: Schemas['Dose'], step?: Schemas['DoseStep']): string {
  return step ? dose.line.replace('#', amount(step.amount)) : dose.line;
}
