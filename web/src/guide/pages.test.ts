import { describe, expect, it } from 'vitest';
import { PAGES, pageOf } from './pages';

describe('the guide', () => {
  it('has every page of docs/guide, each with a title and a text', () => {
    const files = Object.keys(import.meta.glob('../../../docs/guide/*.md')).map((path) =>
      path.replace(/.*\/|\.md$/g, ''),
    );
    expect(PAGES.map((page) => page.key).sort()).toEqual(files.sort());
    for (const page of PAGES) {
      expect(page.title).toMatch(/^[A-Z].{4,60}$/);
      expect(page.html.length).toBeGreaterThan(600);
    }
  });

  it('is short: a page is read in two minutes', () => {
    for (const page of PAGES) expect(page.html.split(/\s+/).length, page.key).toBeLessThan(330);
  });

  it('opens at the place one is in', () => {
    expect(pageOf('change')).toBe('water-change');
    expect(pageOf('new')).toBe('first-tank');
    expect(pageOf('rounds')).toBe('many-tanks');
  });
});
