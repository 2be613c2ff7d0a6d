import { api, type Schemas } from '../api/client';
import { untilAnswered } from './connection.svelte';

/** The keeper's tanks by name, for going from one to the next. */
export const tanks = $state<{ all: Schemas['TankName'][] }>({ all: [] });

export async function loadTanks(): Promise<void> {
  tanks.all = (await untilAnswered(() => api.GET('/api/tanks'))).data ?? [];
}

/** The tank so many places after this one, around the corner. */
export function neighbour(id: string, step: number): string | undefined {
  const at = tanks.all.findIndex((tank) => tank.id === id);
  if (at < 0) return undefined;
  return tanks.all[(at + step + tanks.all.length) % tanks.all.length]?.id;
}
