import type { RoundsLine } from '../api/client';

/** More tanks than this are searched, and those that can wait take one line. */
export const MANY = 12;

/** Whether nothing is to be done in a tank today. */
const canWait = (line: RoundsLine) =>
  line.verdict === 'SKIP' && line.due.length === 0 && line.warnings.length === 0;

/**
 * What is shown of many tanks: those whose name or room holds the words, or, where nothing is
 * looked for, those that want a hand today and apart from them those that can wait.
 */
export function sortOut(
  lines: RoundsLine[],
  looked: string,
  all: boolean,
): { shown: RoundsLine[]; waiting: RoundsLine[] } {
  const words = looked.trim().toLowerCase();
  if (words)
    return {
      shown: lines.filter((line) => `${line.tank.name} ${line.site}`.toLowerCase().includes(words)),
      waiting: [],
    };
  if (lines.length <= MANY || all) return { shown: lines, waiting: [] };
  return {
    shown: lines.filter((line) => !canWait(line)),
    waiting: lines.filter(canWait),
  };
}
