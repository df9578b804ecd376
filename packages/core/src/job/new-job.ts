import { FORMAT, VERSION, type Job } from './schema';
import { EMPTY_STOCK, noWelds, plainJoint, NO_LIMITS } from './plain-joint';
import { emptySurvey } from './survey';
import { assumed, fromSheet } from './values';

/** A job nobody has measured yet: every measured value assumed and marked, so it computes from the first minute. */
export function newJob(id: string, name: string, units: Job['units'] = 'mm'): Job {
  return {
    format: FORMAT,
    version: VERSION,
    id,
    name,
    family: 'general',
    note: '',
    units,
    practice: { school: 'working', onYield: 2, onBreak: 3, gammaG: 1.35, gammaQ: 1.5, gammaM0: 1, gammaM2: 1.25, rules: 'EN' },
    loads: [],
    combinations: [],
    base: {
      length: assumed(120, '120 mm'),
      width: assumed(100, '100 mm'),
      thickness: assumed(8, '8 mm'),
      hole: assumed(11, '11 mm'),
      slot: assumed(0, '0'),
      slotAlong: 'x',
      holes: [
        { id: 'H1', x: 45, y: 35 },
        { id: 'H2', x: -45, y: 35 },
        { id: 'H3', x: -45, y: -35 },
        { id: 'H4', x: 45, y: -35 },
      ],
      holesFrom: 'assumed',
    },
    skin: {
      kind: 'sheet',
      metal: 'S235',
      thickness: assumed(4, '4 mm'),
      spanX: assumed(500, '500 mm'),
      spanY: assumed(400, '400 mm'),
      aft: assumed(250, '250 mm'),
      starboard: assumed(200, '200 mm'),
      bedModulus: assumed(30_000, '30000 MPa'),
    },
    plate: { x0: -115, x1: 115, y0: -105, y1: 105, corner: 12, metal: 'S275', thickness: fromSheet(8, '8 mm'), layers: 1 },
    bolts: {
      size: 'M10',
      class: '8.8',
      nut: '8',
      fit: 'medium',
      items: [
        { id: 'B1', x: 90, y: 80 },
        { id: 'B2', x: -90, y: 80 },
        { id: 'B3', x: -90, y: -80 },
        { id: 'B4', x: 90, y: -80 },
      ],
    },
    far: { kind: 'plate', metal: 'S275', thickness: fromSheet(5, '5 mm') },
    joint: plainJoint(),
    welds: noWelds(),
    limits: NO_LIMITS,
    packs: ['EN'],
    ownStock: EMPTY_STOCK,
    survey: emptySurvey(),
  };
}

/** Bed modulus taken until someone knows better, MPa (common practice, marked assumed): through the skin with its bedding, not the skin's own. */
export const BED_MODULUS = {
  sheet: 30_000,
  laminate: 8000,
  plywood: 500,
  sandwich: 300,
  timber: 300,
  hollow: 30_000,
  flange: 30_000,
  bed: 30_000,
} as const;
