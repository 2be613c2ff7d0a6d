/** A number as people type it; nothing for what is none. */
export function numberOf(text: string): number | undefined {
  const number = Number(text.trim().replace(',', '.'));
  return text.trim() && Number.isFinite(number) ? number : undefined;
}
