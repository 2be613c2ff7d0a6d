import type { UmberlineTankFileVersion1 } from '../../api/tank-file';

/** The open format; a file that is being edited may lack what it needs, or hold what was mistyped. */
export type TankFile = UmberlineTankFileVersion1;
export type Value =
  string | number | boolean | null | undefined | Value[] | { [key: string]: Value };
export type Entry = { [key: string]: Value };
export type Path = (string | number)[];

/** Lists of entries that make a tank. */
export type ListName =
  | 'foods'
  | 'feeding'
  | 'livestock'
  | 'plants'
  | 'exports'
  | 'waters'
  | 'changeWater'
  | 'fertilisers'
  | 'dosing'
  | 'kits';

export const list = (file: Entry, key: string): Entry[] => (file[key] as Entry[]) ?? [];

export function at(file: Entry, path: Path): Value {
  return path.reduce<Value>(
    (value, key) =>
      value !== null && typeof value === 'object'
        ? (value as Record<string | number, Value>)[key]
        : undefined,
    file,
  );
}

/** The file with one value replaced or, for `undefined`, left out; everything else untouched. */
export function put(file: Entry, path: Path, value: Value): Entry {
  const [key, ...rest] = path;
  if (key === undefined) return file;
  const copy = (Array.isArray(file) ? [...(file as Value[])] : { ...file }) as Entry;
  if (rest.length === 0) {
    if (value === undefined) delete copy[key];
    else copy[key] = value;
  } else copy[key] = put((copy[key] ?? {}) as Entry, rest, value);
  return copy;
}

export const pointer = (path: Path): string => path.map((step) => `/${step}`).join('');

/** An id that the list does not have yet. */
export function freeId(file: Entry, key: string, wanted: string): string {
  const taken = new Set(list(file, key).map((entry) => entry.id));
  for (let i = 1; ; i++) {
    const id = i === 1 ? wanted : `${wanted}-${i}`;
    if (!taken.has(id)) return id;
  }
}

/** A name that the list does not have yet. */
function freeName(file: Entry, key: string, wanted: string): string {
  const taken = new Set(list(file, key).map((entry) => entry.name));
  for (let i = 1; ; i++) {
    const name = i === 1 ? wanted : `${wanted} ${i}`;
    if (!taken.has(name)) return name;
  }
}

/** A new entry of a list, to be said in full by the keeper. */
export function fresh(file: Entry, key: ListName, today: string): Entry {
  const id = (wanted: string) => freeId(file, key, wanted);
  const first = (of: string) => list(file, of)[0]?.id;
  switch (key) {
    case 'foods':
      return { id: id('food'), name: freeName(file, key, 'New food'), form: 'dry', rinsed: false };
    case 'feeding':
      return { food: first('foods') ?? '', gramsPerFeed: 0.5, feedsPerWeek: 7, from: today };
    case 'livestock':
      return { name: 'new animals', count: 1, massG: 2, stage: 'adult', from: today };
    case 'plants':
      return {
        id: id('plant'),
        name: freeName(file, key, 'New plants'),
        kind: 'floating',
        wetMassG: 20,
        from: today,
      };
    case 'exports':
      return { id: id('filter'), kind: 'mechanical', from: today };
    case 'waters':
      return {
        id: id('water'),
        name: freeName(file, key, 'New water'),
        nitrateMgL: 0,
        phosphateMgL: 0,
      };
    case 'changeWater': {
      const parts = list(file, 'changeWater');
      const free = list(file, 'waters').find((w) => !parts.some((part) => part.water === w.id));
      return { water: free?.id, share: parts.length ? 0 : 1 };
    }
    case 'fertilisers':
      return {
        id: id('fertiliser'),
        name: freeName(file, key, 'New fertiliser'),
        nitrateMgPerMl: 0,
        phosphateMgPerMl: 0,
      };
    case 'dosing':
      return { fertiliser: first('fertilisers') ?? '', mlPerDose: 1, dosesPerWeek: 7, from: today };
    case 'kits':
      // nobody's card has steps that can be guessed
      return { id: id('kit'), analyte: 'nitrate', method: 'colour-card', unit: 'mg/L NO3' };
  }
}

type ExportKind = NonNullable<TankFile['exports']>[number]['kind'];

/** What an export of each kind must say; what is not said is assumed. */
const NEEDED: Record<ExportKind, Entry> = {
  mechanical: {},
  skimmer: {},
  'phosphate-adsorber': { massG: 50, placement: 'reactor' },
  'deep-bed': { areaCm2: 2000, depthCm: 12 },
  'slow-filter': { mediaL: 10, flowLPerHour: 10 },
  'porous-rock': { massKg: 10 },
  'carbon-dose': { source: 'ethanol-40', mlPerDay: 0.1 },
};

/** A filter or medium of another kind has other figures. */
export function ofKind(entry: Entry, kind: ExportKind): Entry {
  return {
    id: entry.id,
    kind,
    ...NEEDED[kind],
    from: entry.from,
    ...(entry.to ? { to: entry.to } : {}),
  };
}

/** Sugar is weighed, the other sources are poured. */
export function ofSource(entry: Entry, source: string): Entry {
  const next: Entry = { ...entry, source };
  delete next.gPerDay;
  delete next.mlPerDay;
  return source === 'sugar'
    ? { ...next, gPerDay: entry.gPerDay ?? 0.1 }
    : { ...next, mlPerDay: entry.mlPerDay ?? 0.1 };
}
