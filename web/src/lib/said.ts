import type { Schemas } from '../api/client';
import { figure, volume } from './units.svelte';
import { longDay } from './words';

/** Litres are poured by the litre, on every page. */
const quantity = (value: number, unit: string) =>
  unit === 'L' ? volume(value) : figure(value, unit);

/** A text of the server with its quantities in the keeper's units and its days as one says them. */
export function said(parts: Schemas['Said'][], today: string): string {
  return parts
    .map(
      (part) =>
        part.text ??
        (part.day === undefined
          ? quantity(part.value ?? 0, part.unit ?? '')
          : longDay(part.day, today)),
    )
    .join('');
}
