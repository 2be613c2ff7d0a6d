import { fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { outbox } from '../../lib/outbox.svelte';
import Change from './Change.svelte';

const sheet: Schemas['RunSheet'] = {
  tank: 't1',
  today: '2026-11-25',
  fraction: 0.25,
  litres: 47.5,
  netVolumeL: 190,
  water: [{ water: 'tap', name: 'Kitchen tap', share: 1 }],
  bed: 'left',
  steps: [
    {
      key: 'water',
      phase: 'PREPARE',
      text: [{ text: 'Have ' }, { value: 47.5, unit: 'L' }, { text: ' of Kitchen tap ready.' }],
    },
    {
      key: 'off-0',
      phase: 'SWITCH_OFF',
      text: [{ text: 'Unplug the heater before hands go in.' }],
    },
    {
      key: 'watch',
      phase: 'AFTERWARDS',
      text: [{ text: 'Watch the animals for an hour.' }],
      minutes: 60,
    },
  ],
  after: [{ what: 'nitrate', before: 40, after: 32, unit: 'mg/L NO3' }],
  warnings: [[{ text: 'Nitrate would move by ' }, { value: 8, unit: 'mg/L NO3' }, { text: '.' }]],
  cautions: ['Never start a siphon by mouth.'],
  testOn: { analyte: 'nitrate', daysFrom: 1, words: [{ text: 'Test nitrate tomorrow.' }] },
  salted: false,
};

let asked: { method: string; path: string; body: Record<string, unknown> }[] = [];
let away = false;

describe('the run sheet', () => {
  beforeEach(() => {
    asked = [];
    away = false;
    localStorage.clear();
    outbox.items = [];
    vi.stubGlobal('fetch', async (request: Request | string) => {
      if (away) throw new TypeError('Failed to fetch');
      if (typeof request === 'string') return new Response('{}');
      const path = new URL(request.url).pathname;
      const body = JSON.parse((await request.clone().text()) || '{}') as Record<string, unknown>;
      asked.push({ method: request.method, path, body });
      const answer = path.endsWith('/run-sheet')
        ? sheet
        : path.endsWith('/care')
          ? { version: 4 }
          : { tank: 't1', id: body.id, understood: ['Change of 45 L'], repeated: false };
      return new Response(JSON.stringify(answer), {
        headers: { 'Content-Type': 'application/json' },
      });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const open = () => render(Change, { tank: 't1' });
  const steps = async () => (await screen.findAllByTestId('step')) as HTMLInputElement[];

  it('says what to do, what it comes to, and what to take care of', async () => {
    open();
    await steps();
    expect(screen.getByText(/Have 48 L of Kitchen tap ready/)).toBeInTheDocument();
    expect(screen.getByTestId('change-after')).toHaveTextContent('32 mg/L NO3');
    expect(screen.getByTestId('change-warning')).toHaveTextContent('move by 8 mg/L NO3');
    expect(screen.getByTestId('cautions')).toHaveTextContent('by mouth');
  });

  it('goes on where it was after a reload, also without a connection', async () => {
    const first = open();
    await fireEvent.click((await steps())[0] as HTMLElement);
    first.unmount();
    away = true;
    open();
    const [one, two] = await steps();
    expect(one?.checked).toBe(true);
    expect(two?.checked).toBe(false);
    expect(screen.getByTestId('change-title')).toHaveTextContent('Changing');
  });

  it('notes what was really done once, and asks for the test that teaches', async () => {
    open();
    await fireEvent.click((await steps())[0] as HTMLElement);
    await fireEvent.input(screen.getByTestId('done-litres'), { target: { value: '45' } });
    expect(screen.getByTestId('change-done')).toHaveTextContent('2 steps unticked');
    await fireEvent.click(screen.getByTestId('change-done'));
    await waitFor(() =>
      expect(asked.find((one) => one.method === 'PUT')?.body).toEqual({
        version: 4,
        nextOn: '2026-11-26',
      }),
    );
    const noted = asked.filter((one) => one.path.endsWith('/log'));
    expect(noted).toHaveLength(1);
    expect(noted[0]?.body.text).toBe('change 45 L "tap" 100% siphon half');
    expect(asked.find((one) => one.method === 'PUT')?.path).toContain('upkeep/test%3Anitrate');
    expect(localStorage.getItem('umberline-change-t1')).toBeNull();
  });

  it('does not take more than the tank holds', async () => {
    open();
    await steps();
    await fireEvent.input(screen.getByTestId('done-litres'), { target: { value: '500' } });
    expect(screen.getByTestId('change-done')).toBeDisabled();
  });
});
