import createClient from 'openapi-fetch';
import { keep, lastAnswer } from '../lib/answers';
import { untilAnswered } from '../lib/connection.svelte';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Balance = Schemas['Balance'];

/** With all that the picture shows. */
export type Pictured = Balance & { past: Schemas['Past'] };
export type Outlook = Schemas['Outlook'];
export type RoundsLine = Schemas['RoundsLine'];
export type Measures = Schemas['Measures'];
export type Ledgers = Schemas['Ledgers'];
export type LedgerLine = Schemas['LedgerLine'];
export type Tried = Schemas['Tried'];
export type Problem = Schemas['Problem'];
export type LogEntry = Schemas['LogEntry'];
export type ReadBack = Schemas['ReadBack'];
export type Session = Schemas['Session'];
export type LineOfTank = Schemas['Line'];

/** The token that Spring Security set in a cookie; it changes at sign-in, so it is read each time. */
function token(): string {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

declare global {
  interface Window {
    /** Questions that were asked before the page's code was there, by path (see first.js). */
    umberlineAsked?: Map<string, Promise<Response>>;
    /** Has the files of a place fetched before anybody goes there (see first.js). */
    umberlineFetch?: (place: string) => void;
  }
}

/** The answer to a question that was asked already, which counts once; nothing else was. */
function begun(request: Request): Promise<Response> | undefined {
  const { pathname, search } = new URL(request.url);
  const asked = request.method === 'GET' ? window.umberlineAsked : undefined;
  const answer = asked?.get(pathname + search);
  asked?.delete(pathname + search);
  return answer;
}

/** Asks the server once; where it does not answer, what it last answered to the same question. */
export async function once(request: Request): Promise<Response> {
  let away = 'server';
  let answer: Response | undefined;
  try {
    answer = await (begun(request) ?? globalThis.fetch(request));
    if (answer.status !== 502 && answer.status !== 503) {
      // the copy is taken at once and put away when there is time
      void keep(request, answer).catch(() => undefined);
      return answer;
    }
    away = 'database';
  } catch (failure) {
    if (!(failure instanceof TypeError)) throw failure;
  }
  const last = await lastAnswer(request);
  if (last) {
    const headers = new Headers(last.headers);
    headers.set('x-away', away);
    return new Response(last.body, { headers });
  }
  if (answer) return answer;
  throw new TypeError('no answer');
}

let signedOut = () => {};

/** Tells when an answer says that nobody is signed in any more. */
export function whenSignedOut(listener: () => void): void {
  signedOut = listener;
}

/** The server's API: each call is asked until it is answered, or until its signal gives it up. */
export const api = createClient<paths>({
  baseUrl: typeof location === 'undefined' ? 'http://localhost' : location.origin,
  fetch: (request) => untilAnswered(() => once(request.clone()), request.signal),
});
api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', token());
    return request;
  },
  onResponse({ response }) {
    if (response.status === 401) signedOut();
  },
});

/**
 * Sign-in and -out are forms of their own, outside the described API.
 *
 * @returns what stands against it, empty when it is done
 */
export async function postForm(path: string, fields: Record<string, string>): Promise<string> {
  const answer = await untilAnswered(() =>
    fetch(path, {
      method: 'POST',
      headers: { 'X-XSRF-TOKEN': token() },
      body: new URLSearchParams(fields),
    }),
  );
  if (answer.ok) return '';
  const problem = (await answer.json().catch(() => ({}))) as Partial<Problem>;
  return problem.detail ?? 'That did not work.';
}

/**
 * Sends a picture as it is; the server draws it anew.
 *
 * @returns what stands against it, empty when it is kept
 */
export async function postPhoto(
  tank: string,
  id: string,
  picture: File,
  note: string,
): Promise<string> {
  const query = new URLSearchParams({
    note,
    takenAt: new Date(picture.lastModified).toISOString(),
  });
  return postPicture(`/api/tanks/${tank}/photos/${id}?${query}`, picture);
}

/**
 * Sends a picture as it is to a path that takes one.
 *
 * @returns what stands against it, empty when it is kept
 */
export async function postPicture(path: string, picture: File): Promise<string> {
  const answer = await untilAnswered(() =>
    fetch(path, {
      method: 'PUT',
      headers: { 'X-XSRF-TOKEN': token(), 'Content-Type': picture.type },
      body: picture,
    }),
  );
  if (answer.ok) return '';
  const problem = (await answer.json().catch(() => ({}))) as Partial<Problem>;
  return problem.detail ?? 'The photo could not be kept.';
}
