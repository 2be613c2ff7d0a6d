import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { drop, mend, note, outbox, sendAll } from './outbox.svelte';

const TANK = '00000000-0000-0000-0000-000000000001';
let sent: { id: string; text: string }[] = [];
let answer: (body: { id: string; text: string }) => Response | 'away';

function json(status: number, body: unknown): Response {
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json' },
  });
}

const recorded = (body: { id: string; text: string }) =>
  json(200, { tank: TANK, id: body.id, understood: [body.text], repeated: false });
const line = (id: string, text: string) => ({
  id,
  tank: TANK,
  text,
  at: '2026-11-25T10:00:00Z',
});

describe('the outbox', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    outbox.items = [];
    sent = [];
    answer = recorded;
    vi.stubGlobal('fetch', async (request: Request) => {
      const body = JSON.parse(await request.clone().text()) as { id: string; text: string };
      const given = answer(body);
      if (given === 'away') throw new TypeError('Failed to fetch');
      sent.push(body);
      return given;
    });
  });
  afterEach(() => {
    vi.unstubAllGlobals();
    vi.useRealTimers();
  });

  it('sends a line at once and forgets it', async () => {
    expect(await note(line('a', 'no3 20'))).toMatchObject({ recorded: { understood: ['no3 20'] } });
    expect(sent).toHaveLength(1);
    expect(outbox.items).toHaveLength(0);
    expect(localStorage.getItem('umberline-outbox')).toBeNull();
  });

  it('keeps lines while nobody answers and sends each once, in order', async () => {
    answer = () => 'away';
    const first = note(line('a', 'no3 20'));
    const second = note(line('b', 'no3 21'));
    await vi.advanceTimersByTimeAsync(5000);
    expect(sent).toHaveLength(0);
    const stored = JSON.parse(localStorage.getItem('umberline-outbox') ?? '[]') as { id: string }[];
    expect(stored.map((one) => one.id)).toEqual(['a', 'b']);
    answer = recorded;
    await vi.advanceTimersByTimeAsync(5000);
    await Promise.all([first, second]);
    expect(sent.map((one) => one.id)).toEqual(['a', 'b']);
    expect(outbox.items).toHaveLength(0);
  });

  it('sends the same id again when the answer was lost, so that nothing is doubled', async () => {
    let lost = true;
    answer = (body) => {
      if (!lost) return recorded(body);
      lost = false;
      sent.push(body);
      return 'away';
    };
    const noted = note(line('a', 'no3 20'));
    await vi.advanceTimersByTimeAsync(5000);
    await noted;
    expect(sent.map((one) => one.id)).toEqual(['a', 'a']);
  });

  it('shows what the server would not take, and lets it be mended or dropped', async () => {
    answer = (body) =>
      body.text.includes('unicorn')
        ? json(400, { status: 400, detail: 'No unicorn here.' })
        : recorded(body);
    // as after a reload: nobody waits for the line any more
    outbox.items = [
      { ...line('a', 'dead unicorn'), refused: '' },
      { ...line('b', 'ph 7'), refused: '' },
    ];
    await sendAll();
    expect(outbox.items).toHaveLength(1);
    expect(outbox.items[0]?.refused).toBe('No unicorn here.');
    mend('a', 'dead tetra');
    await vi.advanceTimersByTimeAsync(10);
    expect(outbox.items).toHaveLength(0);
    expect(sent.at(-1)?.text).toBe('dead tetra');
    expect(sent.at(-1)?.id).not.toBe('a');
    outbox.items = [{ ...line('c', 'x'), refused: 'no' }];
    drop('c');
    expect(outbox.items).toHaveLength(0);
  });

  it('waits for the keeper to sign in again', async () => {
    answer = () => json(401, { status: 401 });
    outbox.items = [{ ...line('a', 'no3 20'), refused: '' }];
    await sendAll();
    expect(outbox.items).toHaveLength(1);
    expect(outbox.items[0]?.refused).toBe('');
  });
});
