/** Where something in a list has the id of one before it: an act on the one would change the other, and a merge lose one. */
export interface TwiceNamed {
  readonly path: (string | number)[];
  readonly id: string;
}

/** Every id that stands twice in one list, anywhere in a document. */
export function twiceNamed(value: unknown, path: (string | number)[] = []): TwiceNamed[] {
  if (typeof value !== 'object' || value === null) return [];
  if (!Array.isArray(value)) return Object.entries(value).flatMap(([key, v]) => twiceNamed(v, [...path, key]));
  const taken = new Set<string>();
  return value.flatMap((item: unknown, i): TwiceNamed[] => {
    const id = (item as { id?: unknown } | null)?.id;
    const twice = typeof id === 'string' && taken.has(id);
    if (typeof id === 'string') taken.add(id);
    return [...(twice ? [{ path: [...path, i, 'id'], id }] : []), ...twiceNamed(item, [...path, i])];
  });
}
