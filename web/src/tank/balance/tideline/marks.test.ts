import { describe, expect, it } from 'vitest';
import { axisTop, mark, notches } from './marks';

const y = (mgL: number) => 100 - mgL;
const test = {
  at: '2026-11-21T18:00:00Z',
  value: 20,
  unit: 'mg/L NO3',
  readMgL: 20,
  contradicts: false,
  modelledMgL: 22,
};

describe('marks say no more than the kit', () => {
  it('draws a card reading over the interval it means', () => {
    const bar = mark({ ...test, use: 'between', lowMgL: 15, highMgL: 30 }, 5, y, 10);
    expect(bar).toMatchObject({ kind: 'bar', top: 70, bottom: 85, openTop: false });
  });

  it('leaves the highest step open, and cuts what is taller than the picture', () => {
    expect(mark({ ...test, use: 'between', lowMgL: 80 }, 5, y, 10)).toMatchObject({
      top: 10,
      openTop: true,
    });
    expect(mark({ ...test, use: 'between', lowMgL: 80, highMgL: 200 }, 5, y, 10)).toMatchObject({
      top: 10,
      openTop: true,
    });
  });

  it('gives below and above range a tail', () => {
    expect(mark({ ...test, use: 'below', lowMgL: 0, highMgL: 5 }, 5, y, 10)).toMatchObject({
      kind: 'tail-down',
      y: 95,
      bottom: 100,
    });
    expect(mark({ ...test, use: 'above', lowMgL: 60 }, 5, y, 10)).toMatchObject({
      kind: 'tail-up',
      y: 40,
      top: 10,
    });
  });
});

describe('the axis', () => {
  it('has room above the line', () => {
    expect(axisTop(40, [30], [35])).toBe(52);
    expect(axisTop(undefined, [30], [50])).toBeCloseTo(56);
  });
});

it('cuts a notch as deep as the share changed', () => {
  expect(notches([{ x: 50, fraction: 0.25 }], 20)).toContain('L50 10');
  expect(notches([{ x: 50, fraction: 0.9 }], 20)).toContain('L50 20');
});
