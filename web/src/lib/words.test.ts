import { describe, expect, it } from 'vitest';
import {
  about,
  addDays,
  clock,
  daysBetween,
  dayAndMonth,
  longDay,
  nearDay,
  ownTime,
  shortDay,
  small,
  timesInTen,
  whereInFile,
} from './words';

describe('days in words', () => {
  const today = '2026-11-25';

  it('names the near days and dates the far ones', () => {
    expect(nearDay('2026-11-25', today)).toBe('today');
    expect(nearDay('2026-11-26', today)).toBe('tomorrow');
    expect(nearDay('2026-11-28', today)).toBe('Saturday');
    expect(nearDay('2026-12-09', today)).toBe('9 December');
    expect(longDay('2027-01-02', today)).toBe('2 January 2027');
    expect(shortDay('2026-11-25')).toBe('Wed 25 Nov');
    expect(dayAndMonth(new Date('2026-09-03T00:00:00Z'))).toBe('3 Sept');
    expect(ownTime('2026-11-25T09:05:00')).toBe('09:05');
  });

  it('counts days over the change of clocks', () => {
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
  });

  it("keeps to the tank's own clock on the axis", () => {
    expect(clock('2026-07-03T18:30:00+01:00').toISOString()).toBe('2026-07-03T18:30:00.000Z');
    expect(clock('2026-11-24T18:30:00Z').toISOString()).toBe('2026-11-24T18:30:00.000Z');
  });
});

describe('places in a tank file', () => {
  it('are said in words, counted from one', () => {
    expect(whereInFile('/log/2/kit')).toBe('log, number 3, kit');
    expect(whereInFile('/tank/netVolumeL')).toBe('tank, net volume L');
    expect(whereInFile('')).toBe('the file');
  });
});

describe('numbers in words', () => {
  it('never claims more than the chance is', () => {
    expect(timesInTen(0.91)).toBe('9 times in 10');
    expect(timesInTen(0.89)).toBe('nearly 9 times in 10');
    expect(timesInTen(0.84)).toBe('8 times in 10');
    expect(timesInTen(0.96)).toBe('19 times in 20');
    expect(timesInTen(0.02)).toBe('hardly ever');
  });

  it('rounds to what is known', () => {
    expect(about(33.71)).toBe('34');
    expect(about(1.162)).toBe('1.2');
    expect(about(0.0346)).toBe('0.035');
  });
});

describe('sentences within a sentence', () => {
  it('keep the capitals of names and months', () => {
    expect(small('Cut about 14 g of Java fern about 11 December')).toBe(
      'cut about 14 g of Java fern about 11 December',
    );
  });
});
