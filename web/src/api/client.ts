import createClient from 'openapi-fetch';
import { keep, lastAnswer } from '../lib/answers';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Balance = Schemas['Balance'];
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

/** Asks the server; where it does not answer, what it last answered to the same question. */
async function fetchOrLast(request: Request): Promise<Response> {
  let away = 'server';
  let answer: Response | undefined;
  try {
    answer = await globalThis.fetch(request);
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

export const api = createClient<paths>({
  baseUrl: typeof location === 'undefined' ? 'http://localhost' : location.origin,
  fetch: fetchOrLast,
});
api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-XSRF-TOKEN', token());
    return request;
  },
});

/** Sign-in and -out are forms of their own, outside the described API. */
export async function postForm(path: string, fields: Record<string, string>): Promise<Response> {
  return fetch(path, {
    method: 'POST',
    headers: { 'X-XSRF-TOKEN': token() },
    body: new URLSearchParams(fields),
  });
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
  const answer = await fetch(`/api/tanks/${tank}/photos/${id}?${query}`, {
    method: 'PUT',
    headers: { 'X-XSRF-TOKEN': token(), 'Content-Type': picture.type },
    body: picture,
  });
  if (answer.ok) return '';
  const problem = (await answer.json().catch(() => ({}))) as Partial<Problem>;
  return problem.detail ?? 'The photo could not be kept.';
}
