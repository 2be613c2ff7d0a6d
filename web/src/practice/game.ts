import type { Schemas } from '../api/client';

export type Week = Schemas['PracticeWeekKept'];

/** A practice tank that is being kept, or was kept to its end. */
export interface Game {
  term: string;
  seed: number;
  weeks: Week[];
  /** Checks of the week that is open. */
  looked: string[];
}

/** What is chosen for the open week. */
export interface Choice {
  litres: number;
  filling: string;
  feeding: number;
  adsorber: boolean;
  testedAfter: boolean;
}

export const NOTHING: Choice = {
  litres: 0,
  filling: 'usual',
  feeding: 1,
  adsorber: false,
  testedAfter: false,
};

export const FEEDINGS: [number, string][] = [
  [0, 'nothing'],
  [0.25, 'a quarter of the usual'],
  [0.5, 'half of the usual'],
  [0.75, 'three quarters of the usual'],
  [1, 'as usual'],
  [1.5, 'half as much again'],
];

const KEY = 'umberline-practice';
const STEPS = 10;

export const begun = (term: string, seed: number): Game => ({ term, seed, weeks: [], looked: [] });

/** Whether a check is made this week; nitrate may be read again after its kit was tried. */
export const isLooked = ({ looked }: Game, term: string): boolean =>
  (term === 'nitrate' ? looked.slice(looked.lastIndexOf('standard') + 1) : looked).includes(term);

/** The open week is closed with what was done in it. */
export const lived = (game: Game, choice: Choice): Game => ({
  ...game,
  weeks: [...game.weeks, { ...choice, checks: game.looked }],
  looked: [],
});

/** Litres to choose from, none first. */
export const amounts = (most: number): number[] =>
  Array.from({ length: STEPS + 1 }, (_, step) => Math.round((most * step * 10) / STEPS) / 10);

export function saved(): Game | null {
  try {
    const game = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Game | null;
    return game && Array.isArray(game.weeks) && Array.isArray(game.looked) ? game : null;
  } catch {
    return null;
  }
}

export function save(game: Game | null): void {
  if (game) localStorage.setItem(KEY, JSON.stringify(game));
  else localStorage.removeItem(KEY);
}

/** A course as a line through a picture of this size, the top of it at `most`. */
export const path = (course: number[], most: number, width: number, height: number): string =>
  course
    .map((level, day) => {
      const x = (day / (course.length - 1)) * width;
      const y = height * (1 - level / most);
      return `${day === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
    })
    .join('');

/** The top of a picture that shows all of them, with some air. */
export const top = (...levels: number[][]): number => 1.12 * Math.max(...levels.flat());
