import { describe, expect, it } from 'vitest';
import type { RoundsLine } from '../api/client';
import { MANY, arrange, type View } from './rounds';
import { heading, reason, takes } from './words';

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

const shown = (all: RoundsLine[], view: View, looked = '') =>
  arrange(all, view, looked).groups.map((group) => ({
    room: group.room,
    names: names(group.lines),
  }));

describe('the rounds of many tanks', () => {
  it('show what wants a hand today, and keep the others in one line', () => {
    expect(shown(many, 'today')).toEqual([{ room: '', names: ['Pond', 'Shelf'] }]);
    expect(arrange(many, 'today', '').rest).toHaveLength(MANY);
    expect(arrange(many, 'all', '')).toEqual({ groups: [{ room: '', lines: many }], rest: [] });
  });

  it('go from room to room, what has no room last', () => {
    const homeless = { ...line('Barrel', 'CHANGE'), site: '' };
    expect(shown([homeless, ...many], 'rooms')).toEqual([
      { room: 'Hall', names: ['Shelf'] },
      { room: 'Yard', names: ['Pond'] },
      { room: 'No room named', names: ['Barrel'] },
    ]);
  });

  it('are put in the order of names as one counts', () => {
    const [first] = shown(many, 'names');
    expect(first?.names.slice(0, 3)).toEqual(['Pond', 'Row 1', 'Row 2']);
    expect(first?.names.at(-1)).toBe('Shelf');
  });

  it('never fold a tank away that is warned of', () => {
    const warned = { ...line('Vat', 'SKIP'), warnings: [[{ text: 'Too much carbon.' }]] };
    expect(shown([...many, warned], 'today')[0]?.names).toEqual(['Pond', 'Shelf', 'Vat']);
  });

  it('are searched by name and room, whatever the view', () => {
    expect(shown(many, 'today', ' row 3')[0]?.names).toEqual(['Row 3']);
    expect(shown(many, 'rooms', 'yard')[0]?.names).toEqual(['Pond']);
    expect(shown(many, 'all', 'nothing of that name')[0]?.names).toEqual([]);
  });
});

describe('a round in a few words', () => {
  const change = { ...line('Pond', 'CHANGE'), minutes: 40, litres: 60, fraction: 0.3 };
  const test = {
    ...line('Vat', 'TEST_FIRST', [{ work: 'test:nitrate' }] as RoundsLine['due']),
    testFirst: { analyte: 'nitrate' },
  } as RoundsLine;

  it('counts whoever wants a hand', () => {
    expect(heading(many)).toBe('2 of 14 tanks want a hand.');
    expect(heading([line('Pond', 'SKIP')])).toBe('The tank can wait.');
  });

  it('says what today takes, a test that is asked twice once', () => {
    expect(takes([change, test])).toBe('about 40 min and 60 L to change · one test due');
    expect(takes([line('Pond', 'SKIP')])).toBe('');
  });
});

describe('a line of the rounds', () => {
  it('says what a change is for where no routine holds', () => {
    const why = ['OVER_NOW', 'OVER_NOW', 'LARGEST_NOT_ENOUGH', 'CHANGE_HELPS'].map((kind, i) => ({
      kind,
      words: [{ text: `${i}.` }],
    })) as RoundsLine['why'];
    expect(reason({ ...line('Pond', 'STUCK'), why })).toBe('0. 3.');
    expect(reason({ ...line('Pond', 'STUCK'), why: why.slice(0, 3) })).toBe('0. 1.');
  });
});
