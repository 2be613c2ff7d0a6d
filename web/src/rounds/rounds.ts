import type { RoundsLine } from '../api/client';
import { byStop } from './sites';

/** With more tanks than this only today's work is shown at first, and tanks are searched. */
export const MANY = 12;

/** Heads the tanks of which nobody said where they stand. */
export const NO_ROOM = 'No room named';

/** Which tanks are shown, and in which order. */
export const VIEWS = [
  { key: 'today', words: 'today' },
  { key: 'rooms', words: 'by room' },
  { key: 'all', words: 'all' },
  { key: 'names', words: 'by name' },
] as const;
export type View = (typeof VIEWS)[number]['key'];

/** Whether something is to be done in a tank today. */
export const wantsHand = (line: RoundsLine): boolean =>
  line.verdict !== 'SKIP' || line.due.length > 0 || line.warnings.length > 0;

export interface Arranged {
  /** Without a room where they are not told apart by rooms. */
  groups: { room: string; lines: RoundsLine[] }[];
  /** Those that can wait, where they are left out. */
  rest: RoundsLine[];
}

const byName = (a: RoundsLine, b: RoundsLine) =>
  a.tank.name.localeCompare(b.tank.name, undefined, { numeric: true });

/**
 * What is shown of the round: the tanks whose name or room holds the words looked for, or else what
 * the view says. The server gives the most urgent first.
 *
 * @param order of rooms
 */
export function arrange(
  lines: RoundsLine[],
  view: View,
  looked: string,
  order: (a: string, b: string) => number = byStop([]),
): Arranged {
  const words = looked.trim().toLowerCase();
  if (words) {
    const found = lines.filter((line) =>
      `${line.tank.name} ${line.site}`.toLowerCase().includes(words),
    );
    return { groups: [{ room: '', lines: found }], rest: [] };
  }
  if (view === 'all') return { groups: [{ room: '', lines }], rest: [] };
  if (view === 'names') return { groups: [{ room: '', lines: lines.toSorted(byName) }], rest: [] };
  const today = lines.filter(wantsHand);
  const rest = lines.filter((line) => !wantsHand(line));
  if (view === 'today') return { groups: [{ room: '', lines: today }], rest };
  const rooms = [...new Set(today.map((line) => line.site))].sort(order);
  return {
    groups: rooms.map((room) => ({
      room: room || NO_ROOM,
      lines: today.filter((line) => line.site === room),
    })),
    rest,
  };
}
