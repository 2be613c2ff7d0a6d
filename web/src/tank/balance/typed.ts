import { daysBetween } from '../../lib/words';
import { numberOf } from '../../lib/numbers';

/** What is typed into a handle of the sentence; nothing where it can't be read. */

const DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** “Saturday”, “tomorrow”, “in 5 days”, “2026-12-01” or “5”, as days from today. */
export function parseNext(typed: string, today: string): number | null {
  const text = typed.trim().toLowerCase();
  if (text === 'tomorrow') return 1;
  const weekday = DAYS.findIndex((day) => text.length > 1 && day.startsWith(text));
  if (weekday >= 0) return ((weekday - new Date(`${today}T00:00Z`).getUTCDay() + 6) % 7) + 1;
  const day = /^\d{4}-\d\d-\d\d$/.test(text)
    ? daysBetween(today, text)
    : Number(text.replace(/in|days?/g, ''));
  return text && Number.isFinite(day) ? Math.min(90, Math.max(1, Math.round(day))) : null;
}

/** “25 %” or “25”, as a share of the water. */
export function parseFraction(typed: string): number | null {
  const number = numberOf(typed.replace('%', ''));
  if (number === undefined) return null;
  return Math.min(100, Math.max(1, number)) / 100;
}

/** “7 days” or “7”. */
export function parseInterval(typed: string): number | null {
  const number = numberOf(typed.replace(/days?/, ''));
  if (number === undefined) return null;
  return Math.min(365, Math.max(1, number));
}
