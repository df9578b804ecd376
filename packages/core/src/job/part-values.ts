import type { Quantity } from '../units/quantity';
import { isHeldByThreadOf } from './joint';
import { USUAL_BOND } from './plain-joint';
import type { RangeName } from './ranges';
import type { Job } from './schema';

/** A number of the joint, a weld, the lug, a bend or a limit that has a say in this job: its place in the document, its range. */
export interface PartField {
  readonly part: 'joint' | 'welds' | 'lug' | 'fold' | 'limits';
  readonly path: string;
  readonly range: RangeName;
  readonly value: Quantity;
  /** Where the range's own name is too general. */
  readonly label?: string;
}

type Row = readonly [key: string, range: RangeName, says: boolean, label?: string];

function rows(part: PartField['part'], at: string, of: Readonly<Record<string, unknown>>, list: readonly Row[]): PartField[] {
  return list
    .filter(([, , says]) => says)
    .map(([key, range, , label]) => ({
      part,
      path: `${at}.${key}`,
      range,
      value: of[key] as Quantity,
      ...(label ? { label } : {}),
    }));
}

/** Only what the job's own picks make count: a spacer's wall says nothing where there is no spacer. */
export function partFields(job: Job): PartField[] {
  const { welds: w, lug, limits } = job;
  const j = { ...USUAL_BOND, ...job.joint };
  const { fold } = job.plate;
  const tube = j.packing === 'spacers' || j.sleeve !== 'none';
  const fillet = w.doubler !== 'none' && w.doubler !== 'plugs';
  return [
    ...rows('joint', 'joint', j, [
      ['engagement', 'engagement', isHeldByThreadOf(j)],
      ['engagement', 'engagement', j.holding === 'lag screw', 'Thread in the timber, point and all'],
      ['insert', 'insert', j.holding === 'rivet nut'],
      ['preload', 'preload', j.tightening !== 'snug'],
      ['friction', 'friction', j.tightening === 'slip resistant'],
      ['bondShear', 'bondStrength', j.bedding === 'bonded' || j.gluedHead !== undefined, 'Bond, shear strength'],
      ['gluedHead', 'tubeOutside', j.gluedHead !== undefined, 'Glued head, outside'],
      ['bondPeel', 'bondStrength', j.bedding === 'bonded', 'Bond, peel strength'],
      ['bondLine', 'bondLine', j.bedding === 'bonded'],
      ['bondModulus', 'bondModulus', j.bedding === 'bonded'],
      ['packer', 'packer', j.packing !== 'none'],
      ['tubeOutside', 'tubeOutside', tube],
      ['tubeWall', 'wall', j.packing === 'spacers' || j.sleeve === 'sleeve', 'Sleeve or spacer, wall'],
    ]),
    ...rows('welds', 'welds', w, [
      ['fittingThroat', 'throat', w.fitting !== 'none', 'Fitting weld, throat a'],
      ['doublerThroat', 'throat', fillet, 'Doubler weld, throat a'],
      ['stitch', 'stitch', w.doubler === 'stitched', 'Length of a stitch'],
      ['gap', 'stitch', w.doubler === 'stitched', 'Gap between stitches'],
      ['plug', 'plug', w.doubler === 'plugs'],
      ['filler', 'filler', w.fitting !== 'none' || w.doubler !== 'none'],
    ]),
    ...(lug
      ? rows('lug', 'lug', lug, [
          ['thickness', 'lug', true],
          ['width', 'lugWidth', true],
          ['hole', 'surveyHole', true, 'Hole in the lug'],
          ['end', 'lugWidth', true, 'Hole edge to lug end'],
          ['cheek', 'cheek', true, 'Cheek plate, each side'],
          ['pin', 'surveyHole', true, 'Pin diameter'],
          ['fork', 'lug', true, 'Fork leg or link'],
          ['gap', 'gap', true, 'Gap beside the lug'],
        ])
      : []),
    ...(fold
      ? rows('fold', 'plate.fold', fold, [
          ['radius', 'foldRadius', true],
          ['height', 'foldHeight', true],
        ])
      : []),
    ...rows('limits', 'limits', limits, [
      ['deflection', 'deflectionLimit', true],
      ['ratio', 'deflectionRatio', true],
      ['above', 'stackLimit', true, 'Most above the plate'],
      ['below', 'stackLimit', true, 'Most below the skin'],
    ]),
  ];
}
