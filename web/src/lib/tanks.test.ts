import { describe, expect, it } from 'vitest';
import { may, tanks } from './tanks.svelte';

describe('what a keeper may do', () => {
  it('is what the role includes, and asked of the server where none is known', () => {
    tanks.all = (['READER', 'HELPER', 'CO_KEEPER', 'OWNER'] as const).map((role) => ({
      id: role,
      name: role,
      site: '',
      putAway: false,
      role,
    }));
    expect(may('READER', 'READER')).toBe(true);
    expect(may('READER', 'HELPER')).toBe(false);
    expect(may('HELPER', 'HELPER')).toBe(true);
    expect(may('CO_KEEPER', 'OWNER')).toBe(false);
    expect(may('OWNER', 'OWNER')).toBe(true);
    expect(may('not known', 'OWNER')).toBe(true);
    tanks.all = [];
  });
});
