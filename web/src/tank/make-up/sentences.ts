import type { Entry, ListName, Path } from './file';
import type { Of, Words } from './words';

/** A make-up in sentences with blanks, group by group. */

const SINCE = ', since {from}[, until {to}]';

const CLEANERS: Words<Of<'exports'>['kind']> = {
  mechanical: '{kind} that holds back {captureFractionPerDay} of the loose dirt a day',
  skimmer: '{kind} that takes {removalFractionPerDay} of the fresh waste a day',
  'phosphate-adsorber': '{kind}: {massG} {placement}; a gram holds {capacityMgPPerG} of phosphorus',
  'deep-bed': '{kind} of {areaCm2}, {depthCm} deep',
  'slow-filter': '{kind} with {mediaL} of medium, {flowLPerHour} through it',
  'porous-rock': '{massKg} of {kind}',
  'carbon-dose': '{kind}: {mlPerDay} of {source} a day',
};

/** An entry as a sentence with blanks; what is in brackets stands only where it is said. */
export function sentence(key: ListName, entry: Entry): string {
  switch (key) {
    case 'foods':
      return '{name} is {form} food with {proteinPercent} protein, {phosphorusPercent} phosphorus and {moisturePercent} water. A serving weighs {servingG}. {rinsed}';
    case 'feeding':
      return `{food}: {gramsPerFeed} a feed, {feedsPerWeek} a week; about {uneatenFraction} is left uneaten${SINCE}`;
    case 'livestock':
      return `{count} {name}, about {massG} each, {stage}${SINCE}`;
    case 'plants':
      return `{name}: {kind}, {wetMassG} wet on the first day; doubles in {doublingDays}, grows to {maxWetMassG}${SINCE}|Of it {dryMatterPercent} is dry matter, with {nitrogenPercentDry} nitrogen and {phosphorusPercentDry} phosphorus.`;
    case 'exports':
      return (
        (entry.source === 'sugar'
          ? CLEANERS['carbon-dose'].replace('mlPerDay', 'gPerDay')
          : CLEANERS[entry.kind as Of<'exports'>['kind']]) + SINCE
      );
    case 'waters':
      return '{name}: nitrate {nitrateMgL}, phosphate {phosphateMgL}, alkalinity {alkalinityDkh}|Ammonia {ammoniaMgL}, nitrite {nitriteMgL}, silicate {silicateMgL}, pH {pH}, hardness {hardnessDgh}, dissolved solids {dissolvedSolidsMgL}, salinity {salinityPpt}.';
    case 'changeWater':
      return '{share} {water}';
    case 'fertilisers':
      return '{name} holds {nitrateMgPerMl} of nitrate and {phosphateMgPerMl} of phosphate in a mL';
    case 'dosing':
      return `{mlPerDose} of {fertiliser}, {dosesPerWeek} a week${SINCE}`;
    case 'kits':
      return entry.method === 'colour-card'
        ? '{method} for {analyte} with {steps}, in {unit}|Read to about {relativeError}.'
        : '{method} for {analyte}, from {min} to {max} by {resolution}, in {unit}|Off by about {absoluteError}, and by {relativeError} of what it reads.';
  }
}

export interface Group {
  title: string;
  /** Sentences about the tank itself, by what their blanks belong to. */
  told: { base: Path; words: string }[];
  lists: { key: ListName; add: string; heading?: string }[];
}

/** The groups of Make-up, in the order they are read. */
export function groups(file: Entry): Group[] {
  const salty = (file.tank as Entry | undefined)?.water !== 'freshwater';
  return [
    {
      title: 'The water',
      told: [
        {
          base: [],
          words: `{tank.netVolumeL} of {tank.water} at {tank.temperatureC}, pH {tank.pH}, alkalinity {tank.alkalinityDkh}${salty ? ', salinity {tank.salinityPpt}' : ''}. {topOff.litresPerDay} a day is topped up with {topOff.water}.|It has run since {tank.startedOn}. Its surface measures {tank.surfaceAreaCm2}. Its clock is that of {tank.timeZone}.`,
        },
      ],
      lists: [],
    },
    {
      title: 'Who lives there and what they eat',
      told: [],
      lists: [
        { key: 'livestock', add: 'animals' },
        { key: 'feeding', add: 'a ration', heading: 'They are fed' },
        { key: 'foods', add: 'a food', heading: 'The foods' },
      ],
    },
    {
      title: 'What grows',
      told: [],
      lists: [
        { key: 'plants', add: 'plants' },
        { key: 'dosing', add: 'a standing dose', heading: 'They are given' },
        { key: 'fertilisers', add: 'a fertiliser', heading: 'The fertilisers' },
      ],
    },
    {
      title: 'What cleans',
      told: [
        {
          base: ['tank'],
          words:
            'On the floor lies {substrate.kind}, {substrate.areaCm2}, {substrate.depthCm} deep.',
        },
      ],
      lists: [{ key: 'exports', add: 'a filter or medium' }],
    },
    {
      title: 'The water you change with',
      told: [],
      lists: [
        { key: 'changeWater', add: 'another water to the mix' },
        { key: 'waters', add: 'a water', heading: 'The waters' },
      ],
    },
    {
      title: 'Your limits',
      told: [
        {
          base: [],
          words:
            'Nitrate stays under {lines.nitrate.ceilingMgL} and over {lines.nitrate.floorMgL}, phosphate under {lines.phosphate.ceilingMgL} and over {lines.phosphate.floorMgL}, on {limits.confidence} of all days. At most {limits.maxChangeFraction} in one change.|Whatever the tests say, {limits.leastChangeFraction} is changed within {limits.leastChangeDays} at least. It is kept as {tank.keeping}. At one change nitrate falls by {limits.maxNitrateStepMgL} at most, salinity moves by {limits.maxSalinityStepPpt}, alkalinity by {limits.maxAlkalinityStepDkh}. Plans look {limits.horizonDays} ahead.',
        },
      ],
      lists: [],
    },
    {
      title: 'Your kits and measures',
      told: [
        {
          base: ['effort'],
          words:
            'A change takes {minutesPerChange} and {minutesPerLitre} more for each litre; the bucket holds {bucketL}.|At most {maxLitresPerChange} at once and {maxMinutesPerWeek} a week.',
        },
      ],
      lists: [{ key: 'kits', add: 'a kit' }],
    },
  ];
}

/** A piece of a sentence: words, or a blank by its path below the sentence's base. */
export type Piece = { words: string } | { path: Path };

/** A sentence in pieces; what is in brackets is left out where its blank is not said. */
export function pieces(words: string, said: (path: Path) => boolean): Piece[] {
  const path = (name: string): Path => name.split('.');
  return words
    .replace(/\[([^\]]*\{([\w.]+)\}[^\]]*)\]/g, (_, part: string, name: string) =>
      said(path(name)) ? part : '',
    )
    .split(/(\{[\w.]+\})/)
    .filter(Boolean)
    .map((piece) =>
      piece.startsWith('{') ? { path: path(piece.slice(1, -1)) } : { words: piece },
    );
}
