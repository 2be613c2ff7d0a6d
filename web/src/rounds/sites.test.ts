import { describe, expect, it } from 'vitest';
import { byStop, reach, siteOf, type Site } from './sites';

const sites: Site[] = [
  { site: 'Yard', client: 'Mr Alder', address: '', contact: '', stop: 1 },
  { site: 'Attic', client: '', address: '', contact: '', stop: 2 },
  { site: 'Hall', client: 'Ms Birch', address: '', contact: '' },
];

describe('rooms', () => {
  it('stand in the order of the round, then by name, what has none last', () => {
    expect(['', 'Hall', 'Attic', 'Den', 'Yard'].sort(byStop(sites))).toEqual([
      'Yard',
      'Attic',
      'Den',
      'Hall',
      '',
    ]);
    expect(siteOf(sites, 'Den').client).toBe('');
  });

  it('are called or written to where the contact is a number or an address', () => {
    expect(reach('+44 (0)20 5550-101')).toBe('tel:+440205550101');
    expect(reach(' alder@example.org ')).toBe('mailto:alder@example.org');
    expect(reach('ask at the desk')).toBe('');
    expect(reach('')).toBe('');
  });
});
