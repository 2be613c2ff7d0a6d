import type { RoundsLine } from '../api/client';
import { said } from '../lib/said';
import { drawn, volume } from '../lib/units.svelte';
import { isStillUnder, longDay, minutesText, nearDay, percent, small } from '../lib/words';
import { wantsHand } from './rounds';

/** What the round comes to, in a sentence. */
export function heading(all: RoundsLine[], coming = 0): string {
  if (all.length === 0) return coming > 0 ? 'Learning from the logs.' : 'No tank yet.';
  const wanting = all.filter(wantsHand).length;
  if (all.length === 1) return wanting ? 'One tank wants a hand.' : 'The tank can wait.';
  if (wanting === 0) return 'All tanks can wait.';
  return `${wanting} of ${all.length} tanks ${wanting === 1 ? 'wants' : 'want'} a hand.`;
}

/** What today's work takes: time and water of the changes, and how many tests are due. */
export function takes(all: RoundsLine[]): string {
  const changed = all.filter((line) => line.minutes !== undefined);
  const minutes = changed.reduce((sum, line) => sum + (line.minutes ?? 0), 0);
  const litres = changed.reduce((sum, line) => sum + (line.litres ?? 0), 0);
  const tests = all.reduce(
    (sum, line) =>
      sum +
      new Set([
        ...(line.verdict === 'TEST_FIRST' && line.testFirst ? [line.testFirst.analyte] : []),
        ...line.due
          .filter((one) => /^(test|trial):/.test(one.work))
          .map((one) => one.work.slice(one.work.indexOf(':') + 1)),
      ]).size,
    0,
  );
  return [
    changed.length > 0 ? `about ${minutesText(minutes)} and ${volume(litres)} to change` : '',
    tests > 0 ? (tests === 1 ? 'one test due' : `${tests} tests due`) : '',
  ]
    .filter(Boolean)
    .join(' · ');
}

/** What to do with a tank in a few words, where there is one line for it. */
export function shortTask(line: RoundsLine): string {
  if (line.verdict !== 'SKIP') return task(line);
  if (line.due.length > 0) {
    const words = due(line);
    return words.charAt(0).toUpperCase() + words.slice(1);
  }
  if (line.warnings.length > 0) return 'Look at this';
  return line.on && line.fraction !== undefined
    ? `${percent(line.fraction)} ${nearDay(line.on, line.tank.today)}`
    : 'Nothing to do';
}

/** Which nutrient stands nearer to its limit. */
export function nearer(line: RoundsLine): 'nitrate' | 'phosphate' {
  const full = (level: RoundsLine['nitrate']) =>
    level.line.ceilingMgL ? level.now.p50 / level.line.ceilingMgL : 0;
  return full(line.phosphate) > full(line.nitrate) ? 'phosphate' : 'nitrate';
}

/** What to do with a tank, as its line says it. */
export function task(line: RoundsLine): string {
  const today = line.tank.today;
  if (line.verdict === 'ACT_NOW')
    return line.fraction === undefined
      ? 'Act now'
      : `Act now: change ${percent(line.fraction)} (${volume(line.litres ?? 0)})`;
  if (line.verdict === 'STUCK')
    return line.fraction === undefined
      ? line.why.some((reason) => reason.kind === 'NO_CHANGE_WANTED')
        ? 'Without a change it goes over your limits'
        : isStillUnder(line.why)
          ? 'Water changes alone may not keep it under your limits'
          : 'No water change can keep it under your limits'
      : `Change ${percent(line.fraction)} (${volume(line.litres ?? 0)}) today; no routine can keep it under`;
  if (line.verdict === 'TEST_FIRST' && line.testFirst)
    return `Test ${line.testFirst.analyte} first`;
  if (line.verdict === 'CHANGE')
    return `Change ${percent(line.fraction ?? 0)} (${volume(line.litres ?? 0)}) today`;
  if (line.fraction !== undefined && line.on)
    return `Skip until ${nearDay(line.on, today)}, then ${percent(line.fraction)} (${volume(line.litres ?? 0)})`;
  return line.crossesOn ? 'Skip for now' : 'Skip: nothing is needed';
}

/** A line has room for so many; the tank's own page tells them all. */
const MOST_REASONS = 2;

/** Why. */
export function reason(line: RoundsLine): string {
  const holds = line.why.find((one) => one.kind === 'HOLDS_UNTIL');
  if (line.verdict === 'SKIP' && holds) return said(holds.words, line.tank.today);
  if (line.verdict === 'SKIP' && line.crossesOn)
    return `Left alone, a limit is passed about ${longDay(line.crossesOn, line.tank.today)}.`;
  if (line.verdict === 'SKIP' && line.fraction === undefined)
    return `${line.nitrate.line.ceilingMgL === undefined ? 'Phosphate' : 'Nitrate'} stays under ${
      line.nitrate.line.ceilingMgL === undefined
        ? drawn('phosphate', line.phosphate.line.ceilingMgL ?? 0)
        : drawn('nitrate', line.nitrate.line.ceilingMgL)
    } without any change.`;
  // what a change comes to where no routine holds is why it is asked for
  const helps = line.why.find((one) => one.kind === 'CHANGE_HELPS');
  return line.why
    .filter((one) => one !== helps)
    .slice(0, helps ? MOST_REASONS - 1 : MOST_REASONS)
    .concat(helps ?? [])
    .map((one) => said(one.words, line.tank.today))
    .join(' ');
}

/** The first work that the plan asks for, where it is not due already. */
export const planWork = (line: RoundsLine) =>
  line.work
    .filter((work) => work.added && work.on > line.tank.today)
    .filter((work) => line.due.every((one) => one.work !== `renew:${work.of}`))
    .slice(0, 1);

/** How many works a line has room for. */
const MOST_DUE = 3;

/** The works that are due, the first three, each with the place where it is done. */
export const dueWorks = (line: RoundsLine): { key: string; words: string; path: string }[] =>
  line.due.slice(0, MOST_DUE).map((one) => ({
    key: one.work,
    words: `${small(said(one.words, line.tank.today))}${one.lateDays > 0 ? `, ${one.lateDays} d late` : ''}`,
    path: placeOf(one.work, line.tank.id),
  }));

/** The works that are due, in one line. */
export const due = (line: RoundsLine): string =>
  dueWorks(line)
    .map((one) => one.words)
    .join(' · ');

/** Where a piece of work is done. */
function placeOf(work: string, tank: string): string {
  const kind = work.slice(0, work.indexOf(':'));
  if (kind === 'look') return `/tank/${tank}/trouble`;
  return kind === 'trial' || kind === 'test' ? '/bench' : '/upkeep';
}
