import { expect, test } from 'vitest';
import { OWN, askedOf } from './asking';

test('a trial on offer is asked for by its number', () => {
  expect(askedOf('2', '', 'nitrate', '28')).toEqual({ option: 2, analyte: 'nitrate', days: 28 });
});

test('a trial of one’s own needs its words, and every trial its days', () => {
  expect(askedOf(OWN, ' less light ', 'phosphate', '14')).toEqual({
    what: 'less light',
    analyte: 'phosphate',
    days: 14,
  });
  expect(askedOf(OWN, ' ', 'phosphate', '14')).toBeUndefined();
  expect(askedOf('0', '', 'nitrate', '')).toBeUndefined();
});
