import { api, type Schemas } from '../api/client';

/** A line that was noted and is not known to have arrived. Its id makes sending it twice harmless. */
export interface Kept {
  id: string;
  tank: string;
  text: string;
  at: string;
  /** Why the server would not have it; empty while it waits. */
  refused: string;
}

export type Sent = { recorded: Schemas['RecordedLine'] } | { refused: string };

const STORE = 'umberline-outbox';

function stored(): Kept[] {
  if (typeof localStorage === 'undefined') return [];
  return JSON.parse(localStorage.getItem(STORE) ?? '[]') as Kept[];
}

/** Lines on their way, oldest first, over reloads and lost connections. */
export const outbox = $state<{ items: Kept[] }>({ items: stored() });

// Another tab's lines are this one's too: whoever is there longest sends them.
if (typeof addEventListener !== 'undefined') {
  addEventListener('storage', (event) => {
    if (event.key === STORE) outbox.items = stored();
  });
}

const waiting = new Map<string, (sent: Sent) => void>();
const listeners = new Set<(item: Kept, sent: Sent) => void>();
let sending = false;

function save(): void {
  if (outbox.items.length === 0) localStorage.removeItem(STORE);
  else localStorage.setItem(STORE, JSON.stringify(outbox.items));
}

/** Tells of every line that arrived or was refused, whoever sent it. */
export function onSent(listener: (item: Kept, sent: Sent) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keeps a line and sends it as soon as there is somebody to send it to. */
export function note(line: Omit<Kept, 'refused'>): Promise<Sent> {
  outbox.items.push({ ...line, refused: '' });
  save();
  return new Promise((resolve) => {
    waiting.set(line.id, resolve);
    void sendAll();
  });
}

/** Sends what waits, one after the other, each until it is answered. */
export async function sendAll(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    for (;;) {
      const next = outbox.items.find((item) => !item.refused);
      if (!next) return;
      const { id, text, at } = next;
      const answer = await api.POST('/api/tanks/{id}/log', {
        params: { path: { id: next.tank } },
        body: { id, text, at },
      });
      // signed out meanwhile: it waits for the keeper to come back
      if (answer.response.status === 401) return;
      const sent: Sent = answer.data
        ? { recorded: answer.data }
        : { refused: answer.error?.detail ?? 'The server would not have it.' };
      settle(next, sent);
    }
  } finally {
    sending = false;
  }
}

function settle(item: Kept, sent: Sent): void {
  const asked = waiting.get(item.id);
  waiting.delete(item.id);
  if ('recorded' in sent || asked) drop(item.id);
  else item.refused = sent.refused;
  save();
  asked?.(sent);
  listeners.forEach((listener) => listener(item, sent));
}

/** Nobody is at the line any more: what becomes of it is told from the outbox. */
export function leave(id: string): void {
  waiting.delete(id);
}

export function drop(id: string): void {
  outbox.items = outbox.items.filter((item) => item.id !== id);
  save();
}

/** Sends a refused line again as it was mended, under a new id. */
export function mend(id: string, text: string): void {
  const item = outbox.items.find((one) => one.id === id);
  if (!item) return;
  item.id = crypto.randomUUID();
  item.text = text;
  item.refused = '';
  save();
  void sendAll();
}
