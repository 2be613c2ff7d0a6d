import { goTo, place } from './place.svelte';
import { neighbour } from './tanks.svelte';

/** Every key that works anywhere, for the page that lists them. */
export const KEYS: [string, string][] = [
  ['/', 'to the entry line'],
  ['g r', 'to the rounds'],
  ['g u', 'to the upkeep of all tanks'],
  ['g t', 'to the testing bench'],
  ['g b', 'to the tank’s balance'],
  ['g l', 'to the tank’s log'],
  ['g c', 'to the tank’s water change'],
  ['g s', 'to trouble: signs seen in the tank'],
  ['g x', 'to the tank’s trials'],
  ['g v', 'to a visit of the tank'],
  ['g m', 'to the tank’s make-up'],
  ['g n', 'to a new tank'],
  ['g p', 'to practice on invented tanks'],
  ['[ and ]', 'to the tank before and after'],
  ['?', 'the guide, and these keys'],
  ['arrows', 'on a handle or a line: more and less; on the picture: day by day'],
  ['shift arrows, + and −', 'on the picture: along time, nearer and further'],
  ['Enter, Escape', 'adopt what is tried, put back what was'],
];

let afterG = 0;
const G_WAITS_MS = 1200;

function typing(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLTextAreaElement ||
    target instanceof HTMLSelectElement ||
    (target instanceof HTMLInputElement && target.type !== 'range' && target.type !== 'checkbox')
  );
}

/** Goes where a key leads; true when it led somewhere. */
export function follow(event: KeyboardEvent, showKeys: () => void): boolean {
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) return false;
  if (document.querySelector('dialog[open]')) return false;
  const led = event.timeStamp - afterG < G_WAITS_MS;
  afterG = 0;
  if (event.key === 'g') {
    afterG = event.timeStamp;
    return true;
  }
  if (led) {
    const paths: Record<string, string> = {
      r: '/',
      n: '/new',
      p: '/practice',
      u: '/upkeep',
      t: '/bench',
      ...(place.tank
        ? {
            b: `/tank/${place.tank}`,
            l: `/tank/${place.tank}/log`,
            c: `/tank/${place.tank}/change`,
            s: `/tank/${place.tank}/trouble`,
            x: `/tank/${place.tank}/trials`,
            v: `/tank/${place.tank}/visit`,
            m: `/tank/${place.tank}/make-up`,
          }
        : {}),
    };
    const path = paths[event.key];
    if (path) goTo(path);
    return path !== undefined;
  }
  if (event.key === '?') {
    showKeys();
    return true;
  }
  if ((event.key === '[' || event.key === ']') && place.tank) {
    const next = neighbour(place.tank, event.key === '[' ? -1 : 1);
    const stays = ['make-up', 'log', 'change'].includes(place.name);
    if (next) goTo(`/tank/${next}${stays ? `/${place.name}` : ''}`);
    return true;
  }
  return false;
}
