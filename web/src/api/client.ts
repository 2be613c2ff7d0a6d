import createClient from 'openapi-fetch';
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
export type ReadBack = Schemas['ReadBack'];
export type Session = Schemas['Session'];
export type LineOfTank = Schemas['Line'];

/** The token that Spring Security set in a cookie; it changes at sign-in, so it is read each time. */
function token(): string {
  const cookie = document.cookie.split('; ').find((part) => part.startsWith('XSRF-TOKEN='));
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : '';
}

export const api = createClient<paths>({
  baseUrl: typeof location === 'undefined' ? 'http://localhost' : location.origin,
  fetch: (request: Request) => globalThis.fetch(request),
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
