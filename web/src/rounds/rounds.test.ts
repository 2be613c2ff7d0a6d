import { describe, expect, it } from 'vitest';
import type { RoundsLine } from '../api/client';
import { MANY, sortOut } from './rounds';

const line = (name: string, verdict: RoundsLine['verdict'], due: RoundsLine['due'] = []) =>
  ({
    tank: { name },
    verdict,
    due,
    warnings: [] as RoundsLine['warnings'],
    site: name === 'Pond' ? 'Yard' : 'Hall',
  }) as RoundsLine;
const late = [{ work: 'clean:sponge' }] as RoundsLine['due'];
const many = [
  line('Pond', 'CHANGE'),
  line('Shelf', 'SKIP', late),
  ...Array.from({ length: MANY }, (_, i) => line(`Row ${i + 1}`, 'SKIP')),
];
const names = (lines: RoundsLine[]) => lines.map((one) => one.tank.name);

describe('the rounds of many tanks', () => {
  it('show what wants a hand today, and keep the others in one line', () => {
    const { shown, waiting } = sortOut(many, '', false);
    expect(names(shown)).toEqual(['Pond', 'Shelf']);
    expect(waiting).toHaveLength(MANY);
    expect(sortOut(many, '', true)).toEqual({ shown: many, waiting: [] });
  });

  it('never fold a tank away that is warned of', () => {
    const warned = { ...line('Vat', 'SKIP'), warnings: [[{ text: 'Too much carbon.' }]] };
    expect(names(sortOut([...many, warned], '', false).shown)).toEqual(['Pond', 'Shelf', 'Vat']);
  });

  it('are searched by name and room', () => {
    expect(names(sortOut(many, ' row 3', false).shown)).toEqual(['Row 3']);
    expect(names(sortOut(many, 'yard', false).shown)).toEqual(['Pond']);
    expect(sortOut(many, 'nothing of that name', false).shown).toEqual([]);
  });

  it('of few tanks are shown whole', () => {
    expect(sortOut(many.slice(0, MANY), '', false).shown).toHaveLength(MANY);
  });
});
