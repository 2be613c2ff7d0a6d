import { addDays } from '../lib/words';

/** What a keeper says of the changes made until now. */
export interface Habit {
  /** Share of the water, percent; 0 for none. */
  percent: number;
  everyDays: number;
  /** Day of the last change, ISO. */
  lastOn: string;
  /** For so many weeks. */
  weeks: number;
}

/** Older changes teach nothing, and a log is not filled with more than this. */
const MOST_CHANGES = 120;

/** The days on which water was changed, the first first. */
export function daysOf(habit: Habit): string[] {
  if (habit.percent <= 0 || habit.everyDays <= 0) return [];
  const count = Math.min(MOST_CHANGES, Math.floor((habit.weeks * 7) / habit.everyDays) + 1);
  return Array.from({ length: count }, (_, i) =>
    addDays(habit.lastOn, -Math.round((count - 1 - i) * habit.everyDays)),
  );
}

/** The routine that goes on as until now, and the entries of what was changed. */
export function kept(habit: Habit, litres: number, today: string, atNoon: (day: string) => string) {
  const days = daysOf(habit);
  if (days.length === 0) return { routine: undefined, log: [] };
  let nextOn = addDays(habit.lastOn, Math.round(habit.everyDays));
  if (nextOn < today) nextOn = today;
  const share = habit.percent / 100;
  return {
    routine: { fraction: share, everyDays: habit.everyDays, nextOn },
    log: days.map((day) => ({
      at: atNoon(day),
      type: 'water-change',
      litres: Math.round(share * litres * 10) / 10,
    })),
  };
}
