import type { Schemas } from '../api/client';
import type { TankFile } from '../tank/make-up/file';
import { addDays, ownDay } from '../lib/words';
import { kept } from './habit';

/** What a keeper tells of a new tank, and the tank file that it makes. */
export interface Answers {
  name: string;
  /** Net volume, L; nothing until it is told. */
  litres: number | undefined;
  keeping: Keeping | '';
  animals: { size: string; count: number }[];
  portion: string;
  portions: number;
  feedsPerWeek: number;
  plants: PlantKind | '';
  cover: string;
  filters: FilterName[];
  /** Days since it was set up; 0 for one that begins today. */
  ageDays: number | undefined;
  /** Nothing until it is told; 0 percent for never. */
  percent: number | undefined;
  everyDays: number;
  source: SourceName;
  sourceNitrate: number | undefined;
  sourcePhosphate: number | undefined;
  nitrate: number | undefined;
  phosphate: number | undefined;
}

export type Keeping = NonNullable<TankFile['tank']['keeping']>;
export type PlantKind = NonNullable<TankFile['plants']>[number]['kind'];
type Export = NonNullable<TankFile['exports']>[number];

export const FILTERS = {
  sponge: { words: 'a sponge filter', entry: { kind: 'mechanical' } },
  canister: { words: 'a canister or hang-on filter', entry: { kind: 'mechanical' } },
  skimmer: { words: 'a skimmer', entry: { kind: 'skimmer' } },
  rock: { words: 'live rock', entry: { kind: 'porous-rock' } },
} as const satisfies Record<string, { words: string; entry: { kind: Export['kind'] } }>;
export type FilterName = keyof typeof FILTERS;

/** kg of rock for a litre of tank, where it isn't weighed: common practice, no source. */
const ROCK_KG_PER_LITRE = 0.1;

/** Waters to change with; what is assumed of each until it is tested. From memory. */
export const SOURCES = {
  tap: { words: 'tap water', nitrate: 10, phosphate: 0.2 },
  rain: { words: 'rain or filtered water', nitrate: 0.5, phosphate: 0.02 },
  salt: { words: 'salt mixed with filtered water', nitrate: 0.2, phosphate: 0.02 },
} as const;
export type SourceName = keyof typeof SOURCES;

/** Changes until now are entered for so long at most. */
const WEEKS_OF_CHANGES = 12;

export const fresh = (): Answers => ({
  name: '',
  litres: undefined,
  keeping: '',
  animals: [],
  portion: '',
  portions: 1,
  feedsPerWeek: 7,
  plants: '',
  cover: '',
  filters: [],
  ageDays: undefined,
  percent: undefined,
  everyDays: 7,
  source: 'tap',
  sourceNitrate: undefined,
  sourcePhosphate: undefined,
  nitrate: undefined,
  phosphate: undefined,
});

type Lists = Schemas['Lists'];
const figure = (choices: Schemas['Choice'][], term: string, label: string): number =>
  choices.find((one) => one.term === term)?.figures.find((f) => f.label === label)?.value ?? 0;
const formOf = (lists: Lists, portion: string): string =>
  lists.portions.find((one) => one.term === portion)?.figures.find((f) => f.label === 'form')
    ?.unit ?? 'dry';

export function waterOf(lists: Lists, keeping: string): 'freshwater' | 'brackish' | 'marine' {
  const unit = lists.ways
    .find((one) => one.term === keeping)
    ?.figures.find((f) => f.label === 'water')?.unit;
  return unit === 'marine' || unit === 'brackish' ? unit : 'freshwater';
}

const round = (value: number) => Number(value.toPrecision(3));

/** The tank file as far as it was told; what was not is left to its default. */
export function fileOf(answers: Answers, lists: Lists, now: Date): TankFile {
  const today = ownDay(now.toISOString());
  const water = waterOf(lists, answers.keeping);
  const litres = answers.litres ?? 0;
  const source = SOURCES[answers.source];
  const age = answers.ageDays;
  const lastAgo = Math.min(Math.ceil(answers.everyDays / 2), age ?? Infinity);
  const weeks = Math.min(WEEKS_OF_CHANGES, ((age ?? Infinity) - lastAgo) / 7);
  const past = kept(
    {
      percent: age === 0 ? 0 : (answers.percent ?? 0),
      everyDays: answers.everyDays,
      lastOn: addDays(today, -lastAgo),
      weeks,
    },
    litres,
    today,
    (day) => new Date(`${day}T12:00`).toISOString(),
  );
  const planned =
    age === 0 && answers.percent
      ? { fraction: answers.percent / 100, everyDays: answers.everyDays }
      : past.routine;
  const test = (analyte: 'nitrate' | 'phosphate', value: number | undefined, unit: string) =>
    value === undefined
      ? []
      : [{ at: now.toISOString(), type: 'test' as const, analyte, value, unit }];
  const grams = round(figure(lists.portions, answers.portion, 'mass') * answers.portions);
  return {
    format: 'umberline-tank',
    version: 1,
    tank: {
      name: answers.name.trim() || 'New tank',
      water,
      netVolumeL: litres,
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      ...(answers.keeping ? { keeping: answers.keeping } : {}),
      ...(age === undefined ? {} : { startedOn: addDays(today, -age) }),
    },
    waters: [
      {
        id: 'change-water',
        name: source.words.charAt(0).toUpperCase() + source.words.slice(1),
        nitrateMgL: answers.sourceNitrate ?? source.nitrate,
        phosphateMgL: answers.sourcePhosphate ?? source.phosphate,
      },
    ],
    changeWater: [{ water: 'change-water', share: 1 }],
    ...(planned ? { routine: { waterChange: planned } } : {}),
    ...(answers.portion
      ? {
          foods: [
            {
              id: 'food',
              name: answers.portion
                .replace(/^an? (few |level )?/, '')
                .replace(/^\w/, (c) => c.toUpperCase()),
              form: formOf(lists, answers.portion) as 'dry',
              servingG: round(figure(lists.portions, answers.portion, 'mass')),
            },
          ],
          feeding: [{ food: 'food', gramsPerFeed: grams, feedsPerWeek: answers.feedsPerWeek }],
        }
      : {}),
    livestock: answers.animals
      .filter((one) => one.count > 0)
      .map((one) => ({
        name: one.size,
        count: one.count,
        massG: round(figure(lists.animalSizes, one.size, 'mass')),
      })),
    plants: answers.plants
      ? [
          {
            id: 'plants',
            name: 'Plants',
            kind: answers.plants,
            wetMassG: round(litres * figure(lists.plantCovers, answers.cover, 'wet')),
          },
        ]
      : [],
    exports: answers.filters.map((name) => ({
      id: name,
      ...FILTERS[name].entry,
      ...(name === 'rock' ? { massKg: round(litres * ROCK_KG_PER_LITRE) } : {}),
    })),
    log: [
      ...past.log.map((entry) => ({ ...entry, type: 'water-change' as const })),
      ...test('nitrate', answers.nitrate, 'mg/L NO3'),
      ...test('phosphate', answers.phosphate, 'mg/L PO4'),
    ],
  };
}
