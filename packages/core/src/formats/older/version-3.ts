import { DESIGN, OF_PLACE } from '../../job/schema';
import { USUAL_STANDING } from '../../job/whole-job';

type Plain = Record<string, unknown>;

/**
 * A version 3 document as version 4: one plate under one base becomes the one foot of a fitting, at its datum. What is not
 * understood stays where it was, for the schema to refuse by name.
 */
export function fromVersion3(data: Plain): Plain {
  const design: Plain = {};
  const place: Plain = {};
  const rest: Plain = {};
  for (const [key, value] of Object.entries(data)) {
    const into = key in DESIGN ? design : key in OF_PLACE ? place : rest;
    into[key] = value;
  }
  return {
    ...rest,
    version: 4,
    standing: USUAL_STANDING,
    feet: [{ id: 'F1', name: 'Foot', x: 0, y: 0, z: 0, turn: 0, design, ...place }],
  };
}

/** Where a field of version 4 stood in a document with one plate: `feet[0].design.bolts` was `bolts`. */
export const pathBefore = (field: string): string => field.replace(/^feet\[0\]\.(design\.)?/, '');
