import { describe, expect, it } from 'vitest';
import { Time } from './time.svelte';

const day = Time.DAY;

function time(): Time {
  const made = new Time();
  made.bounds(0, 400 * day);
  made.show(300 * day, 360 * day);
  return made;
}

describe('the part of time that is shown', () => {
  it('keeps its width when it is moved to an end', () => {
    const t = time();
    t.pan(10);
    expect(t.to).toBe(400 * day);
    expect(t.to - t.from).toBe(60 * day);
    t.pan(-100);
    expect(t.from).toBe(0);
    expect(t.to - t.from).toBe(60 * day);
  });

  it('keeps the instant under the finger when it is zoomed', () => {
    const t = time();
    const at = 330 * day;
    const share = (at - t.from) / (t.to - t.from);
    t.zoom(0.5, at);
    expect(t.to - t.from).toBeCloseTo(30 * day, 0);
    expect((at - t.from) / (t.to - t.from)).toBeCloseTo(share, 9);
  });

  it('is never narrower than a week nor wider than all there is', () => {
    const t = time();
    t.zoom(0.0001, 330 * day);
    expect(t.to - t.from).toBe(7 * day);
    t.zoom(1e9, 330 * day);
    expect([t.from, t.to]).toEqual([0, 400 * day]);
    t.end('from', 1e15);
    expect(t.to - t.from).toBe(7 * day);
  });
});
