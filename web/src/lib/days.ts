import { addDays } from './words';

/** Days as people write them. */

const locale = typeof navigator === 'undefined' ? 'en-GB' : navigator.language;
let shown: Intl.DateTimeFormat | undefined;

/** Whether the reader writes 10/3 for the 3rd of October. */
export function isMonthFirst(): boolean {
  const parts = new Intl.DateTimeFormat(locale).formatToParts(new Date(0)).map((part) => part.type);
  return parts.indexOf('month') < parts.indexOf('day');
}

/** An ISO day in the reader's own format, which is made when it is first needed. */
export function shownDay(day: string): string {
  shown ??= new Intl.DateTimeFormat(locale, {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });
  return shown.format(new Date(`${day}T00:00:00Z`));
}

let monthNames: string[][] | undefined;

/**
 * Beginnings of the months' names, in English and as the reader's own language has them; made when
 * a day is first typed, as formats take long to make.
 */
function months(): string[][] {
  if (monthNames) return monthNames;
  const formats = ['en-GB', locale].map(
    (language) => new Intl.DateTimeFormat(language, { month: 'long', timeZone: 'UTC' }),
  );
  monthNames = Array.from({ length: 12 }, (_, month) =>
    formats.map((format) =>
      format
        .format(new Date(Date.UTC(2001, month, 1)))
        .toLocaleLowerCase()
        .slice(0, 3),
    ),
  );
  return monthNames;
}

function iso(year: number, month: number, day: number): string | null {
  const date = new Date(Date.UTC(year, month - 1, day));
  const real = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return real && year > 1900 && year < 2200 ? date.toISOString().slice(0, 10) : null;
}

/**
 * A typed day: today, yesterday, 2026-10-03, 3 Oct, Oct 3 2026, 3.10.26 or 3/10, the last in the
 * reader's order. Without a year it is the last such day, or the next where days to come are meant.
 *
 * @returns the ISO day, or null where none can be read
 */
export function readDay(
  typed: string,
  today: string,
  {
    monthLeads = isMonthFirst(),
    toCome = false,
  }: {
    monthLeads?: boolean;
    /** Whether a day without a year is the next such day. */
    toCome?: boolean;
  } = {},
): string | null {
  const text = typed.trim().toLocaleLowerCase();
  if (text === 'today') return today;
  if (text === 'yesterday') return addDays(today, -1);
  if (text === 'tomorrow') return addDays(today, 1);
  const whole = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
  if (whole) return iso(Number(whole[1]), Number(whole[2]), Number(whole[3]));
  const numbers = text.match(/\d+/g)?.map(Number) ?? [];
  const word = /\p{L}{3,}/u.exec(text)?.[0];
  let day: number | undefined;
  let month: number | undefined;
  let year: number | undefined;
  if (word) {
    month = months().findIndex((names) => names.some((name) => word.startsWith(name))) + 1;
    [day, year] = numbers;
  } else {
    const dots = /^\d+\.\d+/.test(text);
    [day, month, year] = numbers;
    if (monthLeads && !dots) [day, month] = [month, day];
  }
  if (!day || !month) return null;
  if (year === undefined) {
    const thisYear = Number(today.slice(0, 4));
    const found = iso(thisYear, month, day);
    if (found === null) return null;
    if (toCome) return found < today ? iso(thisYear + 1, month, day) : found;
    return found > today ? iso(thisYear - 1, month, day) : found;
  }
  return iso(year < 100 ? 2000 + year : year, month, day);
}
