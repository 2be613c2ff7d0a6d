import { beforeEach, describe, expect, it } from 'vitest';
import { drawn, figure, fromShown, level, toShown, units, volume } from './units.svelte';

beforeEach(() => {
  units.offered = [
    {
      name: 'volume',
      units: [
        { label: 'L', factor: 1, offset: 0 },
        { label: 'US gal', factor: 1 / 3.785411784, offset: 0 },
      ],
    },
    {
      name: 'temperature',
      units: [
        { label: '°C', factor: 1, offset: 0 },
        { label: '°F', factor: 1.8, offset: 32 },
      ],
    },
    { name: 'nitrate', units: [{ label: 'mg/L NO3-N', factor: 0.2259, offset: 0 }] },
    {
      name: 'salinity',
      units: [
        { label: 'ppt', factor: 1, offset: 0 },
        { label: 'specific gravity', factor: 1, offset: 0 },
      ],
    },
  ];
  units.gravity = [
    [0, 1],
    [10, 1.0075],
    [35, 1.0264],
  ];
  units.chosen = {};
});

describe('numbers in the keeper’s units', () => {
  it('stay as they travel when nothing is chosen', () => {
    expect(volume(46.2)).toBe('46 L');
    expect(drawn('nitrate', 40)).toBe('40');
    expect(figure(0.02, 'mg/L PO4')).toBe('0.02 mg/L PO4');
  });

  it('are gallons, degrees and nitrogen where those are chosen', () => {
    units.chosen = { volume: 'US gal', temperature: '°F', nitrate: 'mg/L NO3-N' };
    expect(volume(46)).toBe('12 US gal');
    expect(figure(25, '°C')).toBe('77 °F');
    expect(level('nitrate', 40)).toBe('9');
    expect(drawn('nitrate', 40)).toBe('9.04 mg/L NO3-N');
    expect(figure(5, 'mg/L NO3/week')).toBe('1.13 mg/L NO3-N/week');
  });

  it('are told no finer than they can be known', () => {
    units.chosen = {};
    expect(figure(33.7, 'L/day')).toBe('34 L/day');
    expect(figure(0.00028, 'mg/L PO4')).toBe('0 mg/L PO4');
    expect(figure(0.0044, 'mg/L PO4')).toBe('0.004 mg/L PO4');
    expect(figure(0.125, 'mg/L NO3')).toBe('0.125 mg/L NO3');
    expect(figure(4.44, 'cm')).toBe('4.5 cm');
    expect(figure(4519, 'g')).toBe('4520 g');
    expect(figure(0.04, 'g')).toBe('0.04 g');
    expect(figure(0.517, 'dKH')).toBe('0.5 dKH');
    expect(figure(25.3, '°C')).toBe('25.5 °C');
    units.chosen = { salinity: 'specific gravity' };
    expect(figure(35, 'ppt')).toMatch(/^1\.02\d specific gravity$/);
  });

  it('go there and back without loss', () => {
    units.chosen = { volume: 'US gal', temperature: '°F', salinity: 'specific gravity' };
    for (const name of ['volume', 'temperature', 'salinity'] as const)
      for (const value of [0.5, 12, 34.5])
        expect(fromShown(name, toShown(name, value))).toBeCloseTo(value, 5);
  });

  it('are taken for what they can only be', () => {
    expect(fromShown('salinity', 1.0264)).toBeCloseTo(35, 5);
    expect(fromShown('temperature', 77)).toBeCloseTo(25, 5);
    units.chosen = { temperature: '°F', salinity: 'specific gravity' };
    expect(fromShown('salinity', 34)).toBe(34);
    expect(fromShown('salinity', 0)).toBe(0);
    expect(fromShown('temperature', 25)).toBe(25);
    expect(fromShown('temperature', 77)).toBeCloseTo(25, 5);
  });
});
