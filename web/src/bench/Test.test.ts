import { fireEvent, render, screen, waitFor } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import { outbox } from '../lib/outbox.svelte';
import Test from './Test.svelte';

const tank: Schemas['BenchTank'] = {
  id: 't1',
  name: 'Stillwater',
  site: '',
  today: '2026-11-25',
  careVersion: 0,
  tests: [],
  calibrated: [],
};
const card: Schemas['BenchTest'] = {
  analyte: 'nitrate',
  kit: 'card',
  why: 'No test for 24 days: the band is wide.',
  unit: 'mg/L NO3',
  card: [0, 3, 8, 15, 30, 60, 100],
  photometer: false,
  low: 18,
  high: 26,
  steps: [{ text: 'Wait for the colour.', minutes: 5 }],
  shelf: '',
};

type Body = Record<string, unknown>;
let asked: { path: string; body: Body }[] = [];
let measured: Body[] = [];
let surprising = false;

function json(body: unknown): Response {
  return new Response(JSON.stringify(body), { headers: { 'Content-Type': 'application/json' } });
}

describe('a test at the bench', () => {
  beforeEach(() => {
    asked = [];
    surprising = false;
    localStorage.clear();
    outbox.items = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname;
      const text = await request.clone().text();
      const body = JSON.parse(text || '{}') as Body;
      asked.push({ path, body });
      if (path.endsWith('/result')) {
        const values = body.values as number[];
        const value = values[Math.floor(values.length / 2)] ?? 0;
        return json({
          value,
          unit: 'mg/L NO3',
          words: `Nitrate ${value} mg/L NO3`,
          line: `no3 ${value} "card"`,
          spread: 0,
          alsoIn: [{ value: 4.5, unit: 'mg/L NO3-N' }],
          surprising,
          low: 18,
          high: 26,
        });
      }
      if (path.includes('/measurements/'))
        return json(measured.shift() ?? { state: 'measuring', qualifier: '=', trouble: '' });
      return json({ tank: 't1', id: body.id, understood: ['Nitrate 20'], repeated: false });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  const bench = (test = card) => {
    const onnoted = vi.fn(async () => undefined);
    return { onnoted, ...render(Test, { tank, test, sound: false, onnoted }) };
  };
  const field = () => screen.getAllByTestId('reading')[0] as HTMLInputElement;

  it('does not say what is expected before something was read', async () => {
    bench();
    expect(screen.queryByText(/Expected/)).toBeNull();
    await fireEvent.change(field(), { target: { value: '20' } });
    await waitFor(() => expect(screen.getByText(/Expected was 18 to 26/)).toBeInTheDocument());
  });

  it('steps along the card with wet hands', async () => {
    bench();
    const more = screen.getByRole('button', { name: /more: reading 1/ });
    for (let i = 0; i < 3; i++) await fireEvent.click(more);
    await waitFor(() => expect(field()).toHaveValue('15'));
    await fireEvent.click(screen.getByRole('button', { name: /less: reading 1/ }));
    await waitFor(() => expect(field()).toHaveValue('8'));
  });

  it('takes marks, more readings, dilution and low range along', async () => {
    bench();
    await fireEvent.change(field(), { target: { value: '>80' } });
    await fireEvent.click(screen.getByText(/Another reading/));
    await fireEvent.change(screen.getAllByTestId('reading')[1] as HTMLElement, {
      target: { value: '80' },
    });
    await fireEvent.click(screen.getByText('Diluted, low range'));
    const [dilution] = screen.getAllByRole('spinbutton');
    await fireEvent.input(dilution as HTMLElement, { target: { value: '4' } });
    await fireEvent.change(dilution as HTMLElement, { target: { value: '4' } });
    await waitFor(() => {
      const last = asked.filter((one) => one.path.endsWith('/result')).at(-1)?.body;
      expect(last).toMatchObject({ values: [80, 80], qualifier: '>', dilution: 4, lowRange: 1 });
    });
  });

  it('flags what contradicts the forecast before it is noted', async () => {
    surprising = true;
    bench();
    await fireEvent.change(field(), { target: { value: '80' } });
    await waitFor(() => expect(screen.getByTestId('surprising')).toHaveTextContent('Read again'));
    expect(asked.some((one) => one.path.endsWith('/log'))).toBe(false);
  });

  it('keeps what was read over a reload and notes it once', async () => {
    const first = bench();
    await fireEvent.change(field(), { target: { value: '20' } });
    first.unmount();
    const { onnoted } = bench();
    expect(field()).toHaveValue('20');
    await waitFor(() => expect(screen.getByTestId('note-result')).toBeInTheDocument());
    await fireEvent.click(screen.getByTestId('note-result'));
    await waitFor(() => expect(onnoted).toHaveBeenCalledOnce());
    expect(asked.filter((one) => one.path.endsWith('/log'))).toHaveLength(1);
    expect(field()).toHaveValue('');
  });

  it('reads the photometer under one id, however often it has to be asked', async () => {
    measured = [
      { state: 'measuring', qualifier: '=', trouble: '' },
      { state: 'trouble', qualifier: '=', trouble: 'It does not answer.' },
      { state: 'done', value: 0.31, qualifier: '=', trouble: '' },
    ];
    bench({ ...card, card: [], photometer: true });
    await fireEvent.click(screen.getByTestId('photometer'));
    await waitFor(() => expect(field()).toHaveValue('0.31'), { timeout: 4000 });
    const ids = asked.filter((one) => one.path.includes('/measurements/')).map((one) => one.path);
    expect(ids).toHaveLength(3);
    expect(new Set(ids).size).toBe(1);
    expect(screen.getAllByTestId('reading')).toHaveLength(1);
  });
});
