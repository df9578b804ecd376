import { lagAt } from '../../job/lag';
import { atBolt } from '../../job/of-kind';
import type { Resolved } from '../../job/resolve';
import { refuse, type Refusal } from '../../units/refusal';
import { everyBolt, isLag } from '../check';

/** Lag screws of the joint, of all its kinds: what they draw or push together they do to one piece of wood. */
export const lagsOf = (r: Resolved): readonly number[] => r.bolts.flatMap((_, i) => (isLag(atBolt(r, i)) ? [i] : []));

/** Thread a lag has in the wood at least, point and all, over its diameter (EN 1995-1-1 §8.7.2(3)). */
const LEAST = 6;

/** A lag with little thread in the wood is none, and one with more than there is wood comes out behind. */
export function badLag(r: Resolved): Refusal | undefined {
  const { engagement } = r.joint;
  if (engagement < LEAST * r.d - 1e-6)
    return refuse(
      'joint.engagement',
      `${engagement.toFixed(0)} mm of thread in the timber is too little for a screw ${r.d.toFixed(1)} mm thick`,
      `at least 6·d, ${(LEAST * r.d).toFixed(0)} mm, its point and all`,
    );
  return engagement > r.skinThickness + 1e-6
    ? refuse(
        'joint.engagement',
        `${engagement.toFixed(0)} mm of thread does not go into ${r.skinThickness.toFixed(0)} mm of timber`,
        `up to ${r.skinThickness.toFixed(0)} mm`,
      )
    : undefined;
}

/** What a lag must be bought with, where one of its standard is too long for its timber. */
const threadWords = (r: Resolved): string[] =>
  everyBolt(r).every((i) => lagAt(r, i).standard)
    ? []
    : [
        `a lag of its standard with ${r.joint.engagement.toFixed(0)} mm of thread would come out behind: one that is threaded further is taken`,
      ];

/** Of lags: how they are threaded, and where the service class is not said, what was taken. */
export const lagWords = (r: Resolved): string[] => [...classWords(r), ...threadWords(r)];

/** Where the service class is not said, what was taken. */
export const classWords = (r: Resolved): string[] =>
  r.joint.place === 'not said' ? ['service class 1 or 2 is taken: say where the joint lives'] : [];
