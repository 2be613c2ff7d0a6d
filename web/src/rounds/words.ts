import type { RoundsLine } from '../api/client';
import { said } from '../lib/said';
import { drawn, volume } from '../lib/units.svelte';
import { longDay, nearDay, percent } from '../lib/words';

/** What the round comes to, in a sentence. */
export function heading(all: RoundsLine[]): string {
  if (all.length === 0) return 'No tank yet.';
  const wanting = all.filter((line) => line.verdict !== 'SKIP').length;
  if (all.length === 1) return wanting ? 'One tank wants a hand.' : 'The tank can wait.';
  if (wanting === 0) return 'All tanks can wait.';
  return `${wanting} of ${all.length} tanks ${wanting === 1 ? 'wants' : 'want'} a hand.`;
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
      ? 'No water change can keep it under your limits'
      : `Change ${percent(line.fraction)} (${volume(line.litres ?? 0)}) today; no routine can keep it under`;
  if (line.verdict === 'TEST_FIRST' && line.testFirst)
    return `Test ${line.testFirst.analyte} first`;
  if (line.verdict === 'CHANGE')
    return `Change ${percent(line.fraction ?? 0)} (${volume(line.litres ?? 0)}) today`;
  if (line.fraction !== undefined && line.on)
    return `Skip until ${nearDay(line.on, today)}, then ${percent(line.fraction)} (${volume(line.litres ?? 0)})`;
  return line.crossesOn ? 'Skip for now' : 'Skip: nothing is needed';
}

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
  return line.why.map((one) => said(one.words, line.tank.today)).join(' ');
}

/** The first work that the plan asks for, where it is not due already. */
export const planWork = (line: RoundsLine) =>
  line.work
    .filter((work) => work.added && work.on > line.tank.today)
    .filter((work) => line.due.every((one) => one.work !== `renew:${work.of}`))
    .slice(0, 1);

/** The works that are due, the first three. */
export function due(line: RoundsLine): string {
  return line.due
    .slice(0, 3)
    .map(
      (work) =>
        `${said(work.words, line.tank.today).toLowerCase()}${work.lateDays > 0 ? `, ${work.lateDays} d late` : ''}`,
    )
    .join(' · ');
}
