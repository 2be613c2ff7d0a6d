/**
 * What the server last answered, kept so that it can be looked at without a connection. Nothing of
 * it leaves this device, and signing out forgets it.
 */
const STORE = 'umberline-answers';

/** Answers worth looking at later, by their path. */
const KEPT =
  /^\/api\/(start|tanks|rounds\/known|sites|visits|upkeep|bench|tanks\/[^/]+\/(balance|past|ledger|log|make-up|run-sheet|care|visits|minerals|trials|trouble(\/[a-z-]+)?))$/;

const store = () => (typeof caches === 'undefined' ? null : caches.open(STORE));

/** When an answer that is shown was given, once it is not a fresh one. */
export const GIVEN_AT = 'x-given-at';

/** Keeps a fresh answer; others pass. */
export async function keep(request: Request, answer: Response): Promise<void> {
  const path = new URL(request.url).pathname;
  if (request.method !== 'GET' || !answer.ok || !KEPT.test(path)) return;
  const given = answer.clone();
  const at = new Date().toISOString();
  await quiet();
  const headers = new Headers(given.headers);
  headers.set(GIVEN_AT, at);
  const copy = new Response(await given.blob(), { headers });
  await (await store())?.put(request.url, copy);
}

/** Until the page has nothing better to do, a second at most. */
function quiet(): Promise<unknown> {
  return new Promise((resolve) =>
    'requestIdleCallback' in globalThis
      ? requestIdleCallback(resolve, { timeout: 1000 })
      : setTimeout(resolve),
  );
}

/** The answer last given to the same question, if it was kept. */
export async function lastAnswer(request: Request): Promise<Response | undefined> {
  return request.method === 'GET' ? (await store())?.match(request.url) : undefined;
}

/** Forgets what was answered and what was typed: the next keeper at this device sees nothing. */
export async function forgetAnswers(): Promise<void> {
  sessionStorage.clear();
  if (typeof caches !== 'undefined') await caches.delete(STORE);
}
