import { describe, expect, it } from 'vitest';
import { readDay, shownDay } from './days';

describe('a day as people write it', () => {
  const today = '2026-11-27';
  it.each([
    ['today', '2026-11-27'],
    ['yesterday', '2026-11-26'],
    ['2026-10-03', '2026-10-03'],
    ['3 Oct', '2026-10-03'],
    ['3 october 2025', '2025-10-03'],
    ['Oct 3, 2026', '2026-10-03'],
    ['3.10.26', '2026-10-03'],
    ['24 Dec', '2025-12-24'],
  ])('reads %s', (typed, day) => expect(readDay(typed, today)).toBe(day));

  it('takes 4/10 in the reader’s order', () => {
    expect(readDay('4/10', today, { monthLeads: false })).toBe('2026-10-04');
    expect(readDay('4/10', today, { monthLeads: true })).toBe('2026-04-10');
  });

  it('takes the next such day where days to come are meant', () => {
    expect(readDay('24 Dec', today, { toCome: true })).toBe('2026-12-24');
    expect(readDay('3 Jan', today, { toCome: true })).toBe('2027-01-03');
    expect(readDay('tomorrow', today)).toBe('2026-11-28');
  });

  it.each(['', 'soon', '31.2.26', '12', '3 Ock 20'])('reads no day in “%s”', (typed) =>
    expect(readDay(typed, today)).toBeNull(),
  );

  it('reads back what it shows', () => {
    for (let month = 1; month <= 12; month++) {
      const day = `2026-${String(month).padStart(2, '0')}-17`;
      expect(readDay(shownDay(day), today)).toBe(day);
    }
  });
});
