import { asCounted } from '@core/chain/evaluate';
import { readJob } from '@core/formats/read-job';
import { isResolved, resolve } from '@core/job/resolve';
import { casesOf } from '@core/loads/cases';
import { MESHES, type Mesh } from '@core/spread/from-job';
import { spreadOf, THIN, type Spread } from '@core/spread/spread';
import { figuresOf } from '@core/spread/view';
import { atEachFoot } from '@core/job/at-foot';
import { refused, type CliResult } from './refused';

export const isMesh = (text: string): text is Mesh => Object.hasOwn(MESHES, text);

/**
 * How each case spreads through the plates, foot by foot: bolts, bearers, deflection, stresses, balance and mesh. Exit 0, or 2 where
 * the file or the stack is refused, 1 where a case is.
 */
export function spread(file: string, json: boolean, mesh: Mesh): CliResult {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const feet: { id: string; name: string; found: Spread }[] = [];
  for (const { foot, job } of atEachFoot(read.job)) {
    const r = resolve(job);
    if (!isResolved(r)) return refused(r, json);
    const found = spreadOf(
      r,
      casesOf(job).map((c) => asCounted(c, job.practice)),
      mesh,
    );
    if ('refused' in found) return refused([found], json);
    feet.push({ id: foot.id, name: foot.name, found });
  }
  const bad = feet.some(({ found }) => found.cases.some((c) => 'refused' in c));
  const [first] = feet as [(typeof feet)[number]];
  const data = () =>
    feet.length === 1 ? asData(first.found) : { feet: feet.map(({ id, name, found }) => ({ id, name, ...asData(found) })) };
  const text = () => feet.map((f) => [...(feet.length > 1 ? [f.name] : []), asText(f.found, mesh)].join('\n')).join('\n\n');
  return { exit: bad ? 1 : 0, text: json ? JSON.stringify(data(), null, 2) : text() };
}

/** Numbers only: the fields themselves stay behind. */
function asData(s: Spread) {
  const { mesh, unknowns, spacing, lines, cases } = figuresOf(s);
  return { mesh: { name: mesh, unknowns, spacing, lines }, cases };
}

function asText(s: Spread, mesh: Mesh): string {
  const lines = [`${mesh} mesh: ${s.unknowns} unknowns, cells up to ${s.spacing.toFixed(1)} mm`];
  for (const c of s.cases) {
    if ('refused' in c) {
      lines.push('', `${c.caseName}: REFUSED, ${c.because}; allowed: ${c.allowed}`);
      continue;
    }
    const thin = c.membrane
      ? `: with membrane action, ${c.linearOverThickness.toFixed(2)} by bending alone`
      : c.overThickness > THIN
        ? ': over half the thickness, where bending alone overstates it'
        : '';
    lines.push(
      '',
      c.caseName,
      `  bolts     ${c.bolts.map((b) => `${b.id} ${b.tension.toFixed(0)}`).join(', ')} N`,
      `  bearers   ${c.reactions.map((q) => `${q.of} ${q.fz.toFixed(0)}`).join(', ')} N`,
      `  skin      gives ${c.deflection.value.toFixed(2)} mm, w/t ${c.overThickness.toFixed(2)}${thin}`,
      `  edge      ${c.edgeStress.value.toFixed(0)} MPa in the skin, mean over one thickness beside the plate`,
      `  plate     ${c.plateStress.value.toFixed(0)} MPa, behind ${c.farStress.value.toFixed(0)} MPa (means over a washer’s width)`,
      `  presses   ${c.pressure.value.toFixed(2)} MPa at most, on ${(c.pressedArea / 100).toFixed(0)} cm²`,
      `  balance   ${(100 * c.balance).toFixed(2)} % of the load, ${c.rounds} rounds of contact`,
    );
  }
  return lines.join('\n');
}
