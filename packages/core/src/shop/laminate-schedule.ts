import { LAYUP } from '../stock/products';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';
import { boughtMass } from './cut-parts';
import type { MadeOf } from './made-of';

/** A laminate part laid up in the shop: cloth on cloth until it is as thick as it is drawn. */
export interface Schedule {
  readonly mark: string;
  readonly name: string;
  readonly pieces: number;
  readonly thickness: number;
  /** mm each, and how many to be no thinner than drawn. */
  readonly ply: number;
  readonly plies: number;
  /** Cut so much larger all round than the part, mm. */
  readonly size: readonly [length: number, width: number];
  /** Of all pieces together, g. */
  readonly cloth: number;
  readonly resin: number;
  readonly steps: readonly Step[];
}

// Thickness of a ply of E-glass from its weight and glass content (ISO 12215-5 Annex C, from memory), w in kg/m².
const PLY = formula('t_p', 'w/3.072·(2.56/ψ − 1.36)', 'mm');
const RESIN = formula('m_r', 'm_c·(1 − ψ)/ψ', 'g');

/** Plies of every part of laminate that is cut flat, by the shop’s usual cloth; nothing of a job without any. Bars and tubes are bought. */
export function laminateSchedules({ parts }: Pick<MadeOf, 'parts'>): Schedule[] {
  return parts.flatMap((p): Schedule[] => {
    if (p.part.metal.group !== 'laminate' || p.part.sawn || !(boughtMass(p.part) > 0)) return [];
    const w = new Working(true);
    const { cloth: weight, glass, spare } = LAYUP;
    const ply = w.of(PLY, { w: weight / 1000, ψ: glass }, 'E-glass; ISO 12215-5 Annex C (memory)');
    const plies = Math.ceil(p.part.thickness / ply - 1e-9);
    const pieces = p.count + p.mirrored;
    const size = [p.length + 2 * spare, p.width + 2 * spare] as const;
    const cloth = (pieces * plies * size[0] * size[1] * weight) / 1e6;
    const resin = w.of(RESIN, { m_c: cloth, ψ: glass }, 'all pieces together');
    return [{ mark: p.mark, name: p.name, pieces, thickness: p.part.thickness, ply, plies, size, cloth, resin, steps: w.steps }];
  });
}
