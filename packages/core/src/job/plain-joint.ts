import type { Joint, Limits, Lug, Welds } from './joint';
import { assumed, fromSheet } from '../units/quantity';
import type { OwnStock } from './own-stock';

/** Bolts in clearance holes with a nut, snug, dry, nothing between the parts: how a joint counts until someone says otherwise. */
export const plainJoint = (): Joint => ({
  holding: 'nut',
  engagement: assumed(10, '10 mm'),
  insert: assumed(5000, '5 kN'),
  inPlane: 'thread',
  head: 'hexagon',
  nutKind: 'plain',
  tightening: 'snug',
  preload: assumed(0.75, '75 %'),
  friction: assumed(0.2, '0.2'),
  bedding: 'dry',
  bondShear: assumed(5, '5 MPa'),
  bondPeel: assumed(2, '2 MPa'),
  packing: 'none',
  packer: assumed(10, '10 mm'),
  sleeve: 'none',
  tubeOutside: assumed(20, '20 mm'),
  tubeWall: assumed(3, '3 mm'),
  place: 'not said',
  isolated: false,
});

/** A stiff glue in a thin line: the worst peak, until somebody says (common practice). */
export const USUAL_BOND = { bondLine: assumed(0.5, '0.5 mm'), bondModulus: assumed(800, '800 MPa') } as const;

export const noWelds = (): Welds => ({
  fitting: 'none',
  fittingThroat: assumed(4, '4 mm'),
  doubler: 'none',
  doublerThroat: assumed(3, '3 mm'),
  stitch: assumed(40, '40 mm'),
  gap: assumed(60, '60 mm'),
  plug: assumed(12, '12 mm'),
  filler: fromSheet(483, '483 MPa'),
});

export const NO_LIMITS: Limits = {
  deflection: fromSheet(0, '0'),
  ratio: fromSheet(0, '0'),
  above: fromSheet(0, '0'),
  below: fromSheet(0, '0'),
};

export const EMPTY_STOCK: OwnStock = { metals: [] };

/** A lug nobody has measured yet. */
export const newLug = (): Lug => ({
  rules: 'BTH-1',
  along: 'x',
  metal: 'S355',
  thickness: assumed(12, '12 mm'),
  width: assumed(60, '60 mm'),
  hole: assumed(18, '18 mm'),
  end: assumed(24, '24 mm'),
  cheek: assumed(0, '0'),
  pin: assumed(16, '16 mm'),
  pinClass: '8.8',
  shear: 'double',
  fork: assumed(10, '10 mm'),
  gap: assumed(2, '2 mm'),
  Nd: 3,
});
