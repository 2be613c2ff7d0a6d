import { api, postForm, whenSignedOut, type Session } from '../api/client';
import { forgetAnswers } from './answers';
import { sendAll } from './outbox.svelte';
import { tanks } from './tanks.svelte';
import { takeUnits } from './units.svelte';

/** Who is signed in; nothing until the server told. */
export const session = $state<{ now: Session | null }>({ now: null });

/** Read by first.js. */
const SIGNED_IN = 'umberline-signed-in';

export async function loadSession(): Promise<void> {
  const start = (await api.GET('/api/start')).data;
  if (start?.units) takeUnits(start.units);
  tanks.all = start?.tanks ?? [];
  session.now = start?.session ?? null;
  if (session.now?.signedIn) {
    // the next time this device opens the page it asks for the answers at once
    localStorage.setItem(SIGNED_IN, '1');
    void sendAll();
  } else localStorage.removeItem(SIGNED_IN);
}

/**
 * What was answered to somebody else is not for whoever signs in now.
 *
 * @returns what stands against it, empty when somebody is signed in
 */
export async function signIn(path: string, fields: Record<string, string>): Promise<string> {
  const problem = await postForm(path, fields);
  if (problem) return problem;
  await forgetAnswers();
  await loadSession();
  return '';
}

export async function signOut(): Promise<void> {
  await postForm('/api/sign-out', {});
  await forgetAnswers();
  await loadSession();
}

whenSignedOut(() => void loadSession());
