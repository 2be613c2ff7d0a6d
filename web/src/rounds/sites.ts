import type { Schemas } from '../api/client';

export type Site = Schemas['SiteDetails'];

/** What is known of a room; nothing but its name where nobody said more. */
export const siteOf = (sites: Site[], room: string): Site =>
  sites.find((one) => one.site === room) ?? { site: room, client: '', address: '', contact: '' };

/** Rooms in the order of the round: its stops first, the others by name, what has no name last. */
export const byStop = (sites: Site[]) => (a: string, b: string) =>
  Number(a === '') - Number(b === '') ||
  (siteOf(sites, a).stop ?? Infinity) - (siteOf(sites, b).stop ?? Infinity) ||
  a.localeCompare(b);

/** Where a press on a contact leads: a call, a letter, or nowhere. */
export function reach(contact: string): string {
  const words = contact.trim();
  if (/^\S+@\S+\.\S+$/.test(words)) return `mailto:${words}`;
  return /^[+(]?[\d\s()/.-]{5,}$/.test(words) ? `tel:${words.replace(/[^+\d]/g, '')}` : '';
}
