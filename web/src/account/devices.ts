/** What a browser runs on, as far as it says so itself. */
export function deviceName(said: string): string {
  if (/tablet/i.test(said)) return 'A tablet';
  if (/mobi|phone/i.test(said)) return 'A phone';
  return said ? 'A computer' : 'An unknown device';
}
