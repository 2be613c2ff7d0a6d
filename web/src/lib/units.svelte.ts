import { api, type Schemas } from '../api/client';
import { about } from './words';

/** Quantities a keeper may choose a unit for; numbers travel in the first unit of each. */
export type QuantityName =
  'volume' | 'temperature' | 'alkalinity' | 'salinity' | 'nitrate' | 'phosphate';

const CANONICAL: Record<QuantityName, string> = {
  volume: 'L',
  temperature: '°C',
  alkalinity: 'dKH',
  salinity: 'ppt',
  nitrate: 'mg/L NO3',
  phosphate: 'mg/L PO4',
};

/** The units on offer, with the server's factors, and what this keeper chose. */
export const units = $state<{
  offered: Schemas['Quantity'][];
  gravity: number[][];
  chosen: Partial<Record<QuantityName, string>>;
}>({ offered: [], gravity: [], chosen: {} });

/** Takes over what the server told when the page opened. */
export function takeUnits(answer: Schemas['Units']): void {
  units.offered = answer.quantities;
  units.gravity = answer.gravity;
  units.chosen = JSON.parse(answer.chosen) as typeof units.chosen;
}

export async function chooseUnit(name: QuantityName, label: string): Promise<void> {
  units.chosen = { ...units.chosen, [name]: label };
  const chosen = JSON.stringify(units.chosen);
  await api.PUT('/api/units', { body: { chosen } });
}

export function labelOf(name: QuantityName): string {
  return units.chosen[name] ?? CANONICAL[name];
}

function choice(name: QuantityName): Schemas['UnitChoice'] {
  const offered = units.offered.find((quantity) => quantity.name === name)?.units ?? [];
  return (
    offered.find((unit) => unit.label === labelOf(name)) ?? {
      label: CANONICAL[name],
      factor: 1,
      offset: 0,
    }
  );
}

/** A straight line between the neighbouring points. */
function between(points: number[][], x: number, from: 0 | 1, to: 0 | 1): number {
  const i = Math.max(
    1,
    points.findIndex((point) => (point[from] ?? 0) >= x),
  );
  const a = points[i - 1] ?? [0, 1];
  const b = points[i] ?? a;
  const share = (x - (a[from] ?? 0)) / ((b[from] ?? 1) - (a[from] ?? 0) || 1);
  return (a[to] ?? 0) + share * ((b[to] ?? 0) - (a[to] ?? 0));
}

/** A number as it travels, in the unit it is shown in. */
export function toShown(name: QuantityName, value: number): number {
  const unit = choice(name);
  if (unit.label === 'specific gravity') return between(units.gravity, value, 0, 1);
  return value * unit.factor + unit.offset;
}

/** No keeper's water is heavier, and none that is measured holds as little as 1 to 1.04 ppt. */
const HIGHEST_GRAVITY = 1.04;
/** No tank is hotter in °C, and none colder in °F. */
const HOTTEST_C = 45;
const COLDEST_F = 32;

/** The unit that was meant: 1.025 is a specific gravity, and 78 degrees are Fahrenheit. */
function meant(name: QuantityName, typed: number): Schemas['UnitChoice'] {
  const unit = choice(name);
  const called = (label: string) =>
    units.offered
      .find((quantity) => quantity.name === name)
      ?.units.find((u) => u.label === label) ?? unit;
  if (name === 'salinity')
    return called(typed > 1 && typed < HIGHEST_GRAVITY ? 'specific gravity' : 'ppt');
  if (name === 'temperature' && unit.label === '°C' && typed > HOTTEST_C) return called('°F');
  if (name === 'temperature' && unit.label === '°F' && typed < COLDEST_F) return called('°C');
  return unit;
}

/** A number as it was typed, in the unit it travels in. */
export function fromShown(name: QuantityName, shown: number): number {
  const unit = meant(name, shown);
  const value =
    unit.label === 'specific gravity'
      ? between(units.gravity, shown, 1, 0)
      : (shown - unit.offset) / unit.factor;
  return Number(value.toPrecision(8));
}

/** “46 L”, “12 US gal”. */
export function volume(litres: number): string {
  const shown = toShown('volume', litres);
  return `${shown >= 10 ? Math.round(shown) : Number(shown.toPrecision(2))} ${labelOf('volume')}`;
}

/** A nutrient's concentration without its unit, to about two digits. */
export function level(name: 'nitrate' | 'phosphate', mgL: number): string {
  const shown = toShown(name, mgL);
  return about(finest(shown, labelOf(name)) ?? shown);
}

/** A line the keeper drew, with all its digits; the unit only where it is not mg/L of the ion. */
export function drawn(name: 'nitrate' | 'phosphate', mgL: number): string {
  const shown = Number(toShown(name, mgL).toPrecision(3));
  return labelOf(name) === CANONICAL[name] ? `${shown}` : `${shown} ${labelOf(name)}`;
}

const BY_UNIT: [string, QuantityName, string][] = [
  ['mg/L NO3/week', 'nitrate', '/week'],
  ['mg/L PO4/week', 'phosphate', '/week'],
  ['mg/L NO3', 'nitrate', ''],
  ['mg/L PO4', 'phosphate', ''],
  ['L/day', 'volume', '/day'],
  ['L', 'volume', ''],
  ['ppt', 'salinity', ''],
  ['dKH', 'alkalinity', ''],
  ['°C', 'temperature', ''],
];

/**
 * Nobody measures or weighs these finer: nutrients by the best meter, cm by a ruler, alkalinity by
 * drops, salt by a scale.
 */
const FINEST: Record<string, (value: number) => number> = {
  'mg/L NO3': (value) => (value < 0.1 ? 0.01 : 0),
  'mg/L PO4': (value) => (value < 0.01 ? 0.001 : 0),
  cm: () => 0.5,
  dKH: () => 0.1,
  '°C': () => 0.5,
  '°F': () => 1,
  'specific gravity': () => 0.001,
  g: (value) => (value >= 100 ? 10 : value >= 20 ? 1 : 0),
  L: (value) => (value >= 10 ? 1 : 0),
  'US gal': (value) => (value >= 10 ? 1 : 0),
};

/** The number by the finest step of its unit; none where every digit can be known. */
function finest(shown: number, unit: string): number | undefined {
  const step = FINEST[unit]?.(Math.abs(shown)) ?? 0;
  return step > 0 ? Number((Math.round(shown / step) * step).toPrecision(6)) : undefined;
}

/** Any figure the server names a unit for, in the keeper's, rounded to what can be known. */
export function figure(value: number, unit: string): string {
  const known = BY_UNIT.find(([name]) => name === unit);
  const shown = known ? toShown(known[1], value) : value;
  const base = known ? labelOf(known[1]) : unit;
  const digits =
    finest(shown, base) ??
    (Math.abs(shown) >= 1000 ? Math.round(shown) : Number(shown.toPrecision(3)));
  const label = base + (known?.[2] ?? '');
  return label ? `${digits} ${label}` : `${digits}`;
}
