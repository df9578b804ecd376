import { readJob } from '@core/formats/read-job';
import { partList, type ListedPart } from '@core/shop/part-list';
import { refused, type CliResult } from './refused';

const asData = ({ part: _p, ...p }: ListedPart) => ({
  ...p,
  hand: p.mirrored > 0 ? `${p.count} as drawn, ${p.mirrored} mirrored` : 'as drawn',
  holes: p.holes.map(({ id, x, y, d, slot, takes, then }) => ({
    id,
    x,
    y,
    diameter: d,
    ...(slot ? { slot: { length: slot.long, turn: (slot.turn * 180) / Math.PI } } : {}),
    purpose: takes,
    then,
  })),
});

/** Every part of a job with its mark, how many as drawn and mirrored, stock, flat size, area, perimeter, centroid, mass and holes. */
export function parts(file: string, json: boolean): CliResult {
  const read = readJob(file);
  if ('refusals' in read) return refused(read.refusals, json);
  const list = partList(read.job);
  if ('refusals' in list) return refused(list.refusals, json);
  const found = list.parts;
  if (json) return { exit: 0, text: JSON.stringify({ job: read.job.id, parts: found.map(asData) }, null, 2) };
  const line = (p: ListedPart) => {
    const n = p.mirrored > 0 ? `${p.count} + ${p.mirrored} mirrored` : `${p.count}`;
    return `${p.mark.padEnd(3)} ${n.padEnd(15)} ${p.name.padEnd(16)} ${p.length.toFixed(1)} × ${p.width.toFixed(1)} mm  ${p.stock}  ${p.mass.toFixed(3)} kg each, ${p.holes.length} holes`;
  };
  return { exit: 0, text: [read.job.name, ...found.map(line)].join('\n') };
}
