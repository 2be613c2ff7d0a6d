import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import type { Ledgers, Tried } from '../../../api/client';
import Ledger from './Ledger.svelte';

const amount = (mean: number) => ({ mean, low: mean * 0.8, high: mean * 1.2 });
const line = (key: string, name: string, mean: number) => ({
  key,
  name,
  source: 'ration and label',
  perDay: amount(mean),
  sum: [{ label: 'weight as fed', value: 1.7, unit: 'g/day', origin: 'make-up' }],
  tries: key.startsWith('food')
    ? [
        {
          kind: 'FEED',
          id: 'worms',
          name: 'Chopped earthworm',
          now: 1,
          least: 0,
          most: 2,
          step: 0.05,
          unit: 'of today’s ration',
        },
      ]
    : [],
});

const ledgers: Ledgers = {
  nitrogen: {
    element: 'N',
    days: 28,
    in: [line('food:worms', 'Chopped earthworm', 28.9), line('change-water', 'change water', 4.6)],
    out: [line('water-taken-out', 'water taken out', 15.2)],
    unexplained: { mean: -1.1, low: -3, high: 1 },
    held: [],
    netMgLPerWeek: amount(5.1),
    netGramsPerMonth: amount(4.1),
  },
  phosphorus: {
    element: 'P',
    days: 28,
    in: [line('food:worms', 'Chopped earthworm', 2)],
    out: [],
    unexplained: amount(0),
    held: [],
    netMgLPerWeek: amount(0.2),
    netGramsPerMonth: amount(0.1),
  },
  perMgADay: {
    gramsAMonth: 0.03,
    nitrateMgLAWeek: (7 * 4.427) / 190,
    phosphateMgLAWeek: (7 * 3.066) / 190,
  },
};

function ledger(tries: Tried[] = []) {
  const ontry = vi.fn();
  render(Ledger, { ledgers, tries, ontry });
  return ontry;
}

describe('the ledger', () => {
  it('sums both sides and never hides what is not accounted for', () => {
    ledger();
    expect(screen.getByText('brings in 34')).toBeInTheDocument();
    expect(screen.getByText('takes out 15')).toBeInTheDocument();
    const net = screen.getByTestId('ledger-net').textContent.replace(/\s+/g, ' ');
    expect(net).toContain('34 in − 15 out − 1 not accounted for = 18 more in the tank');
    expect(net).toContain('nitrate +5.1 mg/L NO3 a week');
  });

  it('tells the same in grams a month and as the ion a week', async () => {
    ledger();
    await fireEvent.click(screen.getByRole('button', { name: 'g a month' }));
    // 28.9 mg a day × 30 days
    expect(screen.getByRole('button', { name: /0.87 Chopped earthworm/ })).toBeInTheDocument();
    await fireEvent.click(screen.getByRole('button', { name: 'mg/L a week' }));
    // 28.9 mg N × 4.427 × 7 ÷ 190 L
    expect(screen.getByRole('button', { name: /4.7 Chopped earthworm/ })).toBeInTheDocument();
  });

  it('opens a line in place with its sum, and tries less of it', async () => {
    const ontry = ledger();
    await fireEvent.click(screen.getByRole('button', { name: /Chopped earthworm/ }));
    const open = screen.getByTestId('ledger-open');
    expect(within(open).getByText('weight as fed')).toBeInTheDocument();
    await fireEvent.input(screen.getByTestId('try-slider'), { target: { value: '0.5' } });
    expect(ontry).toHaveBeenLastCalledWith([{ kind: 'FEED', id: 'worms', amount: 0.5 }]);
    await fireEvent.click(screen.getByRole('button', { name: 'less Chopped earthworm' }));
    expect(ontry.mock.lastCall?.[0][0].amount).toBeCloseTo(0.95, 9);
  });

  it('tries nothing once a line is back where it was', async () => {
    const ontry = ledger([{ kind: 'FEED', id: 'worms', amount: 0.5 }]);
    await fireEvent.click(screen.getByRole('button', { name: /Chopped earthworm/ }));
    await fireEvent.input(screen.getByTestId('try-slider'), { target: { value: '1' } });
    expect(ontry).toHaveBeenLastCalledWith([]);
  });

  it('turns to phosphorus', async () => {
    ledger();
    await fireEvent.click(screen.getByRole('button', { name: 'phosphorus' }));
    expect(screen.getByText('brings in 2')).toBeInTheDocument();
  });
});
