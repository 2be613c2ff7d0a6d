import type { Schemas } from '../api/client';
import { figure } from './units.svelte';
import { longDay } from './words';

/** A text of the server with its quantities in the keeper's units and its days as one says them. */
export function said(parts: Schemas['Said'][], today: string): string {
  return parts
    .map(
      (part) =>
        part.text ??
        (part.day === undefined
          ? figure(part.value ?? 0, part.unit ?? '')
          : longDay(part.day, today)),
    )
    .join('');
}
