import { describe, expect, it } from 'vitest';
import type { Problem } from '../../api/client';
import { Editing } from './editing.svelte';

function refused(...fields: { field: string; found: string; allowed: string }[]): Editing {
  const editing = new Editing(() => {});
  editing.begin(
    JSON.stringify({
      livestock: Array.from({ length: 11 }, () => ({ name: 'fish', massG: 2, stage: 'adult' })),
      changeWater: [{ water: 'tap', share: 0.5 }],
    }),
    ['/livestock/0/stage'],
  );
  editing.problem = { fields } as Problem;
  return editing;
}

describe('a make-up while it is changed', () => {
  it('tells what stands against the eleventh entry there and nowhere else', () => {
    const editing = refused({ field: '/livestock/10', found: 'it', allowed: 'another' });
    expect(editing.problemsOf('livestock', 1)).toEqual([]);
    expect(editing.problemsOf('livestock', 10)).toHaveLength(1);
  });

  it('tells what no blank can be marked with', () => {
    const editing = refused(
      { field: '/changeWater', found: 'shares that add to 0.5', allowed: 'shares that add to 1' },
      { field: '/livestock/0/massG', found: '-1', allowed: 'at least 0' },
    );
    expect(editing.problemsAtLarge).toEqual([
      'Found shares that add to 0.5; allowed is shares that add to 1.',
    ]);
    expect(editing.problemAt(['livestock', 0, 'massG'])).toBe(
      'Weight of one must be at least 0 g.',
    );
  });

  it('knows what was changed, and takes the usual for said then', () => {
    const editing = refused();
    expect(editing.assumed(['livestock', 0, 'stage'])).toBe(true);
    editing.set(['livestock', 0, 'stage'], 'fry');
    expect(editing.was(['livestock', 0, 'stage'])).toEqual({ value: 'adult' });
    expect(editing.assumed(['livestock', 0, 'stage'])).toBe(false);
    expect(editing.isChanged).toBe(true);
  });
});
