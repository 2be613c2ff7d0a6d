import { afterEach, describe, expect, it } from 'vitest';
import { said } from './said';
import { units } from './units.svelte';

describe('a text of the server', () => {
  afterEach(() => {
    units.offered = [];
    units.chosen = {};
  });

  it('tells its quantities in the keeper’s units and its days as one says them', () => {
    const stop = [
      { text: 'Stop when ' },
      { value: 38, unit: 'L' },
      { text: ' are out: ' },
      { value: 5.2, unit: 'cm' },
      { text: ' below.' },
    ];
    expect(said(stop, '2026-11-25')).toBe('Stop when 38 L are out: 5 cm below.');
    expect(said([{ text: 'Change ' }, { value: 85.5, unit: 'L' }], '')).toBe('Change 86 L');
    expect(said([{ text: 'Renewed on ' }, { day: '2026-12-01' }], '2026-11-25')).toBe(
      'Renewed on 1 December',
    );
    units.offered = [{ name: 'volume', units: [{ label: 'US gal', factor: 0.264172, offset: 0 }] }];
    units.chosen = { volume: 'US gal' };
    expect(said([{ value: 38, unit: 'L' }, { text: ' ready' }], '2026-11-25')).toBe(
      '10 US gal ready',
    );
  });
});
