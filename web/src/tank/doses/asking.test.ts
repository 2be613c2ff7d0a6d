import { describe, expect, it } from 'vitest';
import { amount, lineOf, typed } from './asking';

describe('what is asked of doses', () => {
  it('begins with levels as a kit would read them', () => {
    expect(typed(33.74)).toBe('34');
    expect(typed(0.0172)).toBe('0.017');
    expect(typed(undefined)).toBe('');
  });

  it('notes a step with the amount that was shown', () => {
    const dose = { line: 'dosed mix # ml' } as Parameters<typeof lineOf>[0];
    const step = { on: '2026-11-27', until: '2026-11-27', amount: 19.57 };
    expect(lineOf(dose, step)).toBe('dosed mix 20 ml');
    expect(amount(1234.5)).toBe('1235');
  });
});
