import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import Absence from './Absence.svelte';

let asked: Record<string, unknown>[] = [];

describe('being away', () => {
  beforeEach(() => {
    asked = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      asked.push((await request.clone().json()) as never);
      return new Response(JSON.stringify({ detail: 'The tank is not told yet.' }), {
        status: 409,
        headers: { 'Content-Type': 'application/problem+json' },
      });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('reads what is fed with a comma, and says so where it is no number', async () => {
    const tanks = [{ id: 't1', name: 'Pond' }] as Schemas['UpkeepTank'][];
    render(Absence, { tanks, today: '2026-11-28' });
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    const grams = screen.getByTestId('away-grams');
    await fireEvent.input(grams, { target: { value: 'a pinch' } });
    expect(screen.getByText('What is fed must be a number, 0 or more.')).toBeTruthy();
    expect(grams.getAttribute('aria-invalid')).toBe('true');
    await fireEvent.input(grams, { target: { value: '0,5' } });
    await vi.waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ gramsPerDay: 0.5 });
    expect(screen.queryByText('What is fed must be a number, 0 or more.')).toBeNull();
  });
});
