import navaid from 'navaid';

export type PlaceName =
  | 'rounds'
  | 'upkeep'
  | 'bench'
  | 'balance'
  | 'make-up'
  | 'log'
  | 'change'
  | 'doses'
  | 'trials'
  | 'trouble'
  | 'visit'
  | 'new'
  | 'practice'
  | 'account'
  | 'join'
  | 'sit';

/** Where the keeper is: the rounds, one tank's page, or a tank in the making. */
export const place = $state<{ name: PlaceName; tank: string; token: string }>({
  name: 'rounds',
  tank: '',
  token: '',
});

function go(name: PlaceName, tank = '', token = ''): void {
  place.name = name;
  place.tank = tank;
  place.token = token;
}

const router = navaid('/', () => router.route('/', true))
  .on('/', () => go('rounds'))
  .on('/new', () => go('new'))
  .on('/practice', () => go('practice'))
  .on('/account', () => go('account'))
  .on('/sit/:token', (params) => go('sit', '', params?.token))
  .on('/join/:token', (params) => go('join', '', params?.token))
  .on('/upkeep', () => go('upkeep'))
  .on('/bench', () => go('bench'))
  .on('/tank/:id', (params) => go('balance', params?.id))
  .on('/tank/:id/change', (params) => go('change', params?.id))
  .on('/tank/:id/doses', (params) => go('doses', params?.id))
  .on('/tank/:id/trials', (params) => go('trials', params?.id))
  .on('/tank/:id/trouble', (params) => go('trouble', params?.id))
  .on('/tank/:id/visit', (params) => go('visit', params?.id))
  .on('/tank/:id/log', (params) => go('log', params?.id))
  .on('/tank/:id/make-up', (params) => go('make-up', params?.id));

/** Starts listening to links and the browser's history. */
export function listen(): void {
  router.listen();
}

export function goTo(path: string): void {
  router.route(path);
}
