import type { Metal } from '../stock/metals';
import { refuse, type Refusal } from '../units/refusal';

/**
 * Rules for steel and other metals count on yielding: they even out what a bolt presses and a plate bends. A laminate breaks
 * first. Refuses one; nothing for a metal.
 */
export const brittle = (m: Metal, field: string, what: string): Refusal | undefined =>
  m.group === 'laminate'
    ? refuse(field, `${m.name} does not yield: there is no rule here for ${what}`, 'a metal, or strengths by test')
    : undefined;
