import { beforeEach, describe, expect, it } from 'vitest';
import { NOTHING, amounts, begun, isLooked, lived, path, save, saved, top } from './game';

describe('a practice tank', () => {
  beforeEach(() => localStorage.clear());

  it('is kept week by week with the checks of each', () => {
    const first = { ...begun('hallway', 3), looked: ['nitrate'] };
    const second = lived(first, { ...NOTHING, litres: 20 });
    expect(second.weeks).toEqual([{ ...NOTHING, litres: 20, checks: ['nitrate'] }]);
    expect(second.looked).toEqual([]);
    expect(first.weeks).toEqual([]);
  });

  it('stays when the page is left, and damaged ones are dropped', () => {
    save(begun('thicket', 5));
    expect(saved()).toEqual(begun('thicket', 5));
    localStorage.setItem('umberline-practice', '{"term": 1}');
    expect(saved()).toBeNull();
    localStorage.setItem('umberline-practice', '{');
    expect(saved()).toBeNull();
    save(null);
    expect(localStorage.length).toBe(0);
  });

  it('lets nitrate be read again once its kit was tried', () => {
    const looked = (...checks: string[]) => ({ ...begun('clean-sheet', 1), looked: checks });
    expect(isLooked(looked('nitrate'), 'nitrate')).toBe(true);
    expect(isLooked(looked('nitrate', 'standard'), 'nitrate')).toBe(false);
    expect(isLooked(looked('nitrate', 'standard', 'nitrate'), 'nitrate')).toBe(true);
    expect(isLooked(looked('phosphate', 'standard'), 'phosphate')).toBe(true);
    expect(isLooked(looked('standard'), 'standard')).toBe(true);
  });

  it('offers changes in tenths of the largest', () => {
    expect(amounts(50)).toEqual([0, 5, 10, 15, 20, 25, 30, 35, 40, 45, 50]);
    expect(amounts(125)[1]).toBe(12.5);
  });

  it('is drawn from its first day to its last, under the top', () => {
    expect(path([10, 20, 0], 20, 100, 50)).toBe('M0.0 25.0L50.0 0.0L100.0 50.0');
    expect(top([10, 20], [5])).toBeCloseTo(22.4);
  });
});
