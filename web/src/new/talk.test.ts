import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { helpings, toldSoFar } from './questions';
import { fileOf, fresh, type Answers } from './talk';

const term = (label: string, value?: number, unit = 'g') => ({ label, value, unit, note: '' });
const lists = {
  ways: [
    { term: 'fish-only', figures: [term('water', undefined, 'freshwater')] },
    { term: 'mixed-reef', figures: [term('water', undefined, 'marine')] },
  ],
  foodForms: [],
  plantKinds: [],
  bodyShapes: [],
  portions: [
    { term: 'a pinch of flakes', figures: [term('mass', 0.15), term('form', undefined, 'dry')] },
  ],
  animalSizes: [{ term: 'small fish', figures: [term('mass', 0.77)] }],
  plantCovers: [{ term: 'a few', figures: [term('wet', 0.5, 'g/L')] }],
} as unknown as Schemas['Lists'];
const now = new Date('2026-11-27T12:00:00Z');

const window: Answers = {
  ...fresh(),
  name: 'Window tank',
  litres: 60,
  keeping: 'fish-only',
  animals: [{ size: 'small fish', count: 8 }],
  portion: 'a pinch of flakes',
  portions: 2,
  feedsPerWeek: 14,
  plants: 'slow-leaves',
  cover: 'a few',
  filters: ['sponge'],
  ageDays: 365,
  percent: 25,
  everyDays: 7,
  nitrate: 20,
};

describe('a tank that is told', () => {
  it('reads as one sentence', () => {
    expect(toldSoFar(window, (litres) => `${litres} L`).map((part) => part.words)).toEqual([
      'Window tank of 60 L',
      'fish with few plants or none',
      'eight small fish',
      'fed two pinches of flakes twice a day',
      'slow leafy plants, a few',
      'a sponge filter, running for about a year',
      'its water changed about a quarter every week with tap water',
      'nitrate 20 today',
    ]);
  });

  it('counts helpings', () => {
    expect(helpings(1, 'a worm')).toBe('a worm');
    expect(helpings(3, 'a level teaspoon')).toBe('three level teaspoons');
    expect(helpings(2, 'a few pellets')).toBe('two helpings of a few pellets');
  });

  it('becomes a tank file with what was said, and the changes made until now', () => {
    const file = fileOf(window, lists, now);
    expect(file.tank).toMatchObject({
      name: 'Window tank',
      water: 'freshwater',
      netVolumeL: 60,
      startedOn: '2025-11-27',
      keeping: 'fish-only',
    });
    expect(file.feeding).toEqual([{ food: 'food', gramsPerFeed: 0.3, feedsPerWeek: 14 }]);
    expect(file.livestock).toEqual([{ name: 'small fish', count: 8, massG: 0.77 }]);
    expect(file.plants?.[0]?.wetMassG).toBe(30);
    expect(file.log?.filter((entry) => entry.type === 'water-change')).toHaveLength(13);
    expect(file.routine?.waterChange).toMatchObject({ fraction: 0.25, everyDays: 7 });
    expect(file.limits).toBeUndefined();
  });

  it('invents no changes for a tank that begins today, but keeps what is meant', () => {
    const file = fileOf({ ...window, ageDays: 0 }, lists, now);
    expect(file.log?.filter((entry) => entry.type === 'water-change')).toEqual([]);
    expect(file.routine?.waterChange).toEqual({ fraction: 0.25, everyDays: 7 });
    expect(file.tank.startedOn).toBe('2026-11-27');
  });

  it('goes no further back with changes than the tank itself', () => {
    const file = fileOf({ ...window, ageDays: 21 }, lists, now);
    const first = file.log?.find((entry) => entry.type === 'water-change')?.at ?? '';
    expect(first >= '2026-11-06').toBe(true);
  });

  it('takes salt water for a reef', () => {
    expect(fileOf({ ...window, keeping: 'mixed-reef' }, lists, now).tank.water).toBe('marine');
  });
});
