import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import Handle from './Handle.svelte';

function handle(value = 7) {
  const calls = { onchange: vi.fn(), onhold: vi.fn(), onadopt: vi.fn(), onescape: vi.fn() };
  render(Handle, {
    value,
    text: `${value} days`,
    label: 'days between changes',
    steps: [3.5, 7, 14, 28],
    parse: (typed: string) => {
      const number = Number(typed.replace('days', ''));
      return typed.trim() && Number.isFinite(number) ? number : null;
    },
    held: false,
    ...calls,
  });
  return { field: screen.getByRole('spinbutton'), ...calls };
}

describe('a handle of the sentence', () => {
  it('steps through its values with the arrow keys and stops at the ends', async () => {
    const { field, onchange } = handle(14);
    await fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(onchange).toHaveBeenLastCalledWith(28);
    await fireEvent.keyDown(field, { key: 'ArrowDown' });
    expect(onchange).toHaveBeenLastCalledWith(7);
    onchange.mockClear();
    await fireEvent.keyDown(field, { key: 'PageUp' });
    expect(onchange).toHaveBeenLastCalledWith(28);
  });

  it('goes to the neighbour from a value between two steps', async () => {
    const { field, onchange } = handle(10);
    await fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(onchange).toHaveBeenLastCalledWith(14);
    await fireEvent.keyDown(field, { key: 'ArrowDown' });
    expect(onchange).toHaveBeenLastCalledWith(7);
  });

  it('takes what is typed on Enter, and ignores what is no number', async () => {
    const { field, onchange, onadopt } = handle();
    await fireEvent.input(field, { target: { value: '10' } });
    await fireEvent.keyDown(field, { key: 'Enter' });
    expect(onchange).toHaveBeenCalledExactlyOnceWith(10);
    await fireEvent.input(field, { target: { value: 'often' } });
    await fireEvent.keyDown(field, { key: 'Enter' });
    expect(onchange).toHaveBeenCalledTimes(1);
    expect(onadopt).not.toHaveBeenCalled();
  });

  it('adopts on Enter and puts back on Escape', async () => {
    const { field, onadopt, onescape } = handle();
    await fireEvent.keyDown(field, { key: 'Enter' });
    expect(onadopt).toHaveBeenCalledOnce();
    await fireEvent.keyDown(field, { key: 'Escape' });
    expect(onescape).toHaveBeenCalledOnce();
  });

  it('says its value in words', () => {
    const { field } = handle();
    expect(field).toHaveAttribute('aria-valuetext', '7 days');
    expect(field).toHaveAttribute('aria-valuenow', '7');
  });
});
