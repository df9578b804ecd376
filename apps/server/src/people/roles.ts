/** What a person may do; each may do what the ones before may. */
export const ROLES = ['look', 'work', 'sign', 'keep'] as const;
export type Role = (typeof ROLES)[number];

export const may = (has: Role, needs: Role): boolean => ROLES.indexOf(has) >= ROLES.indexOf(needs);

/** A request as far as it decides who may make it. */
export interface Asked {
  readonly method: string;
  /** Under `/api`. */
  readonly path: string;
}

/** What a request needs. Writing is work; the shop's own tables, people and what cannot be had back are its keeper's. What is signed is looked at where it is written. */
export function needed({ method, path }: Asked): Role {
  if (path.startsWith('/people') || path.startsWith('/deeds')) return 'keep';
  if (method === 'GET' || method === 'HEAD') return 'look';
  // Instruments are heard by whoever looks, and pressed by whoever works; saying which job is open is looking.
  if (path.startsWith('/live')) return 'look';
  if (method === 'DELETE' && path.startsWith('/jobs')) return path.includes('/links/') ? 'work' : 'keep';
  if (path.startsWith('/shop') || path.startsWith('/demo')) return 'keep';
  return 'work';
}
