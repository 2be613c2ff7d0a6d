import { untrack } from 'svelte';
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

/** A pause that ends early, with an error, when the signal says so. */
function pause(signal?: AbortSignal): Promise<void> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(resolve, RETRY_MS);
    signal?.addEventListener('abort', () => {
      clearTimeout(timer);
      reject(signal.reason as Error);
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
 * tries again by itself, or shows what was last answered. What is sent must bear repeating.
 *
 * @param signal ends the waiting with its reason
 */
export async function untilAnswered(
  ask: () => Promise<Response>,
  signal?: AbortSignal,
): Promise<Response> {
  for (;;) {
    signal?.throwIfAborted();
    try {
      const answer = await ask();
      const old = answer.headers.get(GIVEN_AT);
      if (old) {
        connection.away = (answer.headers.get('x-away') as Away) || 'server';
        connection.shownFrom = old;
        void watch();
        return answer;
      }
      if (answer.status !== 503 && answer.status !== 502) {
        answered();
        return answer;
      }
      connection.away = 'database';
    } catch (failure) {
      signal?.throwIfAborted();
      if (!(failure instanceof TypeError)) throw failure;
      connection.away = 'server';
    }
    await pause(signal);
  }
}
