import { afterEach, describe, expect, it } from 'vitest';
import { said } from './said';
import { units } from './units.svelte';

describe('a text of the server', () => {
  afterEach(() => {
    units.offered = [];
    units.chosen = {};
  });

  it('tells its quantities in the keeper’s units and its days as one says them', () => {
    expect(said('Stop when {38 L} are out: {5.2 cm} below.', '2026-11-25')).toBe(
      'Stop when 38 L are out: 5.2 cm below.',
    );
    expect(said('Renewed on 2026-12-01.', '2026-11-25')).toBe('Renewed on 1 December.');
    units.offered = [{ name: 'volume', units: [{ label: 'US gal', factor: 0.264172, offset: 0 }] }];
    units.chosen = { volume: 'US gal' };
    expect(said('Have {38 L} ready.', '2026-11-25')).toBe('Have 10 US gal ready.');
  });
});
