import type { Schemas } from '../../api/client';

/** How bad a sign is, 1 to 3. */
export const SEVERITIES = ['a little', 'plainly', 'severe'] as const;

/** The line of the log that notes a sign. */
export const lineOf = (sign: string, severity: number, looks: string[]): string =>
  ['saw', sign, String(severity), ...looks].join(' ');

/** A chance as one says it. */
export function chanceWords(chance: number): string {
  if (chance >= 0.95) return 'almost surely';
  if (chance < 0.05) return 'hardly';
  return `about ${Math.max(1, Math.round(10 * chance))} in 10`;
}

/** The signs that are there, or all others. */
export function order(trouble: Schemas['Trouble'], standing: boolean): Schemas['SeenSign'][] {
  const there = trouble.standing.map((one) => one.sign);
  return trouble.signs.filter((one) => there.includes(one.sign) === standing);
}
