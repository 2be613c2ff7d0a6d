import { untrack } from 'svelte';
import type { Problem } from '../api/client';
import { GIVEN_AT } from './answers';

type Away = '' | 'server' | 'database';

/**
 * Whether the server and its database answer. While they do not, what they last answered may be
 * shown; `renewed` counts how often that ended, and whoever shows something asks anew.
 */
export const connection = $state<{ away: Away; shownFrom: string; renewed: number }>({
  away: '',
  shownFrom: '',
  renewed: 0,
});

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

function answered(): void {
  connection.away = '';
  if (connection.shownFrom) {
    connection.shownFrom = '';
    connection.renewed++;
  }
}

/** Has a place ask anew once the server is back, where it showed something old. */
export function whenRenewed(again: () => void): void {
  let seen = connection.renewed;
  $effect(() => {
    if (connection.renewed === seen) return;
    seen = connection.renewed;
    untrack(again);
  });
}

let watching = false;

/** Looks for the server until it is back, once something old is shown. */
async function watch(): Promise<void> {
  if (watching) return;
  watching = true;
  while (connection.shownFrom) {
    await pause();
    try {
      const answer = await fetch('/api/session');
      if (answer.status !== 503 && answer.status !== 502) answered();
    } catch (failure) {
      if (!(failure instanceof TypeError)) throw failure;
    }
  }
  watching = false;
}

/**
 * Asks until there is an answer: while the server or its database is away the page says so and
 * tries again by itself, or shows what was last answered. What the caller sends must bear repeating.
 */
export async function untilAnswered<T>(
  ask: () => Promise<Answer<T>>,
  signal?: AbortSignal,
): Promise<Answer<T>> {
  for (;;) {
    if (signal?.aborted) throw new Given();
    try {
      const answer = await ask();
      const old = answer.response.headers?.get(GIVEN_AT);
      if (old) {
        connection.away = (answer.response.headers.get('x-away') as Away) || 'server';
        connection.shownFrom = old;
        void watch();
        return answer;
      }
      if (answer.response.status !== 503 && answer.response.status !== 502) {
        answered();
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
