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
    return { school: p.school, onYield: 1, onBreak: 1, onSkin: 1, onGlue: 1, plastic: skin.basis === 'yield' ? 1.5 : 1 };
  const working = p.school === 'working';
  const [onYield, onBreak] = working
    ? [p.onYield, p.onBreak]
    : p.rules === 'AISC'
      ? [PHI_YIELD, PHI_BREAK]
      : [p.gammaM0, p.gammaM2];
  const onSkin = skin.basis === 'yield' ? onYield : working ? p.onBreak : skin.gammaM;
  return { school: p.school, onYield, onBreak, onSkin, onGlue: onBreak, plastic: 1 };
}

const made = new WeakMap<Resolved, Map<Duration, Resolved>>();

/** Over a week. */
const LASTS: ReadonlySet<Duration> = new Set(['permanent', 'long', 'medium']);

/**
 * What a load that lasts takes off the strength of plastics: laminate, the foam or balsa of a core, glue. They creep, and break in time at about half of
 * what breaks them in minutes: EUROCOMP Tab. 2.6, γ_m,3 2.5 for loads that last against 1.2 for short ones (memory).
 */
export const CREEP = 2;

/** Parts of the strength a skin has left under a load that lasts so long: wood by k_mod (EN 1995-1-1 §2.4.1), laminate and its core by creep; metal and stone all of it. */
function leftOf(
  { substrate, skin }: Pick<Resolved, 'substrate' | 'skin'>,
  service: Resolved['serviceClass'],
  duration: Duration,
): number {
  if (skin.wood) return K_MOD[service][duration];
  const plastic = substrate.kind === 'laminate' || substrate.kind === 'sandwich';
  return plastic && LASTS.has(duration) ? 1 / CREEP : 1;
}

/** The job as strong as it is under a load that lasts so long: what the skin has left, and glue by creep; metal as it is. */
export function lasting(r: Resolved, duration: Duration): Resolved {
  const left = (k: Pick<Resolved, 'substrate' | 'skin'>) => leftOf(k, r.serviceClass, duration);
  if (!LASTS.has(duration) && left(r) === 1 && r.kinds.every((k) => left(k) === 1)) return r;
  let known = made.get(r);
  if (!known) made.set(r, (known = new Map()));
  let at = known.get(duration);
  if (!at) {
    const onGlue = LASTS.has(duration) ? CREEP : 1;
    const weaker = <T extends Pick<Resolved, 'skin' | 'substrate' | 'factors'>>(k: T): T => ({
      ...k,
      factors: { ...k.factors, onSkin: k.factors.onSkin / left(k), onGlue: k.factors.onGlue * onGlue },
    });
    known.set(duration, (at = { ...weaker(r), kinds: r.kinds.map(weaker) }));
  }
  return at;
}
