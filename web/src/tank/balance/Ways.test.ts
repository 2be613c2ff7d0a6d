import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import { balance } from './balance.test-data';
import Ways from './Ways.svelte';
import { does } from './ways';

const way = (kind: 'AS_NOW' | 'LEAST_EFFORT', fraction: number, holds: boolean) => ({
  kind,
  fraction,
  everyDays: 7,
  startsOn: '2026-11-28',
  holds,
  probabilityWithinLines: holds ? 0.92 : 0.3,
  litresPer28Days: 150,
  minutesPer28Days: 108,
  saltGramsPer28Days: 4400,
});
const help = {
  lever: 'FEED' as const,
  words: [{ text: 'Feed a fifth less' }],
  fraction: 0.05,
  everyDays: 7,
  minutesPer28Days: 60,
  tries: [{ kind: 'FEED' as const, id: 'flake', amount: 0.8 }],
};

function shown() {
  const calls = { onway: vi.fn(), onhelp: vi.fn() };
  render(Ways, {
    balance: balance({
      otherWays: {
        ...balance().otherWays,
        ways: [way('AS_NOW', 0.1, false), way('LEAST_EFFORT', 0.2, true)],
        helps: [help, { ...help, words: [{ text: 'Dose' }], tries: [] }],
      },
    }),
    ...calls,
  });
  return calls;
}

describe('the ways beside the advice', () => {
  it('stand side by side with what each takes, the advice first', () => {
    shown();
    const ways = screen.getByTestId('ways-strip').querySelectorAll('li');
    expect(ways[0]?.textContent).toContain('Least effort');
    expect(ways[0]?.textContent).toContain('20 % every 7 days');
    expect(ways[0]?.textContent).toContain('108 min · 150 L · 4.4 kg salt');
    expect(ways[1]?.textContent).toContain('holds only 3 times in 10');
  });

  it('say what is changed first', () => {
    const routine = { fraction: 0.2, everyDays: 14 };
    expect(does({ ...routine, caughtUp: { fraction: 0.5, times: 1 } })).toBe(
      '50 % now, then 20 % every 14 days',
    );
    expect(does({ ...routine, caughtUp: { fraction: 0.5, times: 2 } })).toContain(
      'now and tomorrow',
    );
    expect(does({ ...routine, fraction: 0 })).toBe('no change');
  });

  it('are tried by one press, and so is a lever', async () => {
    const calls = shown();
    await fireEvent.click(screen.getByText('As you do now'));
    expect(calls.onway).toHaveBeenCalledWith(expect.objectContaining({ kind: 'AS_NOW' }));
    await fireEvent.click(screen.getByText('Feed a fifth less'));
    expect(calls.onhelp).toHaveBeenCalledWith(help);
    expect(screen.getByTestId('helps-strip').textContent).toContain('→ 5 % every 7 days');
    expect(screen.getByTestId('helps-strip').textContent).not.toContain('Dose');
  });
});
