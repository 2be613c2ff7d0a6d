import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import Band from './Band.svelte';

const TODAY = '2026-11-25';
const tank: Schemas['UpkeepTank'] = {
  id: 't1',
  name: 'Stillwater',
  site: '',
  today: TODAY,
  careVersion: 0,
  occurrences: [
    {
      work: 'clean:sponge',
      kind: 'CLEAN',
      words: [{ text: 'Clean sponge' }],
      doneAs: '',
      on: '2026-11-28',
      lateDays: 0,
      why: '',
    },
    {
      work: 'clean:sponge',
      kind: 'CLEAN',
      words: [{ text: 'Clean sponge' }],
      doneAs: '',
      on: '2026-12-28',
      lateDays: 0,
      why: '',
    },
  ],
  works: [
    {
      key: 'clean:sponge',
      kind: 'CLEAN',
      words: [{ text: 'Clean sponge' }],
      everyDays: 30,
      origin: 'TRADE',
      movable: true,
      reason: [],
    },
  ],
};

describe('the band of weeks', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  function band() {
    const onmove = vi.fn();
    render(Band, { tanks: [tank], days: 42, onmove, onopen: vi.fn() });
    return { onmove, mark: screen.getByTestId('band-mark') };
  }

  it('moves the first time of a work by keys, told where it is going', async () => {
    const { onmove, mark } = band();
    expect(mark).toHaveAccessibleName(/Stillwater: Clean sponge, Sat 28 Nov/);
    await fireEvent.keyDown(mark, { key: 'ArrowRight' });
    await fireEvent.keyDown(mark, { key: 'ArrowRight' });
    expect(screen.getByTestId('band-mark')).toHaveAccessibleName(/Mon 30 Nov/);
    expect(onmove).not.toHaveBeenCalled();
    await fireEvent.keyDown(screen.getByTestId('band-mark'), { key: 'Enter' });
    expect(onmove).toHaveBeenCalledExactlyOnceWith(
      tank,
      'clean:sponge',
      '2026-11-30',
      'Clean sponge',
    );
  });

  it('commits by itself when the keys rest', async () => {
    const { onmove, mark } = band();
    await fireEvent.keyDown(mark, { key: 'PageDown' });
    await vi.advanceTimersByTimeAsync(1000);
    expect(onmove).toHaveBeenCalledExactlyOnceWith(
      tank,
      'clean:sponge',
      '2026-12-05',
      'Clean sponge',
    );
  });

  it('goes back with Escape, and never before today', async () => {
    const { onmove, mark } = band();
    for (let i = 0; i < 9; i++) await fireEvent.keyDown(mark, { key: 'ArrowLeft' });
    expect(screen.getByTestId('band-mark')).toHaveAccessibleName(/Wed 25 Nov/);
    await fireEvent.keyDown(screen.getByTestId('band-mark'), { key: 'Escape' });
    expect(screen.getByTestId('band-mark')).toHaveAccessibleName(/Sat 28 Nov/);
    await vi.advanceTimersByTimeAsync(2000);
    expect(onmove).not.toHaveBeenCalled();
  });

  it('lets only the first time be moved: the others follow', () => {
    band();
    expect(screen.getAllByTestId('band-mark')).toHaveLength(1);
  });

  it('has no handle where only the advice sets the day', () => {
    const works = tank.works.map((work) => ({ ...work, movable: false }));
    render(Band, { tanks: [{ ...tank, works }], days: 42, onmove: vi.fn(), onopen: vi.fn() });
    expect(screen.queryByTestId('band-mark')).toBeNull();
    expect(screen.getByTitle('Sat 28 Nov')).toBeInTheDocument();
  });
});
