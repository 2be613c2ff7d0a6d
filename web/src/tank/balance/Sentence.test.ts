import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import type { Balance, Outlook } from '../../api/client';
import { balance, outlook } from './balance.test-data';
import Sentence from './Sentence.svelte';

function sentence(
  parts: Partial<Balance> = {},
  shown: Outlook = parts.shown ?? outlook(),
  trying = false,
) {
  const calls = { ontry: vi.fn(), onhold: vi.fn(), onadopt: vi.fn(), onescape: vi.fn() };
  render(Sentence, {
    balance: balance(parts),
    outlook: shown,
    trying,
    lineMoved: false,
    stale: false,
    held: '',
    ...calls,
  });
  const text = screen.getByTestId('sentence').textContent.replace(/\s+/g, ' ');
  return { text, ...calls };
}

describe('the sentence', () => {
  it('says how much, how often, when, how sure, and what comes of doing nothing', () => {
    const { text } = sentence();
    expect(screen.getByRole('spinbutton', { name: /share/ })).toHaveValue('24 %');
    expect(screen.getByRole('spinbutton', { name: /days/ })).toHaveValue('7 days');
    expect(text).toContain('(46 L) every');
    expect(screen.getByRole('spinbutton', { name: /next change/ })).toHaveValue('Saturday');
    expect(text).toContain('next on');
    expect(text).toContain(
      'Nitrate stays under 40 and phosphate under 2, on any day 9 times in 10',
    );
    expect(text).toContain('9 times in 10');
    expect(text).toContain('Left alone, nitrate passes your limit about 9 December');
    expect(text).toContain('Your present routine keeps it under only in 5 of 10 cases');
  });

  it('offers to adopt only what is not the routine yet', () => {
    sentence();
    expect(screen.getByTestId('adopt')).toBeInTheDocument();
  });

  it('says when the routine is followed already', () => {
    const own = { fraction: 0.24, litres: 45.6, everyDays: 7, nextOn: '2026-11-28' };
    const { text } = sentence({ standing: own });
    expect(text).toContain('This is your routine.');
    expect(screen.queryByTestId('adopt')).toBeNull();
  });

  it('says since when a change has been due', () => {
    const own = { fraction: 0.24, litres: 45.6, everyDays: 7, nextOn: '2026-11-20' };
    expect(sentence({ standing: own }).text).toContain('due since 20 November');
  });

  it('puts a recovery before the routine', () => {
    const { text } = sentence(
      { today: { ...balance().today, verdict: 'CHANGE', fraction: 0.33 } },
      outlook({
        recovery: [
          {
            on: '2026-11-25',
            fraction: 0.33,
            litres: 62.7,
            nitrateAfterMgL: 50,
            phosphateAfterMgL: 0.9,
          },
          {
            on: '2026-11-28',
            fraction: 0.33,
            litres: 62.7,
            nitrateAfterMgL: 36,
            phosphateAfterMgL: 0.7,
          },
        ],
      }),
    );
    expect(text).toContain('Now: change 33 % on 2 days. Then');
    const row = screen.getByTestId('recovery').textContent.replace(/\s+/g, ' ');
    expect(row).toContain('today 33 % (63 L) → nitrate 50');
    expect(row).toContain('Saturday 33 % (63 L) → nitrate 36');
  });

  it('names the day of a change that has to wait for its day, and of what it is kept from', () => {
    const { text } = sentence(
      { leftAloneNitrate: {}, leftAlonePhosphate: { likely: '2026-11-25', early: '2026-11-25' } },
      outlook({
        keptFrom: '2026-12-04',
        recovery: [
          {
            on: '2026-11-27',
            fraction: 0.4,
            litres: 76,
            nitrateAfterMgL: 30,
            phosphateAfterMgL: 0.62,
          },
        ],
      }),
    );
    expect(text).toContain('Friday: change 40 % once. Then');
    expect(text).toContain('From 4 December on nitrate stays under');
    expect(screen.getByTestId('recovery').textContent).toMatch(/phosphate\s+0.62/);
  });

  it('is honest about a routine that does not hold, and says what binds', () => {
    const { text } = sentence(
      {},
      outlook({ holds: false, probabilityWithinLines: 0.34, bindingLimit: 'MAX_CHANGE_FRACTION' }),
      true,
    );
    expect(text).toContain('That keeps it under your limits only 3 times in 10');
    expect(text).toContain('the largest single change allowed is too small');
  });

  it('says from when on it is less sure', () => {
    const { text } = sentence({}, outlook({ later: { from: '2026-12-11', probability: 0.76 } }));
    expect(text).toContain('on any day 9 times in 10 until 11 December; after that 8 times in 10');
  });

  it('puts work that is due today before the changes', () => {
    const { text } = sentence({
      work: [
        {
          on: '2026-11-25',
          kind: 'RENEW',
          of: 'ads',
          words: [{ text: 'Renew the adsorber' }],
          added: true,
        },
      ],
    });
    expect(text).toContain('Now: renew the adsorber. Then change');
  });

  it('says that nothing is needed, and until when', () => {
    const { text } = sentence({}, outlook({ routine: undefined, changeDays: [] }));
    expect(text).toContain('No change is needed until 23 February 2027');
    expect(text).toContain('without any, on any day 9 times in 10');
  });

  it('says that no change can help, and why', () => {
    const { text } = sentence(
      {
        today: {
          verdict: 'STUCK',
          fraction: 0.5,
          reasons: [
            {
              kind: 'SOURCE_TOO_RICH',
              words: [
                { text: 'The change water holds about ' },
                { value: 45, unit: 'mg/L NO3' },
                { text: ' of nitrate, at or over your limit.' },
              ],
            },
          ],
          remarks: [],
          warnings: [],
        },
      },
      outlook({ routine: undefined, changeDays: [], bindingLimit: 'SOURCE', holds: false }),
    );
    expect(text).toContain('No water change can keep it under your limits.');
    expect(text).not.toContain('may not keep it there');
    expect(text).toContain('Changing 50 % now still helps.');
    expect(text).toContain('The change water holds about 45 mg/L NO3 of nitrate');
  });

  it('says that it is under its limits still where changes may not keep it there', () => {
    const { text } = sentence(
      {
        today: {
          verdict: 'STUCK',
          reasons: [
            { kind: 'MAY_GO_OVER', words: [{ text: 'Phosphate is near its limit.' }] },
            { kind: 'LARGEST_NOT_ENOUGH', words: [{ text: 'Even the largest is too small.' }] },
          ],
          remarks: [],
          warnings: [],
        },
      },
      outlook({ routine: undefined, changeDays: [], holds: false }),
    );
    expect(text).toContain('It is under your limits, but water changes alone may not keep it');
    expect(text).toContain('Phosphate is near its limit. Even the largest is too small.');
  });

  it('tells of the nutrient that is over, though the other may only go over', () => {
    const { text } = sentence(
      {
        today: {
          verdict: 'STUCK',
          fraction: 0.25,
          reasons: [
            { kind: 'OVER_NOW', words: [{ text: 'Phosphate is over its limit now.' }] },
            { kind: 'MAY_GO_OVER', words: [{ text: 'Nitrate is near its limit.' }] },
            { kind: 'CHANGE_HELPS', words: [{ text: 'A change now still helps.' }] },
          ],
          remarks: [],
          warnings: [],
        },
      },
      outlook({ routine: undefined, changeDays: [], holds: false }),
    );
    expect(text).toContain('No water change can keep it under your limits.');
    expect(text).not.toContain('It is under your limits');
    expect(text).not.toContain('Left alone');
  });

  it('says until when all is well where changes alone won’t do later', () => {
    const { text } = sentence(
      {
        today: {
          verdict: 'SKIP',
          noneNeededUntil: '2026-12-20',
          reasons: [
            {
              kind: 'LARGEST_NOT_ENOUGH',
              words: [{ text: 'Even your largest change is not enough.' }],
            },
          ],
          remarks: [],
          warnings: [],
        },
      },
      outlook({ routine: undefined, changeDays: [], holds: false, probabilityWithinLines: 0.3 }),
    );
    expect(text).toContain('No change is needed until 20 December.');
    expect(text).toContain('Even your largest change is not enough.');
    expect(text).not.toContain('without any, on any day');
  });

  it('says what would unbind it', () => {
    const { text } = sentence(
      {
        today: { ...balance().today, verdict: 'STUCK' },
        otherWays: {
          ...balance().otherWays,
          blends: [{ water: 'Filtered water', share: 0.5, fraction: 0.2, everyDays: 7 }],
          helps: [
            {
              lever: 'FEED',
              words: [{ text: 'Feed a fifth less' }],
              fraction: 0.15,
              everyDays: 7,
              minutesPer28Days: 60,
              tries: [],
            },
          ],
        },
      },
      outlook({ routine: undefined, changeDays: [], bindingLimit: 'SOURCE', holds: false }),
    );
    expect(text).toContain('with 50 % Filtered water in the change water, 20 % every 7 days');
    expect(text).toContain('feed a fifth less (15 % every 7 days is enough then)');
  });

  it('asks for a test first, says what it would settle, and what to do without it', () => {
    const { text } = sentence({
      testFirst: { analyte: 'ammonia', chance: 0.2, settles: 0.3 },
      today: {
        verdict: 'TEST_FIRST',
        reasons: [
          {
            kind: 'TEST_COULD_SETTLE',
            words: [{ text: 'A test today changes this advice with a chance of 3 in 10.' }],
          },
        ],
        remarks: [],
        warnings: [],
      },
    });
    expect(text).toContain('Test ammonia first.');
    expect(text).toContain('A test today changes this advice with a chance of 3 in 10');
    expect(screen.getByTestId('without-test').textContent).toContain('Without it: change');
  });

  it('asks for a test where the lines hold without any change', () => {
    const { text } = sentence(
      {
        today: { ...balance().today, verdict: 'TEST_FIRST' },
        testFirst: { analyte: 'ammonia', chance: 0.2, settles: 0.3 },
      },
      outlook({ routine: undefined, changeDays: [] }),
    );
    expect(text).toContain('without any change, 9 times in 10; what is open is ammonia');
    expect(text).not.toContain('So little is known');
  });

  it('puts an acute tank before all else', () => {
    const { text } = sentence({
      today: {
        verdict: 'ACT_NOW',
        fraction: 0.5,
        reasons: [
          {
            kind: 'AMMONIA_HIGH',
            words: [{ text: 'Free ammonia is about 0.14 mg/L: change water now.' }],
          },
        ],
        remarks: [],
        warnings: [],
      },
    });
    expect(text).toContain('Act now: change 50 %. Then');
    expect(text).toContain('Free ammonia is about 0.14 mg/L: change water now.');
  });

  it('warns of what is entered before it says what to do', () => {
    const { text } = sentence({
      today: {
        ...balance().today,
        warnings: [[{ text: 'More carbon is dosed than this tank can stand.' }]],
      },
    });
    expect(text).toMatch(/^More carbon is dosed than this tank can stand\./);
    expect(screen.getByRole('alert')).toHaveTextContent('More carbon');
  });

  it('moves the next day by name, date or number', () => {
    const { ontry } = sentence();
    const next = screen.getByRole('spinbutton', { name: /next change/ });
    for (const [typed, days] of [
      ['friday', 2],
      ['wed', 7],
      ['tomorrow', 1],
      ['in 5 days', 5],
      ['2026-12-01', 6],
    ] as const) {
      fireEvent.input(next, { target: { value: typed } });
      fireEvent.keyDown(next, { key: 'Enter' });
      expect(ontry).toHaveBeenLastCalledWith('nextOn', days);
    }
  });

  it('invites to draw a line where there is none', () => {
    const { text } = sentence(
      { lines: { nitrate: {}, phosphate: {} } },
      outlook({ routine: undefined, changeDays: [] }),
    );
    expect(text).toContain('No limit is set yet.');
  });
});
