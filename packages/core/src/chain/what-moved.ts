import type { Verdict } from './evaluate';

/** One link that a change moved; NaN where it is refused or not needed on that side. */
export interface Moved {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

/** Links whose utilisation differs between two verdicts by at least 0.005, the largest change first. */
export function whatMoved(before: Verdict, after: Verdict): Moved[] {
  const of = (v: Verdict, id: string) => {
    const l = v.links.find((x) => x.id === id);
    return l && l.state !== 'refused' && l.state !== 'not needed' ? l.utilisation : NaN;
  };
  const names = new Map([...before.links, ...after.links].map((l) => [l.id, l.name]));
  const change = (m: Moved) => (Number.isNaN(m.from) || Number.isNaN(m.to) ? Infinity : Math.abs(m.to - m.from));
  return [...names]
    .map(([id, name]): Moved => ({ name, from: of(before, id), to: of(after, id) }))
    .filter((m) => !(Number.isNaN(m.from) && Number.isNaN(m.to)) && change(m) >= 0.005)
    .sort((a, b) => change(b) - change(a));
}
