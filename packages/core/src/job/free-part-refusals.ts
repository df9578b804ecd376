import { runsThroughItself } from '../geometry/bent-bar';
import { outlineFault } from '../geometry/outline';
import { bends as bendsCold, leastBend, setback } from '../stock/bends';
import type { Metal } from '../stock/metals';
import { formatQuantity } from '../units/format-quantity';
import type { Plain } from '../units/quantity';
import { refuse, type Refusal } from '../units/refusal';
import type { FreePart } from './free-part';
import { endsOf } from './made-hole';
import { madeHoleRefusals } from './made-hole-refusals';
import { insideRadius, partBlank } from './part-blank';
import type { Job } from './schema';

type Part = Plain<FreePart>;
type Say = (v: number) => string;

/** Straight metal past a bend that a brake can hold, over thickness (common practice). */
const LEAST_FLANGE = 2.5;

/** What cannot be made of a job's own parts, each by its place. */
export function freePartRefusals(job: Job, parts: readonly { readonly part: Part; readonly metal: Metal }[]): Refusal[] {
  const mm: Say = (v) => formatQuantity(v, 'length', job.units);
  return parts.flatMap(({ part, metal }, i) => {
    const field = `parts.${i} (${part.name})`;
    const twice = parts.findIndex((o) => o.part.id === part.id) < i;
    const form = formRefusals(part, metal, field, mm);
    return [
      ...(twice ? [refuse(field, 'two parts have this id', 'each part its own')] : []),
      ...form,
      // A form that cannot be made has no place for its holes.
      ...(form.length > 0 ? [] : [...holeRefusals(part, field, mm), ...eyeRefusals(part, field), ...worksRefusals(part, field)]),
    ];
  });
}

function formRefusals({ stock: s }: Part, metal: Metal, field: string, mm: Say): Refusal[] {
  if (s.form === 'plate') {
    const fault = outlineFault(s.outline);
    return fault ? [refuse(field, fault, 'a closed outline, anticlockwise, that leaves metal between its edges')] : [];
  }
  if (s.form === 'square tube' || s.form === 'round tube') {
    const least = s.form === 'round tube' ? s.outside : Math.min(s.width, s.depth);
    return 2 * s.wall >= least ? [refuse(field, `two walls of ${mm(s.wall)} fill the tube`, `under ${mm(least / 2)}`)] : [];
  }
  if (s.form === 'angle')
    return s.thickness >= Math.min(s.leg, s.other)
      ? [refuse(field, `${mm(s.thickness)} is as thick as a leg is wide`, `under ${mm(Math.min(s.leg, s.other))}`)]
      : [];
  return s.form === 'flat bar' ? barRefusals(s, metal, field, mm) : [];
}

function barRefusals(s: Extract<Part['stock'], { form: 'flat bar' }>, metal: Metal, field: string, mm: Say): Refusal[] {
  const t = s.thickness;
  if (s.bends.length !== s.legs.length - 1)
    return [refuse(field, `${s.bends.length} bends between ${s.legs.length} legs`, 'one bend less than legs')];
  if (s.bends.length > 0 && !bendsCold(metal))
    return [refuse(field, `${metal.name} does not bend cold`, 'a metal, or a straight bar')];
  const bar = { legs: s.legs, turns: s.bends.map((b) => (b.up ? b.angle : -b.angle)) };
  if (runsThroughItself(bar, t))
    return [refuse(field, 'bent so it runs through itself', 'legs that stay clear of each other, or another way up')];
  const no: Refusal[] = [];
  const r_min = leastBend(metal) * t;
  for (const [k, b] of s.bends.entries())
    if (b.made === 'kerf' && !b.throat)
      no.push(refuse(field, `bend ${k + 1}: a kerf that is not welded holds nothing`, 'the throat of its weld'));
    else if (b.made !== 'kerf' && b.radius < r_min - 1e-6)
      no.push(
        refuse(
          field,
          `bend ${k + 1}: an inside radius of ${mm(b.radius)} cracks ${metal.name.toLowerCase()} ${mm(t)} thick`,
          `at least ${mm(r_min)} (common practice)`,
        ),
      );
  s.legs.forEach((leg, k) => {
    const back = [s.bends[k - 1], s.bends[k]].reduce((sum, b) => sum + (b ? setback(b.angle, insideRadius(b), t) : 0), 0);
    const need = back + (s.bends.length > 0 ? LEAST_FLANGE * t : 0);
    if (leg < need - 1e-6)
      no.push(
        refuse(
          field,
          `leg ${k + 1} of ${mm(leg)} is too short beside its bend: no brake holds it`,
          `at least ${mm(need)}, 2.5·t past the bend (common practice)`,
        ),
      );
  });
  if (s.rounded && s.bends.length === 0 && s.legs[0]! < s.width)
    no.push(
      refuse(field, `it is ${mm(s.legs[0]!)} long with half-round ends ${mm(s.width)} wide`, `at least ${mm(s.width)} long`),
    );
  return no;
}

function holeRefusals(part: Part, field: string, mm: Say): Refusal[] {
  const { region, holes, bends } = partBlank(part);
  return [
    ...madeHoleRefusals(holes, region, field, mm),
    ...holes.flatMap((h) => {
      const [from, to] = endsOf(h).map((p) => p.x) as [number, number];
      const bend = bends.findIndex((b) => Math.max(from, to) + h.d / 2 > b.from && Math.min(from, to) - h.d / 2 < b.to);
      return bend < 0
        ? []
        : [refuse(`${field}, hole ${h.id}`, `bend ${bend + 1} goes through it`, 'clear of the bend, better 2.5·t + r from it')];
    }),
  ];
}

function eyeRefusals({ eye, holes, stock }: Part, field: string): Refusal[] {
  if (!eye) return [];
  if (holes.every((h) => h.id !== eye.hole))
    return [refuse(field, `it has no hole ${eye.hole} for its pin`, holes.map((h) => h.id).join(', ') || 'a hole first')];
  if (stock.form !== 'plate' && stock.form !== 'flat bar')
    return [refuse(field, `a pin through ${stock.form} is not judged as a lug`, 'plate or flat bar')];
  return [];
}

/** What an arm or a brace needs to be judged. */
function worksRefusals({ works, holes, stock }: Part, field: string): Refusal[] {
  if (!works || works.as === 'block') return [];
  const names = holes.map((h) => h.id).join(', ') || 'holes first';
  const missing = [works.from, works.to].find((id) => holes.every((h) => h.id !== id));
  if (missing !== undefined) return [refuse(field, `it has no hole ${missing}`, names)];
  if (works.from === works.to) return [refuse(field, 'its load comes in where it is fixed', 'two holes apart')];
  if (stock.form === 'angle' && Math.abs(stock.leg - stock.other) > 1e-6)
    return [refuse(field, 'an angle of unlike legs is not judged as an arm or a brace', 'equal legs')];
  return [];
}
