import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { shownDay } from '../lib/days';
import DayField from './DayField.svelte';

const type = async (text: string) => {
  const field = screen.getByRole('textbox');
  await fireEvent.input(field, { target: { value: text } });
  await fireEvent.change(field);
  return field as HTMLInputElement;
};

describe('a field for a day', () => {
  it('reads days as people write them and shows them as the reader does', async () => {
    render(DayField, { value: '2026-11-30', today: '2026-11-27', toCome: true });
    expect(screen.getByRole<HTMLInputElement>('textbox').value).toBe(shownDay('2026-11-30'));
    expect((await type('3 jan')).value).toBe(shownDay('2027-01-03'));
  });

  it('keeps what it can’t read and says how to write it', async () => {
    render(DayField, { value: '2026-11-30', today: '2026-11-27' });
    expect((await type('soon')).value).toBe('soon');
    expect(screen.getByRole('alert')).toHaveTextContent('Write it like 3 Oct');
    await type('');
    expect(screen.queryByRole('alert')).toBeNull();
  });
});
