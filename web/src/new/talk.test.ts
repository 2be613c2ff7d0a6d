import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { helpings, toldSoFar } from './questions';
import {
  changeWaterOf,
  changeWatersOf,
  forgetTalk,
  fresh,
  keepTalk,
  keptTalk,
  toldTank,
  type Answers,
} from './talk';

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
  cleaners: [],
  changeWaters: [
    { term: 'tap water', figures: [term('water', undefined, 'freshwater')] },
    { term: 'salt mix', figures: [term('water', undefined, 'marine')] },
  ],
  plantCovers: [{ term: 'a few', figures: [term('wet', 0.5, 'g/L')] }],
} as unknown as Schemas['Lists'];

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
  cleaners: ['a sponge filter'],
  ageDays: 365,
  percent: 25,
  everyDays: 7,
  nitrate: 20,
};

describe('a tank that is told', () => {
  it('reads as one sentence', () => {
    expect(
      toldSoFar(window, 'tap water', (litres) => `${litres} L`).map((part) => part.words),
    ).toEqual([
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

  it('is sent with what was said alone', () => {
    expect(toldTank(window, lists, 'Europe/London')).toMatchObject({
      name: 'Window tank',
      litres: 60,
      keeping: 'fish-only',
      animals: [{ size: 'small fish', count: 8 }],
      helpings: 2,
      changedPercent: 25,
      changeWater: 'tap water',
      timeZone: 'Europe/London',
    });
    expect(toldTank(fresh(), lists, 'UTC')).toBeUndefined();
    expect(toldTank({ ...fresh(), litres: 60 }, lists, 'UTC')?.keeping).toBeUndefined();
  });

  it('takes salt mix for a reef, whatever was said before', () => {
    const reef = { ...window, keeping: 'mixed-reef' as const, changeWater: 'tap water' };
    expect(changeWaterOf(reef, lists)).toBe('salt mix');
    expect(changeWatersOf(window, lists)).toEqual(['tap water']);
  });

  it('is kept until it is made', () => {
    keepTalk(window);
    expect(keptTalk()).toEqual(window);
    forgetTalk();
    expect(keptTalk()).toEqual(fresh());
  });
});
