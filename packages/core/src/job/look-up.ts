import { classIn, FASTENER_CLASSES, fastenerClass, type FastenerClass } from '../stock/fastener-classes';
import { fastenerSize, type FastenerSize } from '../stock/fasteners';
import { asWelded, metal, type Metal } from '../stock/metals';
import { NUT_CLASSES, nutClass, type NutClass } from '../stock/nuts';
import {
  bed,
  flangeMetal,
  hollowWall,
  laminate,
  plywood,
  sandwich,
  sheet,
  sheetOf,
  timber,
  type SkinStrength,
} from '../stock/skins';
import { refuse, type Refusal } from '../units/refusal';
import { jobOfKind, kindsUsed } from './fastener-kinds';
import type { Job } from './schema';
import { skinOfZone } from './zones';

/** A kind of fastener with its names looked up. */
export interface Fastener {
  readonly size: FastenerSize;
  readonly grade: FastenerClass;
  readonly nut: NutClass;
}

/** Every name in the document as the row of stock it stands for. */
export interface LookedUp {
  /** In the order of `kindsUsed`. */
  readonly fasteners: readonly Fastener[];
  readonly plateMetal: Metal;
  readonly baseMetal: Metal;
  readonly farMetal: Metal | undefined;
  readonly skin: SkinStrength;
  readonly skinMetal: Metal | undefined;
  /** Of each zone, by its id. */
  readonly zoneSkins: ReadonlyMap<string, Pick<LookedUp, 'skin' | 'skinMetal'>>;
  readonly lugMetal: Metal | undefined;
  readonly pinGrade: FastenerClass | undefined;
  /** Of each of the job's own parts, in their order; the pin's class where it has one. */
  readonly partMetals: readonly { readonly metal: Metal; readonly pinGrade: FastenerClass | undefined }[];
}

/** What a base is taken to be made of until somebody says: the weakest steel of the list. */
export const USUAL_BASE_METAL = 'S235';

const list = (rows: readonly { readonly id: string }[]) => rows.map((r) => r.id).join(', ');

/** Looks every name up; each that is not in stock is refused at its field. */
export function lookUp(job: Job): LookedUp | readonly Refusal[] {
  const no: Refusal[] = [];
  const found = <T>(row: T | undefined, field: string, id: string, allowed: string): T | undefined => {
    if (row === undefined) no.push(refuse(field, `"${id}" is not in the stock list`, allowed));
    return row;
  };
  const ofMetal = (id: string, field: string) => found(metal(id, job.ownStock.metals), field, id, 'a metal of the stock list');
  const { far, lug } = job;
  const fasteners = kindsUsed(job).flatMap((kind) => fastenerOf(job, kind, no) ?? []);
  const plateMetal = ofMetal(job.plate.metal, 'plate.metal');
  const baseMetal = ofMetal(job.base.metal ?? USUAL_BASE_METAL, 'base.metal');
  const farMetal = 'metal' in far ? ofMetal(far.metal, 'far.metal') : undefined;
  const lugMetal = lug && ofMetal(lug.metal, 'lug.metal');
  const pin = lug && found(fastenerClass(lug.pinClass), 'lug.pinClass', lug.pinClass, 'a bolt class of the stock list');
  const partMetals = (job.parts ?? []).flatMap((p, i) => {
    const m = ofMetal(p.metal, `parts.${i}.metal`);
    const { eye } = p;
    const named =
      eye && found(fastenerClass(eye.pinClass), `parts.${i}.eye.pinClass`, eye.pinClass, 'a bolt class of the stock list');
    return m ? [{ metal: m, pinGrade: named && eye && classIn(named, eye.pin.v) }] : [];
  });
  const skin = found(skinOf(job), ...skinField(job));
  const skinMetal = 'metal' in job.skin ? metal(job.skin.metal, job.ownStock.metals) : undefined;
  const zoneSkins = new Map<string, Pick<LookedUp, 'skin' | 'skinMetal'>>();
  (job.survey.zones ?? []).forEach((z, i) => {
    const there = { ...job, skin: skinOfZone(job, z) };
    const [field, id, allowed] = skinField(there);
    const s = found(skinOf(there), field.replace('skin', `survey.zones.${i}.skin`), id, allowed);
    if (s) zoneSkins.set(z.id, { skin: s, skinMetal: 'metal' in z.skin ? metal(z.skin.metal, job.ownStock.metals) : undefined });
  });
  no.push(...kindRefusals(job));
  if (!plateMetal || !baseMetal || !skin || no.length > 0) return no;
  no.push(...laminateRefusals(job, skinMetal));
  if (no.length > 0) return no;
  const pinGrade = pin && lug && classIn(pin, lug.pin.v);
  const { fitting, doubler } = job.welds;
  const [on, down] = [fitting !== 'none', doubler !== 'none'];
  const welded = down && skinMetal ? asWelded(skinMetal) : skinMetal;
  return {
    fasteners,
    plateMetal: on || down ? asWelded(plateMetal) : plateMetal,
    baseMetal: on ? asWelded(baseMetal) : baseMetal,
    farMetal,
    // A metal that welding softened is as weak as a skin too.
    skin: welded && welded !== skinMetal ? { ...sheetOf(welded), name: `${welded.name}, ${job.skin.kind}` } : skin,
    skinMetal: welded,
    zoneSkins,
    lugMetal,
    pinGrade,
    partMetals,
  };
}

/** Size, class and nut of one kind; what is not in stock is put to `no` at its field. */
function fastenerOf(job: Job, kind: string | undefined, no: Refusal[]): Fastener | undefined {
  const { bolts } = jobOfKind(job, kind);
  const at = kind === undefined ? 'bolts' : `bolts.kinds.${job.bolts.kinds!.findIndex((k) => k.id === kind)}`;
  const missing = (field: string, value: string, allowed: string) =>
    no.push(refuse(`${at}.${field}`, `"${value}" is not in the stock list`, allowed));
  const size = fastenerSize(bolts.size);
  const named = fastenerClass(bolts.class);
  const nut = nutClass(bolts.nut);
  if (!size) missing('size', bolts.size, 'M5 to M24 coarse and fine, 1/4 to 1 in UNC and UNF');
  if (!named) missing('class', bolts.class, list(FASTENER_CLASSES));
  if (!nut) missing('nut', bolts.nut, list(NUT_CLASSES));
  if (!size || !named || !nut) return undefined;
  no.push(...familyRefusals(at, size, named, nut));
  return { size, grade: classIn(named, size.d), nut };
}

/** Kinds that two fasteners share a name of, and bolts of a kind that is not there. */
function kindRefusals(job: Job): Refusal[] {
  const { kinds = [], items } = job.bolts;
  const twice = kinds.flatMap((k, i) =>
    kinds.findIndex((o) => o.id === k.id) < i
      ? [refuse(`bolts.kinds.${i}.id`, `two kinds are called ${k.id}`, 'each kind its own name')]
      : [],
  );
  const names = kinds.map((k) => k.id).join(', ');
  const unknown = items.flatMap((b, i) =>
    b.kind !== undefined && kinds.every((k) => k.id !== b.kind)
      ? [
          refuse(
            `bolts.items.${i} (${b.id})`,
            `there is no kind "${b.kind}"`,
            names || 'none: the joint has one kind of fastener',
          ),
        ]
      : [],
  );
  return [...twice, ...unknown];
}

/** A bolt, its class and its nut come from one family of threads. */
function familyRefusals(at: string, size: FastenerSize, grade: FastenerClass, nut: NutClass): Refusal[] {
  const no: Refusal[] = [];
  const metric = size.family === 'metric';
  if (size.family !== grade.family)
    no.push(
      refuse(
        `${at}.class`,
        `class ${grade.id} is not made in ${size.id}`,
        metric ? '4.6 to 12.9, A2, A4 with metric bolts' : 'Gr 2, 5, 8, A325, A490, F593 with inch bolts',
      ),
    );
  if (size.family !== nut.family)
    no.push(
      refuse(
        `${at}.nut`,
        `a class ${nut.id} nut is not made in ${size.id}`,
        metric ? '5, 8, 10, 12, A2, A4' : 'Gr 2, 5, 8, A563-DH, F594',
      ),
    );
  return no;
}

/** A laminate is no sheet metal: it has no yield, and rules for steel do not know it. */
function laminateRefusals(job: Job, skinMetal: Metal | undefined): Refusal[] {
  if (skinMetal?.group !== 'laminate') return [];
  const what = { hollow: 'hollow section', flange: 'flange' }[job.skin.kind as string] ?? 'sheet';
  const instead = job.skin.kind !== 'sheet' ? 'a metal section' : 'a metal sheet, or the skin as a laminate';
  return [refuse('skin.metal', `${skinMetal.name} as a ${what} is judged by rules for metal, which do not hold for it`, instead)];
}

const skinField = (job: Job): readonly [field: string, id: string, allowed: string] => {
  const s = job.skin;
  if ('grade' in s) return ['skin.grade', s.grade, `a ${s.kind} of the stock list`];
  return ['skin.metal', 'metal' in s ? s.metal : s.kind, 'a metal of the stock list'];
};

function skinOf(job: Job): SkinStrength | undefined {
  const s = job.skin;
  const own = job.ownStock.metals;
  switch (s.kind) {
    case 'sheet':
      return sheet(s.metal, own);
    case 'plywood':
      return plywood(s.grade);
    case 'laminate':
      return laminate(s.glass.v);
    case 'sandwich':
      return sandwich(s.glass.v, { crush: s.coreCrush.v });
    case 'timber':
      return timber(s.grade);
    case 'hollow':
      return hollowWall(s.metal, own);
    case 'flange':
      return flangeMetal(s.metal, own);
    case 'bed':
      return bed(s.strength.v);
  }
}
