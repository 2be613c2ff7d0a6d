import { describe, expect, it } from 'vitest';
import { at, freeId, fresh, ofKind, ofSource, put, type Entry, type ListName } from './file';
import { groups, pieces, sentence } from './sentences';
import { blank, complaint } from './words';

const file: Entry = {
  tank: { name: 'Small', netVolumeL: 100, water: 'marine' },
  foods: [{ id: 'food', name: 'Flake', form: 'dry' }],
  feeding: [{ food: 'food', gramsPerFeed: 0.5, feedsPerWeek: 7 }],
};
const LISTS: ListName[] = groups(file).flatMap((group) => group.lists.map((one) => one.key));

describe('editing a make-up', () => {
  it('replaces one value and leaves the rest as it was', () => {
    const changed = put(file, ['feeding', 0, 'gramsPerFeed'], 0.8);
    expect(changed).toEqual({
      ...file,
      feeding: [{ food: 'food', gramsPerFeed: 0.8, feedsPerWeek: 7 }],
    });
    expect(Array.isArray(changed.feeding)).toBe(true);
    expect(at(file, ['feeding', 0, 'gramsPerFeed'])).toBe(0.5);
  });

  it('leaves out what was emptied', () => {
    expect(put(file, ['tank', 'netVolumeL'], undefined).tank).toEqual({
      name: 'Small',
      water: 'marine',
    });
  });

  it('gives new entries ids of their own, and a card no steps that nobody read', () => {
    expect(freeId(file, 'foods', 'food')).toBe('food-2');
    expect(fresh(file, 'foods', '2026-11-25').id).toBe('food-2');
    expect(fresh(file, 'kits', '2026-11-25').steps).toBeUndefined();
  });

  it('drops the figures of the old kind of filter, and pours or weighs carbon', () => {
    const bed = ofKind(
      { id: 's', kind: 'skimmer', removalFractionPerDay: 0.2, from: 'x' },
      'deep-bed',
    );
    expect(bed).toEqual({ id: 's', kind: 'deep-bed', areaCm2: 2000, depthCm: 12, from: 'x' });
    const spirit = { id: 'c', kind: 'carbon-dose', source: 'ethanol-40', mlPerDay: 0.2 };
    expect(ofSource(spirit, 'sugar')).toEqual({
      id: 'c',
      kind: 'carbon-dose',
      source: 'sugar',
      gPerDay: 0.1,
    });
  });
});

describe('a make-up in sentences', () => {
  it('has words for every blank of every entry', () => {
    for (const key of LISTS) {
      const entry = fresh(file, key, '2026-11-25');
      for (const part of pieces(sentence(key, entry), () => true)) {
        if ('words' in part) continue;
        const path = [key, 0, ...part.path];
        expect(blank(file, path).label, path.join('/')).not.toMatch(/^[a-z]+[A-Z][a-z]/);
      }
    }
    for (const group of groups(file))
      for (const told of group.told)
        for (const part of pieces(told.words, () => true))
          if ('path' in part)
            expect(blank(file, [...told.base, ...part.path]).label).not.toMatch(
              /^[a-z]+[A-Z][a-z]/,
            );
  });

  it('says the end of an entry only where it has one', () => {
    const words = '{count} {name}, since {from}[, until {to}]';
    const text = (said: boolean) =>
      pieces(words, () => said).map((part) => ('words' in part ? part.words : '_'));
    expect(text(false)).toEqual(['_', ' ', '_', ', since ', '_']);
    expect(text(true)).toEqual(['_', ' ', '_', ', since ', '_', ', until ', '_']);
  });

  it('asks for salinity in salt water alone, and calls what it offers by name', () => {
    const said = (water: string) =>
      groups({ ...file, tank: { water } })[0]?.told[0]?.words.includes('salinity');
    expect(said('marine')).toBe(true);
    expect(said('freshwater')).toBe(false);
    expect(blank(file, ['feeding', 0, 'food']).choices).toEqual({ food: 'Flake' });
    expect(blank(file, ['plants', 0, 'kind']).choices?.['fast-stems']).toBe('fast stem plants');
  });

  it('says what can’t be in a sentence', () => {
    const of = (path: string, found: string, allowed: string) =>
      complaint(blank(file, path.split('.')), found, allowed);
    expect(of('feeding.gramsPerFeed', '-3', 'at least 0')).toBe(
      'Weight of a feed must be at least 0 g.',
    );
    expect(of('feeding.uneatenFraction', '3', 'at most 1')).toBe(
      'Left uneaten must be at most 100 %.',
    );
    expect(of('kits.steps', 'nothing', 'a value is required')).toBe(
      'Steps on the card is missing.',
    );
    expect(of('livestock.massG', '"heavy"', 'a value of type number')).toBe(
      'Weight of one must be a number.',
    );
  });
});
