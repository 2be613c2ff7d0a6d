import { api, type Schemas } from '../api/client';

/** The keeper's tanks by name, those that are put away last. */
export const tanks = $state<{ all: Schemas['TankName'][] }>({ all: [] });

export async function loadTanks(): Promise<void> {
  tanks.all = (await api.GET('/api/tanks')).data ?? [];
}

const ROLES = ['READER', 'HELPER', 'CO_KEEPER', 'OWNER'] as const;

/** Whether the keeper's role in a tank is so much or more; where it isn't known the server says. */
export function may(id: string, least: (typeof ROLES)[number]): boolean {
  const role = tanks.all.find((tank) => tank.id === id)?.role ?? 'OWNER';
  return ROLES.indexOf(role) >= ROLES.indexOf(least);
}

/** The tank so many places after this one, around the corner. */
export function neighbour(id: string, step: number): string | undefined {
  const kept = tanks.all.filter((tank) => !tank.putAway);
  const at = kept.findIndex((tank) => tank.id === id);
  if (at < 0) return undefined;
  return kept[(at + step + kept.length) % kept.length]?.id;
}
