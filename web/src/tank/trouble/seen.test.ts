import { describe, expect, it } from 'vitest';
import { chanceWords, lineOf, order } from './seen';

describe('a sign', () => {
  it('is noted with how much there is of it and what was seen', () => {
    expect(lineOf('slimy-mat', 2, ['on-sand', 'few-bubbles'])).toBe(
      'saw slimy-mat 2 on-sand few-bubbles',
    );
    expect(lineOf('slimy-mat', 0, [])).toBe('saw slimy-mat 0');
  });

  it('tells its chances fairly', () => {
    expect(chanceWords(0.97)).toBe('almost surely');
    expect(chanceWords(0.94)).toBe('about 9 in 10');
    expect(chanceWords(0.06)).toBe('about 1 in 10');
    expect(chanceWords(0.01)).toBe('hardly');
  });

  it('stands apart from those that are not there', () => {
    const signs = ['a', 'b'].map((sign) => ({ sign, words: sign, looks: [] }));
    const trouble = {
      signs,
      pair: { sentence: [], steps: [], perPhosphate: 1, redfield: 1 },
      standing: [{ sign: 'b', since: '', severity: 1, looks: [], lookAgain: '' }],
    };
    expect(order(trouble, true).map((one) => one.sign)).toEqual(['b']);
    expect(order(trouble, false).map((one) => one.sign)).toEqual(['a']);
  });
});
