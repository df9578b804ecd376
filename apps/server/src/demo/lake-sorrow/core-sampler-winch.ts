import { newJob } from '@core/job/new-job';
import type { Job } from '@core/job/schema';
import { assumed, fromSheet } from '@core/job/values';
import { coreValues } from '@core/stock/cores';
import { measured, degrees, mm, kN, angle, ZERO, load, four, holes, at } from './shorthand';

export function coreSamplerWinch(): Job {
  const job = newJob('core-sampler-winch', 'Core-sampler winch, foredeck');
  return {
    ...job,
    family: 'winch',
    note: 'Washers only under a balsa-cored deck: the core crushes first. Try a backing plate, then a larger one.',
    loads: [
      load(
        'winch',
        'W1',
        'Wire pull',
        {
          pull: kN(4),
          drumHeight: measured(140),
          drumRadius: fromSheet(38, '38 mm'),
          rope: fromSheet(6, '6 mm'),
          layer: fromSheet(1, '1'),
          sideAngle: assumed(degrees(30), '30°'),
          upAngle: angle(20),
        },
        { picks: { fan: '5' } },
      ),
    ],
    base: {
      length: measured(160),
      width: measured(120),
      thickness: measured(8),
      hole: measured(11),
      slot: ZERO,
      slotAlong: 'x',
      holes: holes(60, 42),
      holesFrom: 'measured',
    },
    skin: {
      kind: 'sandwich',
      nearFace: measured(5),
      farFace: measured(4),
      glass: assumed(0.35, '35 %'),
      core: 'balsa',
      ...coreValues('balsa'),
      thickness: measured(38),
      spanX: measured(460),
      spanY: measured(380),
      aft: measured(228),
      starboard: measured(186),
      bedModulus: assumed(8000, '8000 MPa'),
    },
    plate: { x0: -140, x1: 140, y0: -120, y1: 120, corner: 15, metal: '6082-T6', thickness: mm(12), layers: 1 },
    bolts: { size: 'M10', class: '8.8', nut: '8', fit: 'medium', items: four(112, 92) },
    far: { kind: 'washer' },
    survey: {
      ...job.survey,
      shims: [
        { ...at('S1', 112, 92), gap: measured(0, '0') },
        { ...at('S2', -112, 92), gap: measured(0.2) },
        { ...at('S3', -112, -92), gap: measured(0.5) },
        { ...at('S4', 112, -92), gap: measured(0.4) },
      ],
      hidden: [
        { id: 'D1', what: 'cable', note: 'bow light', x0: -175, x1: -160, y0: -190, y1: 190, clear: fromSheet(10, '10 mm') },
      ],
      existing: [{ ...at('E1', 20, -105), d: measured(7), use: 'fill' }],
      access: { near: 'socket', far: 'hand only' },
      bearers: [
        { id: 'R1', edge: 'aft', section: 'deck beam 45 × 60', connection: 'bonded' },
        { id: 'R2', edge: 'fore', section: 'deck beam 45 × 60', connection: 'bonded' },
      ],
    },
  };
}
