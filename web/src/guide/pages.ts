import type { PlaceName } from '../lib/place.svelte';

/**
 * The handbook's pages; they stand in docs/guide, where they can be read without the page too, and
 * are made HTML when the page is built.
 */
const TEXTS = import.meta.glob<string>('../../../docs/guide/*.md', {
  import: 'default',
  eager: true,
});

/** In the order in which a keeper needs them, each with the places it speaks of. */
const ORDER: [string, PlaceName[]][] = [
  ['first-tank', ['new', 'make-up']],
  ['balance', ['balance']],
  ['tests', ['bench', 'log']],
  ['water-change', ['change']],
  ['doses', ['doses']],
  ['advice', []],
  ['plants-and-media', []],
  ['away', []],
  ['many-tanks', ['rounds', 'upkeep', 'account']],
  ['visits', ['visit']],
  ['when-wrong', ['trouble']],
  ['trials', ['trials']],
  ['practice', ['practice']],
];

export interface GuidePage {
  key: string;
  title: string;
  html: string;
}

export const PAGES: GuidePage[] = ORDER.map(([key]) => {
  const text = TEXTS[`../../../docs/guide/${key}.md`] ?? '';
  const [, title = '', html = ''] = /^<h1>(.*?)<\/h1>(.*)$/s.exec(text) ?? [];
  return { key, title, html };
});

/** The page that speaks of a place. */
export const pageOf = (place: PlaceName): string =>
  ORDER.find(([, places]) => places.includes(place))?.[0] ?? 'many-tanks';
