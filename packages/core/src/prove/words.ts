import { formatQuantity, type UnitSystem } from '../units/format-quantity';
import type { Entry, Line } from './log-entry';
import { ofReadings } from './readings';

const INCH = 25.4;

/** A length as it is measured at fit-up: to a hundredth of a millimetre or a thousandth of an inch. */
export const fine = (mm: number, units: UnitSystem): string =>
  (units === 'inch' ? `${(mm / INCH).toFixed(3)} in` : `${Number(mm.toFixed(2))} mm`).replace('-', '−');

/** "41.6 N·m": a torque as a wrench shows it. */
export const torqueFine = (nmm: number, units: UnitSystem): string =>
  units === 'inch' ? `${(nmm / 1355.817948).toFixed(1)} lb·ft` : `${(nmm / 1000).toFixed(1)} N·m`;

/** What an entry says, in a line. */
export function entryWords({ body }: Entry, units: UnitSystem): string {
  switch (body.kind) {
    case 'note':
      return `${body.did}: ${body.text}`;
    case 'dimension': {
      const r = ofReadings(body.readings);
      const several = r.count > 1 ? `, median of ${r.count}, spread ${fine(r.spread, units)}` : '';
      return `${body.name}: ${fine(r.median, units)} for ${fine(body.nominal, units)}${several}, ${body.when}${body.with ? `, ${body.with}` : ''}`;
    }
    case 'decision':
      return `${body.decide}: ${body.reason}`;
    case 'bolt missing':
      return `missing: ${body.reason}`;
    case 'tightened':
      return `round ${body.round}: ${torqueFine(body.torque, units)} for ${torqueFine(body.target, units)}, ${body.reads}${body.because && body.reads !== 'good' ? `: ${body.because}` : ''}; ${body.with}`;
    case 'released':
      return `slackened: ${body.reason}`;
    case 'witness mark':
      return 'witness mark';
    case 'confirmed':
      return `${body.what}: ${body.is}`;
    case 'samples':
      return `${body.samples.length} samples of a pull, up to ${formatQuantity(Math.max(...body.samples.map((s) => s.load)), 'force', units)}`;
    case 'proof':
      return `proof, ${body.caseName}, ${formatQuantity(body.load, 'force', units)}: ${body.result}${body.because ? `: ${body.because}` : ''}`;
    case 'inspected':
      return `${body.name}: ${body.found}${body.text ? `: ${body.text}` : ''}`;
    case 'used':
      return [
        body.from ? `in use from ${body.from}` : '',
        body.miles ? `${body.miles} miles` : '',
        body.times ? `${body.times} loads` : '',
        body.what,
      ]
        .filter(Boolean)
        .join(', ');
    case 'photo':
      return `photograph: ${body.caption || 'no words'}`;
    case 'signed':
      return `${body.operation === 'stamp' ? 'stamped' : 'signed'}: ${body.text}, ${body.name}`;
  }
}

/** What an entry is, in one word of the trade: what the story of a place is told in. */
export function didWords({ body }: Entry): string {
  const WORDS: Readonly<Record<string, string>> = {
    dimension: 'measured',
    decision: 'decided',
    'bolt missing': 'missing',
    tightened: 'tightened',
    released: 'slackened',
    'witness mark': 'marked',
    confirmed: 'confirmed',
    samples: 'pulled',
    proof: 'proved',
    inspected: 'inspected',
    used: 'used',
    photo: 'photographed',
    signed: 'signed',
  };
  return body.kind === 'note' ? body.did : WORDS[body.kind]!;
}

/** Where an entry belongs: foot, bolt or part, by its names. */
export function placeOf({ about }: Entry, footName: (id: string) => string): string {
  return [about.foot ? footName(about.foot) : '', about.bolt ?? '', about.part ?? ''].filter(Boolean).join(', ');
}

/** More than this between a device’s clock and the server’s is said, minutes. */
const APART = 5;
/** How far a device’s clock was off when its line came in; empty where it was near enough, or the line waited on the device. */
export function clockWords({ received, entry }: Line, before?: Line): string {
  const ahead = (Date.parse(entry.at) - Date.parse(received)) / 60_000;
  if (ahead > APART) return `its clock was ${Math.round(ahead)} min ahead of the server’s`;
  if (before && Date.parse(received) < Date.parse(before.received)) return 'the server’s clock was set back before this line';
  return ahead < -APART ? `came in ${waited(-ahead)} later` : '';
}
const waited = (minutes: number): string =>
  minutes < 90
    ? `${Math.round(minutes)} min`
    : minutes < 48 * 60
      ? `${Math.round(minutes / 60)} h`
      : `${Math.round(minutes / 1440)} days`;
