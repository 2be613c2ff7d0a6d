import { KEEPING, PLANT } from '../tank/make-up/words';
import type { Answers, Keeping, PlantKind } from './talk';

/** The questions of the talk in their order, and how the answers read as one sentence. */
export const QUESTIONS = [
  { key: 'tank', asks: 'What do you call it, and how much water is in it?', next: 'its kind' },
  { key: 'keeping', asks: 'What is it kept for?', next: 'who lives there' },
  { key: 'animals', asks: 'Who lives there?', next: 'how you feed' },
  { key: 'feeding', asks: 'How do you feed?', next: 'what grows' },
  { key: 'plants', asks: 'What grows in it?', next: 'the filter' },
  { key: 'filter', asks: 'What cleans it, and since when does it run?', next: 'your changes' },
  { key: 'changes', asks: 'How do you change the water now?', next: 'your last tests' },
  { key: 'tests', asks: 'What did your last test read?', next: '' },
] as const;
export type QuestionKey = (typeof QUESTIONS)[number]['key'];

export const AGES = [
  { words: 'it begins today', said: 'beginning today', days: 0 },
  { words: 'for a few weeks', said: 'running for a few weeks', days: 21 },
  { words: 'for about three months', said: 'running for about three months', days: 90 },
  { words: 'for about a year', said: 'running for about a year', days: 365 },
  { words: 'for several years', said: 'running for several years', days: 1095 },
];

export const CHANGES = [
  { words: 'never', percent: 0, everyDays: 7 },
  { words: 'now and then', percent: 20, everyDays: 42 },
  { words: 'about a quarter every week', percent: 25, everyDays: 7 },
  { words: 'a third every two weeks', percent: 33, everyDays: 14 },
  { words: 'a half every week', percent: 50, everyDays: 7 },
];

export const FEEDS = [
  { words: 'twice a day', perWeek: 14 },
  { words: 'once a day', perWeek: 7 },
  { words: 'every other day', perWeek: 3.5 },
  { words: 'twice a week', perWeek: 2 },
];

export const KINDS = Object.entries(KEEPING).filter(([key]) => key !== 'new') as [
  Keeping,
  string,
][];
export const PLANTS = Object.entries(PLANT) as [PlantKind, string][];

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const few = (count: number) => NUMBERS[count] ?? String(count);

/** “two pinches of flakes”, of “a pinch of flakes”. */
export function helpings(count: number, portion: string): string {
  if (count === 1) return portion;
  const more = portion.replace(/^an? ((?:level |frozen )?\w+)/, (_, one: string) =>
    one === 'few' ? 'helpings of a few' : `${one}${one.endsWith('ch') ? 'es' : 's'}`,
  );
  return `${few(count)} ${more}`;
}

const feeds = (perWeek: number) =>
  FEEDS.find((one) => one.perWeek === perWeek)?.words ?? `${perWeek} times a week`;

/** How the changes are said. */
export function changesWords(percent: number, everyDays: number): string {
  const usual = CHANGES.find((one) => one.percent === percent && one.everyDays === everyDays);
  if (percent === 0) return 'its water never changed';
  if (usual) return `its water changed ${usual.words}`;
  return `${percent} % of its water changed every ${everyDays === 1 ? 'day' : `${everyDays} days`}`;
}

/** What was told, in the order of the questions; each part leads back to its question. */
export function toldSoFar(
  answers: Answers,
  changeWater: string,
  volume: (litres: number) => string,
): { question: QuestionKey; words: string }[] {
  const told: { question: QuestionKey; words: string }[] = [];
  const tell = (question: QuestionKey, words: string) => told.push({ question, words });
  if (answers.litres !== undefined)
    tell('tank', `${answers.name.trim() || 'A tank'} of ${volume(answers.litres)}`);
  if (answers.keeping) tell('keeping', KEEPING[answers.keeping]);
  const animals = answers.animals.filter((one) => one.count > 0);
  if (animals.length > 0)
    tell('animals', animals.map((one) => `${few(one.count)} ${one.size}`).join(' and '));
  if (answers.portion)
    tell(
      'feeding',
      `fed ${helpings(answers.portions, answers.portion)} ${feeds(answers.feedsPerWeek)}`,
    );
  if (answers.plants)
    tell('plants', `${PLANT[answers.plants]}${answers.cover ? `, ${answers.cover}` : ''}`);
  const age = AGES.find((one) => one.days === answers.ageDays)?.said;
  if (answers.cleaners.length > 0 || age)
    tell('filter', [answers.cleaners.join(' and '), age].filter(Boolean).join(', '));
  if (answers.percent !== undefined)
    tell(
      'changes',
      `${changesWords(answers.percent, answers.everyDays)}${answers.percent > 0 && changeWater ? ` with ${changeWater}` : ''}`,
    );
  const tests = [
    answers.nitrate === undefined ? '' : `nitrate ${answers.nitrate}`,
    answers.phosphate === undefined ? '' : `phosphate ${answers.phosphate}`,
  ].filter(Boolean);
  if (tests.length > 0) tell('tests', `${tests.join(' and ')} today`);
  return told;
}
