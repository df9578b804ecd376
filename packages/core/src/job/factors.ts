import { K_MOD, type Duration } from '../stock/load-duration';
import type { SkinStrength } from '../stock/skins';
import type { Factors, Resolved } from './resolved';
import type { Job } from './schema';

/** Resistance factors of AISC 360-16 as divisors: φ 0.75 on break (J3, J4), 0.90 on yield (D2, F11, J4.1). */
export const PHI_BREAK = 1 / 0.75;
export const PHI_YIELD = 1 / 0.9;

/** The divisors of the school the job names. A crash taken as the last load takes strength whole and lets a flat plate bend plastically. */
export function factorsOf(p: Job['practice'], skin: SkinStrength): Factors {
  if (p.school === 'ultimate')
    return { school: p.school, onYield: 1, onBreak: 1, onSkin: 1, plastic: skin.basis === 'yield' ? 1.5 : 1 };
  const working = p.school === 'working';
  const [onYield, onBreak] = working
    ? [p.onYield, p.onBreak]
    : p.rules === 'AISC'
      ? [PHI_YIELD, PHI_BREAK]
      : [p.gammaM0, p.gammaM2];
  const onSkin = skin.basis === 'yield' ? onYield : working ? p.onBreak : skin.gammaM;
  return { school: p.school, onYield, onBreak, onSkin, plastic: 1 };
}

const made = new WeakMap<Resolved, Map<Duration, Resolved>>();

/** The job as strong as its skin is under a load that lasts so long: wood by k_mod (EN 1995-1-1 §2.4.1), all else as it is. */
export function lasting(r: Resolved, duration: Duration): Resolved {
  if (!r.skin.wood && r.kinds.every((k) => !k.skin.wood)) return r;
  let known = made.get(r);
  if (!known) made.set(r, (known = new Map()));
  let at = known.get(duration);
  if (!at) {
    const k_mod = K_MOD[r.serviceClass][duration];
    const weaker = <T extends Pick<Resolved, 'skin' | 'factors'>>(k: T): T =>
      k.skin.wood ? { ...k, factors: { ...k.factors, onSkin: k.factors.onSkin / k_mod } } : k;
    known.set(duration, (at = { ...weaker(r), kinds: r.kinds.map(weaker) }));
  }
  return at;
}
