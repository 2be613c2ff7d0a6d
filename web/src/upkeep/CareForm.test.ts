import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/client';
import CareForm from './CareForm.svelte';

const care = {
  version: 3,
  devices: ['heater'],
  filterDaysFromChange: 3,
  tasks: [],
  offered: [{ term: 'floss', words: 'Change the floss', everyDays: 7 }],
  ownTasks: [],
  shelf: [],
};
let sent: Record<string, unknown>[] = [];

describe('how a tank is cared for', () => {
  beforeEach(() => {
    sent = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      if (request.method === 'PUT') sent.push((await request.clone().json()) as never);
      return new Response(JSON.stringify(care), {
        headers: { 'Content-Type': 'application/json' },
      });
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('takes work in the keeper’s own words, and leaves out what has no name', async () => {
    render(CareForm, { tanks: [{ id: 't1', name: 'Pond' }] as Schemas['UpkeepTank'][] });
    const add = await screen.findByTestId('add-work');
    await fireEvent.click(add);
    await fireEvent.click(add);
    const [name] = screen.getAllByLabelText('what is done');
    await fireEvent.input(name!, { target: { value: 'a new lamp' } });
    await fireEvent.submit(screen.getByTestId('care'));
    await vi.waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({
      version: 3,
      ownTasks: [{ name: 'a new lamp', everyDays: 30 }],
    });
  });
});
