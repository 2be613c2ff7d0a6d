import navaid from 'navaid';

export type PlaceName = 'rounds' | 'balance' | 'make-up' | 'log' | 'new';

/** Where the keeper is: the rounds, one tank's page, or a tank in the making. */
export const place = $state<{ name: PlaceName; tank: string }>({ name: 'rounds', tank: '' });

function go(name: PlaceName, tank = ''): void {
  place.name = name;
  place.tank = tank;
}

const router = navaid('/', () => router.route('/', true))
  .on('/', () => go('rounds'))
  .on('/new', () => go('new'))
  .on('/tank/:id', (params) => go('balance', params?.id))
  .on('/tank/:id/log', (params) => go('log', params?.id))
  .on('/tank/:id/make-up', (params) => go('make-up', params?.id));

/** Starts listening to links and the browser's history. */
export function listen(): void {
  router.listen();
}

export function goTo(path: string): void {
  router.route(path);
}
