import type { Outlook, Pictured } from '../../../api/client';
import { said } from '../../../lib/said';
import { labelOf, level } from '../../../lib/units.svelte';
import { shortDay, small } from '../../../lib/words';

const NUTRIENTS = ['nitrate', 'phosphate'] as const;
const QUALIFIERS: Partial<Record<string, string>> = { below: '<', above: '>' };

/** A day of the picture in words: what is modelled or forecast, and what was done. */
export function readOut(day: string, balance: Pictured, outlook: Outlook): string {
  const parts: string[] = [];
  for (const name of NUTRIENTS) {
    const on = (one: { on: string }) => one.on === day;
    const at = outlook[name].days.find(on) ?? balance.past[name].fit.find(on);
    if (at)
      parts.push(
        `${name} about ${level(name, at.p50)} (${level(name, at.p10)} to ${level(name, at.p90)}) ${labelOf(name)}`,
      );
  }
  const then = (one: { at: string }) => one.at.slice(0, 10) === day;
  for (const change of balance.past.changes.filter(then))
    parts.push(`changed ${Math.round(change.fraction * 100)} %`);
  if (outlook.changeDays.includes(day) && outlook.routine)
    parts.push(`change of ${Math.round(outlook.routine.fraction * 100)} % planned`);
  for (const name of NUTRIENTS)
    for (const test of balance.past[name].tests.filter(then))
      parts.push(`${name} read ${QUALIFIERS[test.use] ?? ''}${test.value} ${test.unit}`);
  for (const work of balance.work)
    if (work.kind === 'RENEW' && work.on === day)
      parts.push(small(said(work.words, balance.tank.today)));
  for (const entry of balance.past.lanes.filter(then)) parts.push(`${entry.lane}: ${entry.text}`);
  return `${shortDay(day)}: ${parts.join(' · ')}`;
}
