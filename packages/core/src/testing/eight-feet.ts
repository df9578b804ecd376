import { oneFoot } from '../job/at-foot';
import { addFoot } from '../job/feet-edits';
import type { FreePart } from '../job/free-part';
import type { Job } from '../job/schema';
import type { WholeJob } from '../job/whole-job';
import { fromSheet } from '../job/values';
import { lopsidedJob } from './lopsided-job';

const mm = (v: number) => fromSheet(v, `${v} mm`);
const degrees = (d: number) => fromSheet((d * Math.PI) / 180, `${d}°`);

const bracket: FreePart = {
  id: 'bracket',
  name: 'Bracket',
  use: 'bracket',
  metal: 'S275',
  count: 1,
  stock: {
    form: 'flat bar',
    width: mm(50),
    thickness: mm(6),
    legs: [mm(80), mm(240)],
    bends: [{ angle: degrees(90), radius: mm(6), up: true }],
  },
  holes: [{ id: 'H1', x: 40, y: 0, d: mm(11), purpose: 'fastener', leg: 0 }],
  on: 'the frame',
};
const spacer: FreePart = {
  id: 'spacer',
  name: 'Brace tube',
  use: 'brace',
  metal: 'S235',
  count: 1,
  stock: { form: 'round tube', outside: mm(33.7), wall: mm(3.2), length: mm(620) },
  holes: [],
};

/** A rail on eight feet, every second one mirrored: two thicknesses of plate, two bars, studding, a bent bracket, plugs in a core, glue to weigh. */
export function eightFeet(change: (j: Job) => Job = (j) => j): WholeJob {
  const job = lopsidedJob((j) =>
    change({
      ...j,
      id: 'eight-feet',
      name: 'Rail on eight feet',
      far: { kind: 'plate', metal: 'S275', thickness: mm(4) },
      joint: { ...j.joint, head: 'studding', sleeve: 'plug', tubeOutside: mm(28), bedding: 'bedded' },
      skin: {
        kind: 'sandwich',
        thickness: mm(26),
        spanX: mm(600),
        spanY: mm(500),
        aft: mm(300),
        starboard: mm(250),
        bedModulus: j.skin.bedModulus,
        nearFace: mm(3),
        farFace: mm(3),
        glass: fromSheet(0.5, '0.5'),
        core: 'PVC foam',
        coreCrush: fromSheet(1.4, '1.4 MPa'),
        coreShear: fromSheet(1.1, '1.1 MPa'),
        coreModulus: fromSheet(30, '30 MPa'),
      },
      parts: [bracket, spacer],
    }),
  );
  let whole = oneFoot(job);
  for (let i = 1; i < 8; i++)
    whole = addFoot(whole, 'F1', { x: (i >> 1) * 900, y: (i % 2) * 700, z: 0 }, i % 2 === 1, `Foot ${i + 1}`);
  return whole;
}
