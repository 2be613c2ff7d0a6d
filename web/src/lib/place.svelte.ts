import navaid from 'navaid';

/** Where the keeper is: the rounds, or one tank. */
export const place = $state<{ name: 'rounds' | 'balance'; tank: string }>({
  name: 'rounds',
  tank: '',
});

const router = navaid('/', () => router.route('/', true))
  .on('/', () => {
    place.name = 'rounds';
    place.tank = '';
  })
  .on('/tank/:id', (params) => {
    place.name = 'balance';
    place.tank = params?.id ?? '';
  });

/** Starts listening to links and the browser's history. */
export function listen(): void {
  router.listen();
}

export function goTo(path: string): void {
  router.route(path);
}
