import { expect, it } from 'vitest';
import { numberOf } from './numbers';

it('reads numbers as people type them', () => {
  expect(numberOf('2,5')).toBe(2.5);
  expect(numberOf(' 8 ')).toBe(8);
  expect(numberOf('')).toBeUndefined();
  expect(numberOf('a few')).toBeUndefined();
});
