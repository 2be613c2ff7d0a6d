import { marked } from 'marked';
import type { PlaceName } from '../lib/place.svelte';

/** The handbook's pages; they stand in docs/guide, where they can be read without the page too. */
const TEXTS = import.meta.glob<string>('../../../docs/guide/*.md', {
  query: '?raw',
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
  const [heading = '', ...rest] = text.split('\n');
  return {
    key,
    title: heading.replace(/^# /, ''),
    html: marked.parse(rest.join('\n'), { async: false }),
  };
});

/** The page that speaks of a place. */
export const pageOf = (place: PlaceName): string =>
  ORDER.find(([, places]) => places.includes(place))?.[0] ?? 'many-tanks';
