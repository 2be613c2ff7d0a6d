import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { forgetAnswers, GIVEN_AT, keep, lastAnswer } from './answers';

/** As much of the browser's store as is used. */
function memoryCaches() {
  const stores = new Map<string, Map<string, Response>>();
  return {
    open: async (name: string) => {
      const store = stores.get(name) ?? new Map<string, Response>();
      stores.set(name, store);
      return {
        put: async (url: string, answer: Response) => void store.set(url, answer),
        match: async (url: string) => store.get(url)?.clone(),
      };
    },
    delete: async (name: string) => stores.delete(name),
  };
}

const request = (path: string, method = 'GET') => new Request(`http://here${path}`, { method });

describe('what the server last answered', () => {
  beforeEach(() => vi.stubGlobal('caches', memoryCaches()));
  afterEach(() => vi.unstubAllGlobals());

  it('is kept for later, with when it was given', async () => {
    await keep(request('/api/rounds/known'), new Response('[1]'));
    const last = await lastAnswer(request('/api/rounds/known'));
    expect(await last?.text()).toBe('[1]');
    expect(Date.parse(last?.headers.get(GIVEN_AT) ?? '')).toBeGreaterThan(0);
  });

  it('is kept only of questions worth looking at, and only when they were answered', async () => {
    await keep(request('/api/tanks/t/photos/p'), new Response('picture'));
    await keep(request('/api/rounds/known'), new Response('away', { status: 503 }));
    await keep(request('/api/tanks/t/log', 'POST'), new Response('{}'));
    expect(await lastAnswer(request('/api/tanks/t/photos/p'))).toBeUndefined();
    expect(await lastAnswer(request('/api/rounds/known'))).toBeUndefined();
    expect(await lastAnswer(request('/api/tanks/t/log'))).toBeUndefined();
  });

  it('is kept of every place that is opened without a connection', async () => {
    for (const path of ['/api/bench', '/api/upkeep', '/api/tanks/t/visits', '/api/tanks/t/care']) {
      await keep(request(path), new Response('{}'));
      expect(await lastAnswer(request(path)), path).toBeDefined();
    }
  });

  it('is never the answer to something that writes', async () => {
    await keep(request('/api/tanks/t/log'), new Response('{}'));
    expect(await lastAnswer(request('/api/tanks/t/log', 'POST'))).toBeUndefined();
  });

  it('is forgotten when the keeper leaves', async () => {
    await keep(request('/api/rounds/known'), new Response('[1]'));
    await forgetAnswers();
    expect(await lastAnswer(request('/api/rounds/known'))).toBeUndefined();
  });
});
