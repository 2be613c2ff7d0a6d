import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import Timer from './Timer.svelte';

describe('a timer', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
  });
  afterEach(() => vi.useRealTimers());

  const shown = { name: 'a', minutes: 5, words: 'nitrate' };

  it('counts down, tells once by touch, and makes no sound by itself', async () => {
    const vibrate = vi.fn();
    vi.stubGlobal('navigator', { ...navigator, vibrate });
    const audio = vi.fn();
    vi.stubGlobal('AudioContext', audio);
    const onend = vi.fn();
    render(Timer, { ...shown, onend });
    await fireEvent.click(screen.getByTestId('timer-start'));
    await vi.advanceTimersByTimeAsync(61_000);
    expect(screen.getByTestId('timer')).toHaveTextContent('3:59');
    await vi.advanceTimersByTimeAsync(300_000);
    expect(screen.getByTestId('timer')).toHaveTextContent('now');
    expect(vibrate).toHaveBeenCalledOnce();
    expect(onend).toHaveBeenCalledOnce();
    expect(audio).not.toHaveBeenCalled();
    vi.unstubAllGlobals();
  });

  it('goes on over a reload', async () => {
    const first = render(Timer, shown);
    await fireEvent.click(screen.getByTestId('timer-start'));
    await vi.advanceTimersByTimeAsync(120_000);
    first.unmount();
    await vi.advanceTimersByTimeAsync(60_000);
    render(Timer, shown);
    await vi.advanceTimersByTimeAsync(300);
    expect(screen.getByTestId('timer').textContent).toMatch(/^[12]:/);
  });

  it('is put back by a second press', async () => {
    render(Timer, shown);
    await fireEvent.click(screen.getByTestId('timer-start'));
    await fireEvent.click(screen.getByTestId('timer'));
    expect(screen.getByTestId('timer-start')).toHaveTextContent('5 min');
    expect(localStorage).toHaveLength(0);
  });
});
