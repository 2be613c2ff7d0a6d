/** How numbers and days are put into words. No arithmetic of the job is done here. */

// the page speaks English: a browser's own names of days take it a tenth of a second to load
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
const WEEKDAYS = [
  'Sunday',
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
] as const;
const DAY_MS = 86_400_000;

/** A plain day as an instant of the chart's axis, which runs on the tank's own clock. */
export function dayStart(day: string): Date {
  return new Date(`${day}T00:00:00Z`);
}

/** The end of a plain day on the chart's axis. */
export function dayEnd(day: string): Date {
  return new Date(dayStart(day).getTime() + DAY_MS);
}

/** The middle of a plain day on the chart's axis. */
export function dayMiddle(day: string): Date {
  return new Date(dayStart(day).getTime() + DAY_MS / 2);
}

/** An instant with offset, by the clock it was said with, on the chart's axis. */
export function clock(instant: string): Date {
  const local = instant.slice(0, 19).replace('Z', '');
  return new Date(`${local.length === 16 ? local + ':00' : local}Z`);
}

/** The day of an instant by the reader's own clock, ISO: for what belongs to no tank. */
export function ownDay(instant: string): string {
  const local = new Date(instant);
  return new Date(local.getTime() - local.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

export function daysBetween(from: string, to: string): number {
  return Math.round((dayStart(to).getTime() - dayStart(from).getTime()) / DAY_MS);
}

export function addDays(day: string, count: number): string {
  return new Date(dayStart(day).getTime() + count * DAY_MS).toISOString().slice(0, 10);
}

/** “9 December”, with the year when it is another than today's. */
export function longDay(day: string, today: string): string {
  const date = dayStart(day);
  const words = `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()] ?? ''}`;
  return day.slice(0, 4) === today.slice(0, 4) ? words : `${words} ${day.slice(0, 4)}`;
}

/** “Wed 25 Nov”. */
export function shortDay(day: string): string {
  const date = dayStart(day);
  return `${weekday(date).slice(0, 3)} ${dayAndMonth(date)}`;
}

/** “Nov”, of a date of the chart's axis. */
export function monthName(date: Date): string {
  const month = MONTHS[date.getUTCMonth()] ?? '';
  return month === 'September' ? 'Sept' : month.slice(0, 3);
}

function weekday(date: Date): string {
  return WEEKDAYS[date.getUTCDay()] ?? '';
}

/** “14:05”, of an instant by the reader's own clock. */
export function ownTime(instant: string): string {
  const own = new Date(instant);
  return [own.getHours(), own.getMinutes()].map((part) => String(part).padStart(2, '0')).join(':');
}

/** “25 Nov”, of a date of the chart's axis. */
export function dayAndMonth(date: Date): string {
  return `${date.getUTCDate()} ${monthName(date)}`;
}

/** “today”, “tomorrow”, “Saturday” within a week, else a date. */
export function nearDay(day: string, today: string): string {
  const ahead = daysBetween(today, day);
  if (ahead === 0) return 'today';
  if (ahead === 1) return 'tomorrow';
  if (ahead > 1 && ahead < 7) return weekday(dayStart(day));
  return longDay(day, today);
}

/** “9 times in 10”, “nearly 9 times in 10” for 0.87 to 0.9: fairly rounded. */
export function timesInTen(probability: number): string {
  if (probability >= 0.99) return '99 times in 100';
  if (probability >= 0.95) return '19 times in 20';
  const tenths = Math.round(probability * 10);
  if (tenths === 0) return 'hardly ever';
  const nearly = probability * 10 < tenths - 1e-9 && probability * 10 >= tenths - 0.3;
  return `${nearly ? 'nearly ' : ''}${tenths === 1 ? 'once in 10' : `${tenths} times in 10`}`;
}

/** To about two significant digits, as a keeper would say it. */
export function about(value: number): string {
  if (value === 0) return '0';
  if (value >= 10) return String(Math.round(value));
  return String(Number(value.toPrecision(2)));
}

/** Minutes of work, in hours from two hours on. */
export function minutesText(minutes: number): string {
  return minutes < 120 ? `${Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`;
}

export function percent(fraction: number): string {
  return `${Math.round(fraction * 100)} %`;
}

export function interval(days: number): string {
  return days === 1 ? 'day' : `${days} days`;
}

/** A sentence of the server with its days as a keeper would say them. */
export function sayDays(text: string, today: string): string {
  return text.replace(/\d{4}-\d\d-\d\d/g, (day) => longDay(day, today));
}

/** Where in a tank file something stands, from its pointer: "/log/2/kit" is "log, number 3, kit". */
export function whereInFile(pointer: string): string {
  const steps = pointer
    .split('/')
    .filter(Boolean)
    .map((step) =>
      /^\d+$/.test(step)
        ? `number ${Number(step) + 1}`
        : step
            .replace(
              /([a-z])([A-Z])(?=[a-z])/g,
              (_, before: string, next: string) => `${before} ${next.toLowerCase()}`,
            )
            .replace(/([a-z])([A-Z])/g, '$1 $2'),
    );
  return steps.join(', ') || 'the file';
}

/** Whether a tank that no water change can keep under its limits is under them for now. */
export const isStillUnder = (reasons: readonly { kind: string }[]): boolean =>
  reasons.some((reason) => reason.kind === 'HOLDS_UNTIL' || reason.kind === 'MAY_GO_OVER') &&
  !reasons.some((reason) => reason.kind === 'OVER_NOW');

/** The same in the middle of a sentence: what it names, and months, keep their capitals. */
export const small = (sentence: string): string =>
  sentence.charAt(0).toLowerCase() + sentence.slice(1);
