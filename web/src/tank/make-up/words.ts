import { labelOf, type QuantityName } from '../../lib/units.svelte';
import { list, type Entry, type Path, type TankFile } from './file';

/** How a tank file is said to its keeper: every key a word, every entry a sentence. */

type Tank = TankFile['tank'];
export type Of<K extends keyof TankFile> = NonNullable<TankFile[K]> extends (infer T)[] ? T : never;
export type Words<T extends string> = Record<T, string>;

export const KEEPING: Words<NonNullable<Tank['keeping']>> = {
  'fish-only': 'fish with few plants or none',
  sensitive: 'sensitive fish, fry, shrimp or amphibians',
  'planted-low-light': 'plants in low light',
  'planted-high-light': 'plants in strong light with CO2',
  'no-change': 'plants that do the work, no water changes',
  'marine-fish-only': 'sea water, fish only',
  'mixed-reef': 'soft corals or a mixed reef',
  'stony-reef': 'stony corals',
  'small-marine': 'sea water under 40 L',
  brackish: 'brackish water',
  'grow-out': 'young fish growing up',
  new: 'a tank that still cycles',
};
const WATER: Words<Tank['water']> = {
  freshwater: 'fresh water',
  brackish: 'brackish water',
  marine: 'sea water',
};
const SUBSTRATE: Words<NonNullable<NonNullable<Tank['substrate']>['kind']>> = {
  bare: 'a bare floor',
  gravel: 'gravel',
  sand: 'sand',
  soil: 'soil',
  'marine-rock-and-sand': 'marine rock and sand',
};
const FORM: Words<NonNullable<Of<'foods'>['form']>> = {
  dry: 'dry',
  frozen: 'frozen',
  fresh: 'fresh',
  live: 'live',
  gel: 'gel',
};
const STAGE: Words<NonNullable<Of<'livestock'>['stage']>> = {
  adult: 'full grown',
  growing: 'still growing',
  fry: 'fry',
};
export const PLANT: Words<Of<'plants'>['kind']> = {
  floating: 'floating plants',
  'fast-stems': 'fast stem plants',
  carpet: 'a carpet',
  moss: 'moss',
  'slow-leaves': 'slow leafy plants',
  'emersed-roots': 'plants with roots in the water',
  macroalgae: 'macroalgae',
  'turf-scrubber': 'a turf scrubber',
};
const CLEANER: Words<Of<'exports'>['kind']> = {
  mechanical: 'a mechanical filter',
  skimmer: 'a skimmer',
  'phosphate-adsorber': 'a phosphate adsorber',
  'deep-bed': 'a deep bed',
  'slow-filter': 'a slow filter',
  'porous-rock': 'porous rock',
  'carbon-dose': 'carbon dosing',
};
const METHOD: Words<Of<'kits'>['method']> = {
  'colour-card': 'a colour card',
  photometer: 'a photometer',
  titration: 'a drop count',
};
const PLACEMENT = { reactor: 'in a reactor', bag: 'in a bag' };
const SOURCE = { 'ethanol-40': '40 % spirit', sugar: 'sugar', vinegar: 'vinegar' };
const ANALYTE: Words<Of<'kits'>['analyte']> = {
  nitrate: 'nitrate',
  phosphate: 'phosphate',
  ammonia: 'ammonia',
  nitrite: 'nitrite',
  pH: 'pH',
  alkalinity: 'alkalinity',
  hardness: 'hardness',
  calcium: 'calcium',
  magnesium: 'magnesium',
  salinity: 'salinity',
  temperature: 'temperature',
  silicate: 'silicate',
  'dissolved-solids': 'dissolved solids',
};

/** How one value is shown and typed. */
export interface Blank {
  /** What it is, for whoever can't see the sentence and for messages. */
  label: string;
  kind: 'number' | 'share' | 'text' | 'choice' | 'day' | 'flag' | 'steps';
  quantity?: QuantityName;
  unit?: string;
  choices?: Record<string, string>;
  /** What stands there while nothing is said. */
  empty?: string;
  /** Whether none is said by emptying it; else the usual value comes back. */
  none?: boolean;
}

const number = (label: string, unit = '', empty = 'unknown'): Blank => ({
  label,
  kind: 'number',
  unit,
  empty,
});
const measured = (label: string, quantity: QuantityName, per = '', empty = 'unknown'): Blank => ({
  label,
  kind: 'number',
  quantity,
  unit: per,
  empty,
});
/** A bound on how far one change may move the water; emptied, there is none. */
const step = (label: string, quantity: QuantityName): Blank => ({
  ...measured(label, quantity, '', 'any amount'),
  none: true,
});
const share = (label: string): Blank => ({ label, kind: 'share', unit: '%', empty: 'unknown' });
const choice = (label: string, choices: Record<string, string>, empty?: string): Blank => ({
  label,
  kind: 'choice',
  choices,
  empty,
});
const day = (label: string, empty = 'its start'): Blank => ({ label, kind: 'day', empty });

/** What makes a keeper change water. */
export const STANCES: [string, string][] = [
  ['by-need', 'when the tests ask for it'],
  ['fixed-routine', 'on my routine’s own days, whether or not it is needed'],
  ['never-zero', 'by the tests, and nothing shall read zero'],
  ['as-low-as-possible', 'by the tests, and everything shall be as low as can be'],
  ['by-look', 'when I see that it is needed'],
  ['no-change', 'never, if it can be helped'],
];

const BLANKS: Record<string, Blank> = {
  'tank.name': { label: 'name', kind: 'text' },
  'tank.water': choice('kind of water', WATER),
  'tank.netVolumeL': measured('net volume', 'volume'),
  'tank.temperatureC': measured('temperature', 'temperature'),
  'tank.pH': number('pH'),
  'tank.alkalinityDkh': measured('alkalinity', 'alkalinity'),
  'tank.salinityPpt': measured('salinity', 'salinity'),
  'tank.surfaceAreaCm2': number('area of the surface', 'cm²'),
  'tank.startedOn': day('day it started', 'nobody knows when'),
  'tank.timeZone': { label: 'time zone', kind: 'text' },
  'tank.keeping': choice('kind of tank', KEEPING, 'no kind in particular'),
  'substrate.kind': choice('what lies on the floor', SUBSTRATE),
  'substrate.areaCm2': number('area of the floor', 'cm²'),
  'substrate.depthCm': number('depth of the floor', 'cm'),
  'topOff.litresPerDay': measured('top-off a day', 'volume'),
  'nitrate.floorMgL': measured('lower limit of nitrate', 'nitrate', '', 'none'),
  'nitrate.ceilingMgL': measured('limit of nitrate', 'nitrate', '', 'no limit'),
  'phosphate.floorMgL': measured('lower limit of phosphate', 'phosphate', '', 'none'),
  'phosphate.ceilingMgL': measured('limit of phosphate', 'phosphate', '', 'no limit'),
  'limits.maxChangeFraction': share('largest change'),
  'limits.leastChangeFraction': { ...share('least change'), empty: 'nothing' },
  'limits.leastChangeDays': number('days for the least change', 'days'),
  'limits.confidence': share('how surely the limits are kept'),
  'limits.horizonDays': number('days to look ahead', 'days'),
  'limits.maxNitrateStepMgL': step('most nitrate may fall at once', 'nitrate'),
  'limits.maxSalinityStepPpt': step('most salinity may move at once', 'salinity'),
  'limits.maxAlkalinityStepDkh': step('most alkalinity may move at once', 'alkalinity'),
  'effort.minutesPerChange': number('minutes for a change', 'minutes'),
  'effort.minutesPerLitre': number('minutes for a litre', 'minutes'),
  'effort.bucketL': measured('bucket', 'volume'),
  'effort.maxLitresPerChange': measured('most water at once', 'volume', '', 'any amount'),
  'effort.maxMinutesPerWeek': number('most minutes a week', 'minutes', 'any time'),
  'effort.pricePerLitre': number('price of a litre', ''),
  'foods.name': { label: 'food', kind: 'text' },
  'foods.form': choice('form of the food', FORM),
  'foods.proteinPercent': number('protein', '%'),
  'foods.phosphorusPercent': number('phosphorus', '%'),
  'foods.moisturePercent': number('moisture', '%'),
  'foods.servingG': number('weight of a serving', 'g', 'not weighed'),
  'foods.rinsed': { label: 'rinsed before feeding', kind: 'flag' },
  'feeding.gramsPerFeed': number('weight of a feed', 'g'),
  'feeding.feedsPerWeek': number('feeds a week', 'times'),
  'feeding.uneatenFraction': share('left uneaten'),
  'livestock.name': { label: 'animals', kind: 'text' },
  'livestock.count': number('number of animals'),
  'livestock.massG': number('weight of one', 'g'),
  'livestock.stage': choice('stage of life', STAGE),
  'plants.name': { label: 'plants', kind: 'text' },
  'plants.kind': choice('kind of plants', PLANT),
  'plants.wetMassG': number('wet weight', 'g'),
  'plants.doublingDays': number('days to double', 'days'),
  'plants.maxWetMassG': number('most they grow to', 'g'),
  'plants.dryMatterPercent': number('dry matter', '%'),
  'plants.nitrogenPercentDry': number('nitrogen in dry matter', '%'),
  'plants.phosphorusPercentDry': number('phosphorus in dry matter', '%'),
  'exports.kind': choice('what cleans', CLEANER),
  'exports.captureFractionPerDay': share('solids it holds back a day'),
  'exports.removalFractionPerDay': share('waste it takes a day'),
  'exports.massG': number('weight of the medium', 'g'),
  'exports.capacityMgPPerG': number('phosphorus a gram holds', 'mg'),
  'exports.placement': choice('where the medium is', PLACEMENT),
  'exports.areaCm2': number('area of the bed', 'cm²'),
  'exports.depthCm': number('depth of the bed', 'cm'),
  'exports.mediaL': measured('medium', 'volume'),
  'exports.flowLPerHour': measured('flow', 'volume', ' an hour'),
  'exports.massKg': number('weight of the rock', 'kg'),
  'exports.source': choice('source of carbon', SOURCE),
  'exports.mlPerDay': number('dose a day', 'mL'),
  'exports.gPerDay': number('dose a day', 'g'),
  'waters.name': { label: 'water', kind: 'text' },
  'waters.nitrateMgL': measured('nitrate', 'nitrate'),
  'waters.phosphateMgL': measured('phosphate', 'phosphate'),
  'waters.ammoniaMgL': number('ammonia', 'mg/L'),
  'waters.nitriteMgL': number('nitrite', 'mg/L'),
  'waters.silicateMgL': number('silicate', 'mg/L'),
  'waters.pH': number('pH'),
  'waters.alkalinityDkh': measured('alkalinity', 'alkalinity'),
  'waters.salinityPpt': measured('salinity', 'salinity'),
  'waters.hardnessDgh': number('hardness', 'dGH'),
  'waters.dissolvedSolidsMgL': number('dissolved solids', 'mg/L'),
  'changeWater.share': share('share of the mix'),
  'fertilisers.name': { label: 'fertiliser', kind: 'text' },
  'fertilisers.nitrateMgPerMl': number('nitrate in a mL', 'mg'),
  'fertilisers.phosphateMgPerMl': number('phosphate in a mL', 'mg'),
  'dosing.mlPerDose': number('dose', 'mL'),
  'dosing.dosesPerWeek': number('doses a week', 'times'),
  'kits.analyte': choice('what it measures', ANALYTE),
  'kits.method': choice('kind of kit', METHOD),
  'kits.steps': { label: 'steps on the card', kind: 'steps', empty: 'the steps printed on it' },
  'kits.unit': { label: 'unit', kind: 'text', empty: 'mg/L' },
  'kits.min': number('lowest reading', ''),
  'kits.max': number('highest reading', ''),
  'kits.resolution': number('resolution', ''),
  'kits.absoluteError': number('error of any reading', ''),
  'kits.relativeError': share('error of a reading'),
};

const names = (file: Entry, key: string): Record<string, string> =>
  Object.fromEntries(list(file, key).map((one) => [String(one.id), String(one.name ?? one.id)]));

/** How the value at the end of a path is shown and typed. */
export function blank(file: Entry, path: Path): Blank {
  const key = String(path.at(-1));
  const section = path.filter((step): step is string => typeof step === 'string').at(-2) ?? '';
  if (key === 'food') return choice('food', names(file, 'foods'));
  if (key === 'fertiliser') return choice('fertiliser', names(file, 'fertilisers'));
  if (key === 'water' && section !== 'tank')
    return choice('water', names(file, 'waters'), 'pure water');
  if (key === 'from') return day('from');
  if (key === 'to') return day('until', 'open');
  return BLANKS[`${section}.${key}`] ?? { label: key, kind: 'text' };
}

/** The unit a value is read in, as it stands behind it. */
export function unitOf(blank: Blank): string {
  return blank.quantity ? labelOf(blank.quantity) + (blank.unit ?? '') : (blank.unit ?? '');
}

/** What stands against a value, in a sentence at its place. */
export function complaint(blank: Blank, found: string, allowed: string): string {
  const name = blank.label.charAt(0).toUpperCase() + blank.label.slice(1);
  if (found === 'nothing') return `${name} is missing.`;
  if (/^(at least|at most|more than) /.test(allowed)) {
    const of = blank.kind === 'share' ? shareWords(allowed) : `${allowed} ${blank.unit ?? ''}`;
    return `${name} must be ${of.trim()}.`;
  }
  if (allowed.startsWith('a value of type number')) return `${name} must be a number.`;
  return `${name} can’t be ${found}; allowed is ${allowed}.`;
}

/** “at most 1” of a share, in percent. */
const shareWords = (allowed: string) =>
  allowed.replace(/[\d.]+/, (number) => `${Number(number) * 100} %`);
