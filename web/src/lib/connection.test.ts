import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { connection, untilAnswered } from './connection.svelte';

const answer = (status: number) => new Response('here', { status });

describe('asking until there is an answer', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('says who is away and goes on by itself', async () => {
    const ask = vi
      .fn<() => Promise<Response>>()
      .mockResolvedValueOnce(answer(503))
      .mockRejectedValueOnce(new TypeError('Failed to fetch'))
      .mockResolvedValueOnce(answer(200));
    const asked = untilAnswered(ask);
    await vi.advanceTimersByTimeAsync(0);
    expect(connection.away).toBe('database');
    await vi.advanceTimersByTimeAsync(2000);
    expect(connection.away).toBe('server');
    await vi.advanceTimersByTimeAsync(2000);
    expect((await asked).status).toBe(200);
    expect(connection.away).toBe('');
    expect(ask).toHaveBeenCalledTimes(3);
  });

  it('hands a refusal on at once', async () => {
    expect((await untilAnswered(() => Promise.resolve(answer(400)))).status).toBe(400);
  });

  it('stops when nobody wants the answer any more', async () => {
    const wanted = new AbortController();
    const asked = untilAnswered(() => Promise.resolve(answer(503)), wanted.signal);
    const given = expect(asked).rejects.toThrow('no longer wanted');
    await vi.advanceTimersByTimeAsync(0);
    wanted.abort(new Error('no longer wanted'));
    await given;
    connection.away = '';
  });
});
