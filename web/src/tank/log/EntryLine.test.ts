import { fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { outbox } from '../../lib/outbox.svelte';
import { toast } from '../../lib/toast.svelte';
import EntryLine from './EntryLine.svelte';

interface Sent {
  method: string;
  path: string;
  body: Record<string, unknown>;
}

const TANK = '00000000-0000-0000-0000-000000000001';
let sent: Sent[] = [];
let answers: (request: Sent) => { status: number; body?: unknown };

function json(status: number, body: unknown): Response {
  return new Response(body === undefined ? null : JSON.stringify(body), {
    status,
    headers: { 'Content-Type': 'application/json' },
  });
}

describe('the entry line', () => {
  beforeEach(() => {
    sent = [];
    localStorage.clear();
    outbox.items = [];
    toast.now = null;
    answers = (request) =>
      request.path.endsWith('/readings')
        ? {
            status: 200,
            body: {
              tank: TANK,
              name: 'Stillwater',
              understood: ['Nitrate 20 mg/L NO3, now'],
              remarks: [],
              problems: [],
              completions: [],
            },
          }
        : {
            status: 200,
            body: {
              tank: TANK,
              id: request.body.id,
              understood: ['Nitrate 20'],
              repeated: false,
            },
          };
    vi.stubGlobal('fetch', async (request: Request) => {
      const text = await request.clone().text();
      const one = {
        method: request.method,
        path: new URL(request.url).pathname,
        body: JSON.parse(text || '{}') as Record<string, unknown>,
      };
      sent.push(one);
      const answer = answers(one);
      return json(answer.status, answer.body);
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  function line() {
    const onrecorded = vi.fn();
    render(EntryLine, { tank: TANK, onrecorded });
    return { field: screen.getByTestId('entry-line') as HTMLInputElement, onrecorded };
  }

  it('asks before it notes a line whose question nobody has seen yet', async () => {
    const noting = answers;
    answers = (request) => {
      const answer = noting(request);
      return request.path.endsWith('/readings')
        ? { ...answer, body: { ...(answer.body as object), remarks: ['Was this one mg/L?'] } }
        : answer;
    };
    const { field, onrecorded } = line();
    await fireEvent.input(field, { target: { value: 'po4 0.4' } });
    await fireEvent.submit(field.form as HTMLFormElement);
    await waitFor(() => expect(screen.getByTestId('read-back')).toHaveTextContent('Not noted yet'));
    expect(onrecorded).not.toHaveBeenCalled();
    expect(field).toHaveValue('po4 0.4');
    await fireEvent.submit(field.form as HTMLFormElement);
    await waitFor(() => expect(onrecorded).toHaveBeenCalledOnce());
  });

  it('says what it understood before Enter, and notes it once', async () => {
    const { field, onrecorded } = line();
    await fireEvent.input(field, { target: { value: 'no3 20' } });
    await waitFor(() =>
      expect(screen.getByTestId('read-back')).toHaveTextContent('Nitrate 20 mg/L NO3, now'),
    );
    await fireEvent.submit(field.form as HTMLFormElement);
    await waitFor(() => expect(onrecorded).toHaveBeenCalledOnce());
    const noted = sent.filter((one) => one.path.endsWith('/log'));
    expect(noted).toHaveLength(1);
    expect(noted[0]?.body.text).toBe('no3 20');
    expect(field.value).toBe('');
    expect(toast.now?.text).toBe('Noted: Nitrate 20.');
    expect(localStorage).toHaveLength(0);
  });

  it('keeps a refused line in place with the reason', async () => {
    answers = () => ({ status: 400, body: { status: 400, detail: 'Nothing was saved.' } });
    const { field, onrecorded } = line();
    await fireEvent.input(field, { target: { value: 'no3 5000' } });
    await fireEvent.submit(field.form as HTMLFormElement);
    await waitFor(() =>
      expect(screen.getByTestId('read-back')).toHaveTextContent('Nothing was saved.'),
    );
    expect(field.value).toBe('no3 5000');
    expect(onrecorded).not.toHaveBeenCalled();
  });

  it('sends a line that was on its way when the page went, under the same id', async () => {
    const pending = { id: 'an-id', text: 'no3 20', at: '2026-11-25T10:00:00Z' };
    outbox.items = [{ ...pending, tank: TANK, refused: '' }];
    const { onrecorded } = line();
    await waitFor(() => expect(onrecorded).toHaveBeenCalledOnce());
    expect(sent.map((one) => one.body)).toEqual([pending]);
  });

  it('undoes by withdrawing the line', async () => {
    const { field, onrecorded } = line();
    await fireEvent.input(field, { target: { value: 'no3 20' } });
    await fireEvent.submit(field.form as HTMLFormElement);
    await waitFor(() => expect(toast.now?.action?.label).toBe('Undo'));
    answers = () => ({ status: 204 });
    toast.now?.action?.run();
    await waitFor(() => expect(onrecorded).toHaveBeenCalledTimes(2));
    const last = sent.at(-1);
    expect(last?.method).toBe('PUT');
    expect(last?.path).toMatch(/\/withdrawn$/);
    expect(last?.body).toEqual({ withdrawn: true });
  });

  it('is reached by / from anywhere', async () => {
    const { field } = line();
    await fireEvent.keyDown(document.body, { key: '/' });
    expect(field).toHaveFocus();
  });

  it('begins the commonest lines with a press', async () => {
    const { field } = line();
    expect(screen.queryByText('cleaned')).toBeNull();
    await fireEvent.focus(field);
    await fireEvent.click(screen.getByText('cleaned'));
    expect(field.value).toBe('cleaned ');
    expect(document.activeElement).toBe(field);
  });
});
