import { EMPTY_STOCK, NO_LIMITS, noWelds, plainJoint } from '../../job/plain-joint';
import { coreValues } from '../../stock/cores';
import { assumed } from '../../units/quantity';

type Plain = Record<string, unknown>;
const isPlain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);

/**
 * A version 2 document as version 3: the joint, welds, limits and packs it did not have yet, as they were counted then; what a
 * skin now needs besides is added as assumed. What is not understood is left for the schema to refuse by name.
 */
export function fromVersion2(data: Plain): Plain {
  const { skin, plate, survey, practice, ...rest } = data;
  return {
    ...rest,
    version: 3,
    practice,
    skin: isPlain(skin) ? { ...skin, ...addedTo(skin) } : skin,
    plate: isPlain(plate) ? { ...plate, layers: 1 } : plate,
    joint: plainJoint(),
    welds: noWelds(),
    limits: NO_LIMITS,
    packs: [isPlain(practice) && practice['rules'] === 'AISC' ? 'AISC' : 'EN'],
    ownStock: EMPTY_STOCK,
    survey,
  };
}

function addedTo(skin: Plain): Plain {
  switch (skin['kind']) {
    case 'sandwich':
      return { glass: assumed(0.35, '35 %'), ...coreValues(String(skin['core'])) };
    case 'timber':
      return { grain: 'x', endGrain: assumed(200, '200 mm') };
    case 'hollow':
      return { width: assumed(100, '100 mm'), through: 'both walls' };
    case 'bed':
      return { strength: assumed(20, '20 MPa') };
    default:
      return {};
  }
}
