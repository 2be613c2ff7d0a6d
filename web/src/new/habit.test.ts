import { describe, expect, it } from 'vitest';
import { daysOf, kept } from './habit';

const habit = { percent: 25, everyDays: 7, lastOn: '2026-11-22', weeks: 3 };
const atNoon = (day: string) => `${day}T12:00:00Z`;

describe('what was changed until now', () => {
  it('is a change on each of its days, the last one last', () => {
    expect(daysOf(habit)).toEqual(['2026-11-01', '2026-11-08', '2026-11-15', '2026-11-22']);
    expect(daysOf({ ...habit, percent: 0 })).toEqual([]);
    expect(daysOf({ ...habit, everyDays: 0 })).toEqual([]);
    expect(daysOf({ ...habit, everyDays: 1, weeks: 500 })).toHaveLength(120);
  });

  it('goes on as a routine', () => {
    const made = kept(habit, 200, '2026-11-26', atNoon);
    expect(made.routine).toEqual({ fraction: 0.25, everyDays: 7, nextOn: '2026-11-29' });
    expect(made.log).toHaveLength(4);
    expect(made.log[3]).toEqual({ at: '2026-11-22T12:00:00Z', type: 'water-change', litres: 50 });
  });

  it('is due today where its day is past', () => {
    expect(
      kept({ ...habit, lastOn: '2026-11-01' }, 200, '2026-11-26', atNoon).routine?.nextOn,
    ).toBe('2026-11-26');
    expect(kept({ ...habit, percent: 0 }, 200, '2026-11-26', atNoon).routine).toBeUndefined();
  });
});
