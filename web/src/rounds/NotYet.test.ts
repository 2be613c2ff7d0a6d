import { render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { connection } from '../lib/connection.svelte';
import { GIVEN_AT } from '../lib/answers';
import NotYet from './NotYet.svelte';

const level = { now: { p10: 30, p50: 34, p90: 38 }, line: { ceilingMgL: 40 } };
const rounds = [
  {
    tank: { id: 't1', name: 'Pond', today: '2026-11-27' },
    verdict: 'CHANGE',
    fraction: 0.25,
    litres: 40,
    why: [],
    warnings: [],
    work: [],
    due: [],
    nitrate: level,
    phosphate: level,
  },
];
let kept = true;

describe('a place without an answer', () => {
  beforeEach(() => {
    kept = true;
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
    vi.stubGlobal('caches', {
      open: async () => ({
        match: async (url: string) =>
          kept && url.endsWith('/api/rounds/known')
            ? new Response(JSON.stringify({ lines: rounds, renewed: [], coming: [] }), {
                headers: {
                  'Content-Type': 'application/json',
                  [GIVEN_AT]: '2026-11-27T08:00:00Z',
                },
              })
            : undefined,
      }),
    });
  });
  afterEach(() => {
    connection.away = '';
    vi.unstubAllGlobals();
  });

  it('says what it does while there is a connection, but not of what comes at once', async () => {
    render(NotYet, { words: 'Laying out the weeks…' });
    expect(screen.getByRole('status')).toHaveTextContent('');
    expect(await screen.findByText('Laying out the weeks…')).toBeInTheDocument();
  });

  it('shows what Rounds last knew of the tank while there is none', async () => {
    connection.away = 'server';
    render(NotYet, { words: 'Laying out the weeks…', tank: 't1' });
    expect(await screen.findByText('Change 25 % (40 L) today')).toBeInTheDocument();
    expect(screen.getByRole('status')).toHaveTextContent('nitrate about 34');
  });

  it('says that nothing is known where Rounds was never opened either', () => {
    kept = false;
    connection.away = 'server';
    render(NotYet, { words: '', tank: 't1' });
    expect(screen.getByRole('status')).toHaveTextContent('never opened on this device');
  });
});
