import { figure } from './units.svelte';
import { sayDays } from './words';

/** A text of the server with its quantities in the keeper's units and its days as one says them. */
export function said(text: string, today: string): string {
  return sayDays(
    text.replace(/\{(-?[\d.]+) ([^}]+)\}/g, (_, value: string, unit: string) =>
      figure(Number(value), unit),
    ),
    today,
  );
}
