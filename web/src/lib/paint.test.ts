import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { oncePainted, painted } from './paint';

describe('once it is painted', () => {
  beforeEach(() => {
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
  });

  it('calls back after the frame and not within it', () => {
    const order: string[] = [];
    oncePainted(() => order.push('painted'));
    requestAnimationFrame(() => order.push('frame'));
    vi.advanceTimersByTime(20);
    expect(order).toEqual(['frame', 'painted']);
    vi.advanceTimersByTime(1000);
    expect(order).toHaveLength(2);
  });

  it('goes on in a page that is not looked at', async () => {
    vi.stubGlobal('requestAnimationFrame', () => 0);
    let done = false;
    void painted().then(() => (done = true));
    await vi.advanceTimersByTimeAsync(100);
    expect(done).toBe(false);
    await vi.advanceTimersByTimeAsync(200);
    expect(done).toBe(true);
    vi.unstubAllGlobals();
  });

  it('can be taken back', () => {
    const called = vi.fn();
    oncePainted(called)();
    vi.advanceTimersByTime(1000);
    expect(called).not.toHaveBeenCalled();
  });
});
