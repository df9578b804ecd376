import { atEachFoot } from '@core/job/at-foot';
import { readJob } from '@core/formats/read-job';
import { casesOf, loadRefusals } from '@core/loads/cases';
import { RULE_WORDS } from '@core/loads/at-foot';
import type { LoadCase } from '@core/loads/load-case';
import { refused, type CliResult } from './refused';

const whole = (v: number) => Math.round(v) || 0;

/** Force and moment that come to every foot in every case, along the foot's own axes about its own middle; N and N·mm, no load factor on them. */
export function feet(file: string, json: boolean): CliResult {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const all = atEachFoot(read.job);
  const no = loadRefusals(all[0]!.job);
  if (no.length > 0) return refused(no, json);
  const rule = all.length > 1 ? read.job.standing.rule : 'one foot';
  const rows = all.map(({ foot, job }) => ({ foot, cases: casesOf(job) }));
  if (json) {
    const asData = ({ id, name, fx, fy, fz, mx, my, mz }: LoadCase) => ({ id, name, fx, fy, fz, mx, my, mz });
    const data = rows.map(({ foot: { id, name, x, y, z, turn }, cases }) => ({
      id,
      name,
      x,
      y,
      z,
      turn,
      cases: cases.map(asData),
    }));
    return { exit: 0, text: JSON.stringify({ job: read.job.id, rule, feet: data }, null, 2) };
  }
  const lines = rows.flatMap(({ foot, cases }) => [
    '',
    `${foot.name} (${foot.id}) at ${foot.x}, ${foot.y}, ${foot.z} mm, turned ${((foot.turn * 180) / Math.PI).toFixed(1)}°`,
    ...cases.map(
      (c) =>
        `  ${c.name.padEnd(34)} F ${whole(c.fx)}, ${whole(c.fy)}, ${whole(c.fz)} N   M ${whole(c.mx)}, ${whole(c.my)}, ${whole(c.mz)} N·mm`,
    ),
  ]);
  return { exit: 0, text: [read.job.name, rule === 'one foot' ? rule : RULE_WORDS[rule], ...lines].join('\n') };
}
