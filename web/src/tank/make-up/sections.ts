/** A tank file as the page edits it: nothing is known of it but what is shown. */
export type Value =
  string | number | boolean | null | undefined | Value[] | { [key: string]: Value };
export type Entry = Record<string, Value>;
export type TankFile = Record<string, Value>;

export interface Section {
  /** Key of the list in the tank file. */
  key: string;
  title: string;
  one: string;
  fields: string[];
  fresh: (file: TankFile, today: string) => Entry;
}

const FOOD_FORMS = ['dry', 'frozen', 'fresh', 'live', 'gel'];
const PLANT_KINDS = [
  'floating',
  'fast-stems',
  'carpet',
  'moss',
  'slow-leaves',
  'emersed-roots',
  'macroalgae',
  'turf-scrubber',
];
export const EXPORTS: Record<string, string[]> = {
  mechanical: ['captureFractionPerDay'],
  skimmer: ['removalFractionPerDay'],
  'phosphate-adsorber': ['massG', 'capacityMgPPerG', 'placement'],
  'deep-bed': ['areaCm2', 'depthCm'],
  'slow-filter': ['mediaL', 'flowLPerHour'],
  'porous-rock': ['massKg'],
  'carbon-dose': ['source', 'mlPerDay', 'gPerDay'],
};
const EXPORT_DEFAULTS: Record<string, Entry> = {
  mechanical: { captureFractionPerDay: 0.3 },
  skimmer: { removalFractionPerDay: 0.25 },
  'phosphate-adsorber': { massG: 50, capacityMgPPerG: 6, placement: 'reactor' },
  'deep-bed': { areaCm2: 2000, depthCm: 12 },
  'slow-filter': { mediaL: 10, flowLPerHour: 10 },
  'porous-rock': { massKg: 10 },
  'carbon-dose': { source: 'ethanol-40', mlPerDay: 0.1 },
};

export const list = (file: TankFile, key: string): Entry[] => (file[key] as Entry[]) ?? [];

/** An id that the list does not have yet. */
export function freeId(file: TankFile, key: string, wanted: string): string {
  const taken = new Set(list(file, key).map((entry) => entry.id));
  for (let i = 1; ; i++) {
    const id = i === 1 ? wanted : `${wanted}-${i}`;
    if (!taken.has(id)) return id;
  }
}

export const SECTIONS: Section[] = [
  {
    key: 'foods',
    title: 'Foods',
    one: 'food',
    fields: [
      'name',
      'form',
      'proteinPercent',
      'phosphorusPercent',
      'moisturePercent',
      'servingG',
      'rinsed',
    ],
    fresh: (file) => ({
      id: freeId(file, 'foods', 'food'),
      name: 'New food',
      form: 'dry',
      rinsed: false,
    }),
  },
  {
    key: 'feeding',
    title: 'Feeding',
    one: 'ration',
    fields: ['food', 'gramsPerFeed', 'feedsPerWeek', 'uneatenFraction', 'from', 'to'],
    fresh: (file, today) => ({
      food: list(file, 'foods')[0]?.id ?? '',
      gramsPerFeed: 0.5,
      feedsPerWeek: 7,
      from: today,
    }),
  },
  {
    key: 'livestock',
    title: 'Animals',
    one: 'kind of animal',
    fields: ['name', 'count', 'massG', 'stage', 'from', 'to'],
    fresh: (_, today) => ({ name: 'New animals', count: 1, massG: 2, stage: 'adult', from: today }),
  },
  {
    key: 'plants',
    title: 'Plants and algae',
    one: 'stand',
    fields: [
      'name',
      'kind',
      'wetMassG',
      'doublingDays',
      'maxWetMassG',
      'dryMatterPercent',
      'nitrogenPercentDry',
      'phosphorusPercentDry',
      'from',
      'to',
    ],
    fresh: (file, today) => ({
      id: freeId(file, 'plants', 'plant'),
      name: 'New stand',
      kind: 'floating',
      wetMassG: 20,
      from: today,
    }),
  },
  {
    key: 'exports',
    title: 'What takes out',
    one: 'export',
    fields: ['kind', 'from', 'to'],
    fresh: (file, today) => ({
      id: freeId(file, 'exports', 'sponge'),
      kind: 'mechanical',
      captureFractionPerDay: 0.3,
      from: today,
    }),
  },
  {
    key: 'waters',
    title: 'Waters',
    one: 'water',
    fields: [
      'name',
      'nitrateMgL',
      'phosphateMgL',
      'ammoniaMgL',
      'nitriteMgL',
      'silicateMgL',
      'pH',
      'alkalinityDkh',
      'salinityPpt',
    ],
    fresh: (file) => ({
      id: freeId(file, 'waters', 'water'),
      name: 'New water',
      nitrateMgL: 0,
      phosphateMgL: 0,
    }),
  },
  {
    key: 'fertilisers',
    title: 'Fertilisers',
    one: 'fertiliser',
    fields: ['name', 'nitrateMgPerMl', 'phosphateMgPerMl'],
    fresh: (file) => ({
      id: freeId(file, 'fertilisers', 'fertiliser'),
      name: 'New fertiliser',
      nitrateMgPerMl: 0,
      phosphateMgPerMl: 0,
    }),
  },
  {
    key: 'dosing',
    title: 'Dosing',
    one: 'standing dose',
    fields: ['fertiliser', 'mlPerDose', 'dosesPerWeek', 'from', 'to'],
    fresh: (file, today) => ({
      fertiliser: list(file, 'fertilisers')[0]?.id ?? '',
      mlPerDose: 1,
      dosesPerWeek: 7,
      from: today,
    }),
  },
  {
    key: 'kits',
    title: 'Kits',
    one: 'kit',
    fields: [
      'analyte',
      'method',
      'steps',
      'unit',
      'min',
      'max',
      'resolution',
      'absoluteError',
      'relativeError',
    ],
    fresh: (file) => ({
      id: freeId(file, 'kits', 'nitrate-card'),
      analyte: 'nitrate',
      method: 'colour-card',
      steps: [0, 5, 10, 20, 40, 80],
      unit: 'mg/L NO3',
      relativeError: 0.15,
    }),
  },
];

/** What a word of an entry may be; nothing where any word may stand. */
export function choices(file: TankFile, section: string, field: string): string[] | undefined {
  const ids = (key: string) => list(file, key).map((entry) => String(entry.id));
  const fixed: Record<string, string[]> = {
    'foods.form': FOOD_FORMS,
    'livestock.stage': ['adult', 'growing', 'fry'],
    'plants.kind': PLANT_KINDS,
    'exports.kind': Object.keys(EXPORTS),
    'exports.placement': ['reactor', 'bag'],
    'exports.source': ['ethanol-40', 'sugar', 'vinegar'],
    'kits.method': ['colour-card', 'photometer', 'titration'],
    'kits.analyte': [
      'nitrate',
      'phosphate',
      'ammonia',
      'nitrite',
      'pH',
      'alkalinity',
      'salinity',
      'silicate',
    ],
    'tank.water': ['freshwater', 'brackish', 'marine'],
    'substrate.kind': ['bare', 'gravel', 'sand', 'soil', 'marine-rock-and-sand'],
  };
  if (field === 'food') return ids('foods');
  if (field === 'fertiliser') return ids('fertilisers');
  if (field === 'water' && section !== 'tank') return ids('waters');
  return fixed[`${section}.${field}`];
}

/** The fields of one entry: an export has those of its kind. */
export function fieldsOf(section: Section, entry: Entry): string[] {
  return section.key === 'exports'
    ? ['kind', ...(EXPORTS[String(entry.kind)] ?? []), 'from', 'to']
    : section.fields;
}

/** The file with one value replaced or, for `undefined`, left out; everything else untouched. */
export function put(file: TankFile, path: (string | number)[], value: Value): TankFile {
  const [key, ...rest] = path;
  if (key === undefined) return file;
  const copy = (Array.isArray(file) ? [...(file as Value[])] : { ...file }) as TankFile;
  if (rest.length === 0) {
    if (value === undefined) delete copy[key];
    else copy[key] = value;
  } else copy[key] = put((copy[key] ?? {}) as TankFile, rest, value);
  return copy;
}

/** An export of another kind has other figures. */
export function ofKind(entry: Entry, kind: string): Entry {
  return {
    id: entry.id,
    kind,
    ...EXPORT_DEFAULTS[kind],
    from: entry.from,
    ...(entry.to ? { to: entry.to } : {}),
  };
}

/** What an entry is called, in few words. */
export function nameOf(file: TankFile, section: string, entry: Entry): string {
  const of = (key: string, id: Value) =>
    String(list(file, key).find((one) => one.id === id)?.name ?? id);
  if (section === 'feeding')
    return `${String(entry.gramsPerFeed)} g ${of('foods', entry.food)}, ${String(entry.feedsPerWeek ?? 7)} × a week`;
  if (section === 'dosing')
    return `${String(entry.mlPerDose)} mL ${of('fertilisers', entry.fertiliser)}, ${String(entry.dosesPerWeek ?? 7)} × a week`;
  if (section === 'livestock') return `${String(entry.count)} × ${String(entry.name)}`;
  if (section === 'exports') return `${String(entry.kind)}, ${String(entry.id)}`;
  if (section === 'kits') return `${String(entry.analyte)}, ${String(entry.method)}`;
  return String(entry.name ?? entry.id);
}
