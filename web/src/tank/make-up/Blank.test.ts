import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import Blank from './Blank.svelte';
import { blank } from './words';
import type { Path, Value } from './file';

const file = { kits: [{ id: 'card', method: 'colour-card' }] };

function write(path: Path, value: Value, typed: string, extra = {}) {
  const onchange = vi.fn();
  render(Blank, {
    blank: blank(file, path),
    name: String(path.at(-1)),
    value,
    today: '2026-11-27',
    onchange,
    ...extra,
  });
  void fireEvent.change(screen.getByRole('textbox'), { target: { value: typed } });
  return onchange;
}

describe('a blank in a sentence', () => {
  it('shows a share in percent and takes it back as a share', () => {
    const onchange = write(['feeding', 0, 'uneatenFraction'], 0.05, '7,5 %');
    expect(onchange).toHaveBeenCalledWith(0.075);
  });

  it('reads a day as people write it', () => {
    const onchange = write(['feeding', 0, 'from'], '2026-01-10', '3 Oct');
    expect(onchange).toHaveBeenCalledWith('2026-10-03');
  });

  it('reads the steps of a card', () => {
    const onchange = write(['kits', 0, 'steps'], undefined, '0, 3, 8 15');
    expect(onchange).toHaveBeenCalledWith([0, 3, 8, 15]);
  });

  it('hands on what is no number, to be complained of, and nothing where it is emptied', () => {
    expect(write(['livestock', 0, 'massG'], 2, 'heavy')).toHaveBeenCalledWith('heavy');
    document.body.innerHTML = '';
    expect(write(['livestock', 0, 'massG'], 2, ' ')).toHaveBeenCalledWith(undefined);
  });

  it('marks what can’t be, with the reason at its place', () => {
    write(['livestock', 0, 'massG'], -3, '-3', { problem: 'Weight of one can’t be -3.' });
    const field = screen.getByRole('textbox');
    expect(field).toBeInvalid();
    expect(field).toHaveAccessibleDescription('Weight of one can’t be -3.');
  });

  it('says what is kept where it was changed', () => {
    write(['livestock', 0, 'massG'], 3, '3', { was: { value: 2 } });
    expect(screen.getByText('2').tagName).toBe('S');
  });
});
