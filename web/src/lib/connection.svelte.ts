import type { Problem } from '../api/client';

/** Whether the server and its database answer, and since when they do not. */
export const connection = $state<{ away: '' | 'server' | 'database' }>({ away: '' });

const RETRY_MS = 1500;

export interface Answer<T> {
  data?: T;
  error?: Problem;
  response: Response;
}

/** Thrown when a caller no longer wants its answer. */
export class Given extends Error {}

/** A pause that ends early, with an error, when the signal says so. */
function pause(signal?: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, RETRY_MS);
    signal?.addEventListener('abort', () => {
      clearTimeout(timer);
      reject(new Given());
    });
  });
}

/**
 * Asks until there is an answer: while the server or its database is away the page says so and
 * tries again by itself. What the caller sends must bear repeating.
 */
export async function untilAnswered<T>(
  ask: () => Promise<Answer<T>>,
  signal?: AbortSignal,
): Promise<Answer<T>> {
  for (;;) {
    if (signal?.aborted) throw new Given();
    try {
      const answer = await ask();
      if (answer.response.status !== 503 && answer.response.status !== 502) {
        connection.away = '';
        return answer;
      }
      connection.away = 'database';
    } catch (failure) {
      if (signal?.aborted) throw new Given();
      if (!(failure instanceof TypeError)) throw failure;
      connection.away = 'server';
    }
    await pause(signal);
  }
}
