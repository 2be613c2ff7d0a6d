import { describe, expect, it } from 'vitest';
import {
  SECTIONS,
  choices,
  fieldsOf,
  freeId,
  nameOf,
  ofKind,
  put,
  type TankFile,
} from './sections';

const file: TankFile = {
  tank: { name: 'Small', netVolumeL: 100 },
  foods: [{ id: 'food', name: 'Flake', form: 'dry' }],
  feeding: [{ food: 'food', gramsPerFeed: 0.5, feedsPerWeek: 7 }],
};

describe('editing a make-up', () => {
  it('replaces one value and leaves the rest as it was', () => {
    const changed = put(file, ['feeding', 0, 'gramsPerFeed'], 0.8);
    expect(changed).toEqual({
      ...file,
      feeding: [{ food: 'food', gramsPerFeed: 0.8, feedsPerWeek: 7 }],
    });
    expect(Array.isArray(changed.feeding)).toBe(true);
    expect(file.feeding).toEqual([{ food: 'food', gramsPerFeed: 0.5, feedsPerWeek: 7 }]);
  });

  it('leaves out what was emptied', () => {
    expect(put(file, ['tank', 'netVolumeL'], undefined).tank).toEqual({ name: 'Small' });
  });

  it('gives new entries ids of their own', () => {
    expect(freeId(file, 'foods', 'food')).toBe('food-2');
    for (const section of SECTIONS) {
      const fresh = section.fresh(file, '2026-11-25');
      expect(fieldsOf(section, fresh).length).toBeGreaterThan(2);
      expect(nameOf(file, section.key, fresh)).not.toContain('undefined');
    }
  });

  it('offers what can stand in a place', () => {
    expect(choices(file, 'feeding', 'food')).toEqual(['food']);
    expect(choices(file, 'plants', 'kind')).toContain('moss');
    expect(choices(file, 'tank', 'name')).toBeUndefined();
  });

  it('drops the figures of the old kind of an export', () => {
    const bed = ofKind(
      { id: 's', kind: 'skimmer', removalFractionPerDay: 0.2, from: 'x' },
      'deep-bed',
    );
    expect(bed).toEqual({ id: 's', kind: 'deep-bed', areaCm2: 2000, depthCm: 12, from: 'x' });
  });
});
