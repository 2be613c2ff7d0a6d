import type { Schemas } from '../api/client';
import type { TankFile } from '../tank/make-up/file';

/** What a keeper tells of a new tank; the words are those of the server's lists. */
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
  cleaners: string[];
  /** Days since it was set up; 0 for one that begins today. */
  ageDays: number | undefined;
  /** Nothing until it is told; 0 percent for never. */
  percent: number | undefined;
  everyDays: number;
  /** Nothing until it is told: then what is usual for the kind of water. */
  changeWater: string;
  changeWaterNitrate: number | undefined;
  changeWaterPhosphate: number | undefined;
  nitrate: number | undefined;
  phosphate: number | undefined;
}

export type Keeping = NonNullable<TankFile['tank']['keeping']>;
export type PlantKind = NonNullable<TankFile['plants']>[number]['kind'];
type Lists = Schemas['Lists'];

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
  cleaners: [],
  ageDays: undefined,
  percent: undefined,
  everyDays: 7,
  changeWater: '',
  changeWaterNitrate: undefined,
  changeWaterPhosphate: undefined,
  nitrate: undefined,
  phosphate: undefined,
});

/** A figure of a term of a list; nothing where it has none. */
export const figureOf = (
  choices: Schemas['Choice'][],
  term: string,
  label: string,
): number | undefined =>
  choices.find((one) => one.term === term)?.figures.find((f) => f.label === label)?.value;

const waterOf = (choices: Schemas['Choice'][], term: string) =>
  choices.find((one) => one.term === term)?.figures.find((f) => f.label === 'water')?.unit;

/** The waters a tank of this kind is changed with, the usual one first. */
export function changeWatersOf(answers: Answers, lists: Lists): string[] {
  const salty = (waterOf(lists.ways, answers.keeping) ?? 'freshwater') !== 'freshwater';
  return lists.changeWaters
    .map((one) => one.term)
    .filter((term) => (waterOf(lists.changeWaters, term) === 'marine') === salty);
}

/** The water it is changed with: what was said, or else what is usual. */
export function changeWaterOf(answers: Answers, lists: Lists): string {
  const possible = changeWatersOf(answers, lists);
  return possible.includes(answers.changeWater) ? answers.changeWater : (possible[0] ?? '');
}

/** What was told, for the server; nothing until the volume is. */
export function toldTank(
  answers: Answers,
  lists: Lists,
  timeZone: string,
): Schemas['ToldTank'] | undefined {
  if (!answers.litres) return undefined;
  return {
    name: answers.name,
    litres: answers.litres,
    keeping: answers.keeping || undefined,
    animals: answers.animals,
    portion: answers.portion || undefined,
    helpings: answers.portions,
    feedsPerWeek: answers.feedsPerWeek,
    plants: answers.plants || undefined,
    cover: answers.cover || undefined,
    cleaners: answers.cleaners,
    ageDays: answers.ageDays,
    changedPercent: answers.percent,
    everyDays: answers.everyDays,
    changeWater: changeWaterOf(answers, lists),
    changeWaterNitrateMgL: answers.changeWaterNitrate,
    changeWaterPhosphateMgL: answers.changeWaterPhosphate,
    nitrateMgL: answers.nitrate,
    phosphateMgL: answers.phosphate,
    timeZone,
  };
}

const KEPT = 'umberline-new-tank';

/** What was told before the page was loaded anew; nothing typed is lost. */
export function keptTalk(): Answers {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(KEPT) ?? '{}');
    return { ...fresh(), ...(kept as Partial<Answers>) };
  } catch {
    return fresh();
  }
}

export const keepTalk = (answers: Answers) => sessionStorage.setItem(KEPT, JSON.stringify(answers));

export const forgetTalk = () => sessionStorage.removeItem(KEPT);
