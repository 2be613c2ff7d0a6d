import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../../api/client';
import { closing } from './closing';

const amount = (mean: number) => ({ mean, low: mean, high: mean });
const line = (name: string, mean: number) =>
  ({ key: name, name, source: '', perDay: amount(mean), sum: [], tries: [] }) as never;
const ledger = (
  into: number[],
  out: number[],
  unexplained: number,
  held: [string, number][],
): Schemas['Ledger'] => ({
  element: 'N',
  days: 28,
  in: into.map((mean) => line('in', mean)),
  out: out.map((mean) => line('out', mean)),
  unexplained: amount(unexplained),
  held: held.map(([name, mean]) => line(name, mean)),
  netMgLPerWeek: amount(0),
  netGramsPerMonth: amount(0),
});

describe('the sum of a ledger', () => {
  it('closes to the digit, whatever is rounded', () => {
    const close = closing(
      ledger([57.4, 1.2], [46.3], 0.3, [
        ['water', 4.4],
        ['waste', 4.4],
        ['plants', 3.8],
      ]),
      1,
    );
    expect(close).toMatchObject({ in: 59, out: 46, unexplained: 0, more: 13, decimals: 0 });
    expect(close.held.reduce((all, part) => all + part.amount, 0)).toBe(13);
  });

  it('tells what is held less of, and leaves nothing out but nothing', () => {
    const close = closing(
      ledger([2], [3.2], 0.1, [
        ['water', -1.3],
        ['algae', 0.001],
        ['rock and sand', 0.25],
      ]),
      1,
    );
    expect(close).toMatchObject({ more: -1.1, decimals: 1 });
    expect(close.held).toEqual([
      { name: 'water', amount: -1.3 },
      { name: 'rock and sand', amount: 0.2 },
    ]);
  });

  it('is told in what the keeper reads in', () => {
    const close = closing(ledger([59], [46], 0, [['water', 13]]), 0.03);
    expect(close).toMatchObject({ in: 1.8, out: 1.4, more: 0.4, decimals: 1 });
  });
});
