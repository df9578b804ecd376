// npm run bench -- spread [--dump DIR]: times of the spread solver, growth with size, and the same system written out for others.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { asCounted } from '@core/chain/evaluate';
import { isResolved, resolve, type Resolved } from '@core/job/resolve';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import type { LoadCase } from '@core/loads/load-case';
import { casesOf } from '@core/loads/cases';
import { assemble, type Assembly } from '@core/spread/assemble';
import { factorise, solve } from '@core/spread/cholesky';
import { energyOf } from '@core/spread/energy';
import { MESHES, stackOf, type Mesh } from '@core/spread/from-job';
import { unknownOf } from '@core/spread/pattern';
import type { SparseMatrix } from '@core/spread/sparse-matrix';
import { onBase } from '@core/spread/read-case';
import { spreadOf, type Spread } from '@core/spread/spread';
import { testJob } from '@core/testing/test-job';
import { DEMO_JOBS } from '../apps/server/src/demo/lake-sorrow';

const median = (all: readonly number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;

function timed<T>(f: () => T): { value: T; ms: number } {
  const started = performance.now();
  const value = f();
  return { value, ms: performance.now() - started };
}

function ready(job: Job): { r: Resolved; cases: LoadCase[] } {
  const r = resolve(job);
  if (!isResolved(r)) throw new Error(`${job.name}: ${r[0]!.because}`);
  return { r, cases: casesOf(job).map((c) => asCounted(c, job.practice)) };
}

function solved(job: Job, mesh: Mesh, before?: Spread, cases = ready(job).cases, near?: Spread): Spread {
  const s = spreadOf(ready(job).r, cases, mesh, before, near);
  if ('refused' in s) throw new Error(`${job.name}: ${s.because}`);
  return s;
}

const isPanel = (job: Job) => job.skin.kind !== 'hollow' && job.skin.kind !== 'bed';
/** Bolts through the base's own holes stay where those are; the base is then moved against the bearers instead. */
const throughBase = (job: Job) => job.bolts.items.every((b) => job.base.holes.some((h) => h.x === b.x && h.y === b.y));

const moved = (job: Job, k: number): Job =>
  throughBase(job)
    ? { ...job, skin: { ...job.skin, aft: fromSheet(job.skin.aft.v + (k % 9), '') } }
    : {
        ...job,
        bolts: {
          ...job.bolts,
          items: job.bolts.items.map((b, i) => (i === 0 ? { ...b, x: b.x + Math.sign(b.x) * (k % 5) } : b)),
        },
      };

/** With membrane action six times as long is allowed. */
const withMembrane = (s: Spread): number => (s.cases.some((c) => !('refused' in c) && c.membrane) ? 6 : 1);

/** Jobs whose bolts can be dragged on the Spread stage, with the goal for each. */
export const draggable = (): { id: string; name: string; cases: number; goal: number }[] =>
  DEMO_JOBS.filter((j) => isPanel(j) && !throughBase(j)).map((j) => {
    const s = solved(j, 'draft');
    return { id: j.id, name: j.name, cases: s.cases.length, goal: 60 * withMembrane(s) };
  });

/** A drag: every run moves a bolt by a millimetre, and all cases are solved anew. */
function drag(job: Job): void {
  let before = solved(job, 'draft');
  const times: number[] = [];
  for (let k = 0; k < 32; k++) {
    const { value, ms } = timed(() => solved(moved(job, k), 'draft', before));
    if (k < 8) {
      before = value;
      continue;
    }
    before = value;
    times.push(ms);
  }
  const cases = before.cases.length;
  console.log(
    `spread, ${job.name}: draft, bolt moved, ${before.unknowns} unknowns, ${cases} ${cases === 1 ? 'case' : 'cases'}: median ${median(times).toFixed(0)} ms (goal: ${60 * withMembrane(before)} ms)`,
  );
}

function fineAndProof(job: Job): void {
  const { cases } = ready(job);
  const first = cases.slice(0, 1);
  const cold = timed(() => solved(job, 'fine', undefined, first));
  // As the stage does it: all cases in the draft, from which each starts; both are counted.
  const draft = solved(job, 'draft', undefined, first);
  const more = timed(() => solved(job, 'fine', cold.value, cases, solved(job, 'draft', draft, cases)));
  const again = timed(() => solved(moved(job, 1), 'fine', more.value, first));
  const proof = timed(() => solved(job, 'proof', again.value, first));
  const k = withMembrane(proof.value);
  const each = cases.length > 1 ? `${(more.ms / cases.length).toFixed(0)} ms for each of ${cases.length}` : 'one case';
  console.log(
    `spread, ${job.name}: fine ${cold.value.unknowns} unknowns, draft and all, cold ${cold.ms.toFixed(0)} ms (goal: ${700 * k}), ${each} (goal: ${233 * k}), bolt moved ${again.ms.toFixed(0)} ms (goal: ${233 * k}); proof ${proof.value.unknowns} unknowns ${(proof.ms / 1000).toFixed(2)} s, ${(proof.value.bytes / 1e6).toFixed(0)} MB (goal: ${5 * k} s, 400 MB)`,
  );
}

/** A sheet that gives three times its thickness: bending alone, then with membrane action. */
function thinSheet(): void {
  const job = testJob({ fz: 5000, fx: 1500, z: 120 }, (j) => ({
    ...j,
    skin: { ...j.skin, thickness: fromSheet(1.5, '1.5 mm') },
  }));
  const draft = solved(job, 'draft');
  const again = timed(() => solved(moved(job, 1), 'draft', draft));
  const fine = timed(() => solved(job, 'fine', again.value));
  const c = fine.value.cases[0]!;
  if ('refused' in c) throw new Error(c.because);
  console.log(
    `spread, membrane action, w/t ${c.linearOverThickness.toFixed(1)} by bending alone, ${c.overThickness.toFixed(1)} with it: draft, bolt moved ${again.ms.toFixed(0)} ms (goal: 360), fine ${fine.value.unknowns} unknowns ${(fine.ms / 1000).toFixed(2)} s (goal: 4.2 s)`,
  );
}

/** All contacts shut: the system that the goal's C library was timed on. */
function system(
  job: Job,
  mesh: Mesh,
  unknowns: number = MESHES[mesh],
): { a: Assembly; A: SparseMatrix; b: Float64Array; assembling: number } {
  const { r, cases } = ready(job);
  const stack = stackOf(r, mesh, false, undefined, unknowns);
  if ('refused' in stack) throw new Error(stack.because);
  const { value: a, ms } = timed(() => assemble(stack.stack));
  const load = new Float64Array(a.unknowns);
  for (const f of onBase(r, a, cases[0]!).forces) {
    const at = a.place[unknownOf(a.nodes, f.layer, f.node, 0)]!;
    if (at >= 0) load[at]! += f.fz;
  }
  const { matrix, right } = energyOf(a).tangent(new Uint8Array(a.links.length).fill(1), load);
  return { a, A: { ...matrix, values: matrix.values.slice() }, b: right, assembling: ms };
}

interface Times {
  readonly n: number;
  readonly factor: number;
  readonly solve: number;
  readonly entries: number;
  readonly flops: number;
  readonly bytes: number;
  readonly assembling: number;
}

function factored(job: Job, mesh: Mesh, unknowns?: number): Times & { A: SparseMatrix; b: Float64Array } {
  const { a, A, b, assembling } = system(job, mesh, unknowns);
  const s = a.pattern.symbolic;
  let f = factorise(A, s);
  const times = Array.from({ length: 7 }, () => timed(() => (f = factorise(A, s, f))).ms);
  const solves = Array.from({ length: 7 }, () => timed(() => solve(f, b.slice())).ms);
  return {
    A,
    b,
    n: A.n,
    factor: median(times),
    solve: median(solves),
    entries: s.entries,
    flops: s.flops,
    bytes: f.room.bytes,
    assembling,
  };
}

const exponent = (a: Times, b: Times, of: (t: Times) => number) => Math.log(of(b) / of(a)) / Math.log(b.n / a.n);

function growth(job: Job): void {
  const at = (k: number): Times => factored(job, 'fine', k * MESHES.fine);
  const [one, two, four] = [at(1), at(2), at(4)];
  const list = (of: (t: Times) => number, digits: number) => [one, two, four].map((t) => of(t).toFixed(digits)).join(', ');
  console.log(
    `spread, growth at ${[one, two, four].map((t) => t.n).join(', ')} unknowns: factor ${list((t) => t.factor, 0)} ms, exponent ${exponent(one, four, (t) => t.factor).toFixed(2)}; memory ${list((t) => t.bytes / 1e6, 0)} MB, exponent ${exponent(one, four, (t) => t.bytes).toFixed(2)}`,
  );
}

/** Matrix Market, symmetric, lower triangle; the right side beside it. */
function dump(dir: string, name: string, A: SparseMatrix, b: Float64Array): void {
  mkdirSync(dir, { recursive: true });
  const lines = ['%%MatrixMarket matrix coordinate real symmetric', `${A.n} ${A.n} ${A.rows.length}`];
  for (let j = 0; j < A.n; j++)
    for (let p = A.starts[j]!; p < A.starts[j + 1]!; p++) lines.push(`${A.rows[p]! + 1} ${j + 1} ${A.values[p]}`);
  writeFileSync(join(dir, `${name}.mtx`), `${lines.join('\n')}\n`);
  writeFileSync(
    join(dir, `${name}.rhs.mtx`),
    `%%MatrixMarket matrix array real general\n${b.length} 1\n${Array.from(b).join('\n')}\n`,
  );
}

export function benchSpread(args: readonly string[]): void {
  const at = args.indexOf('--dump');
  const dir = at >= 0 ? args[at + 1] : undefined;
  if (at >= 0 && !dir) throw new Error('--dump needs a folder to write to');
  const jobs = DEMO_JOBS.filter(isPanel);
  for (const job of jobs) drag(job);
  for (const job of jobs) fineAndProof(job);
  thinSheet();
  const bench = jobs[1]!;
  for (const mesh of ['draft', 'fine', 'proof'] as const) {
    const t = factored(bench, mesh);
    console.log(
      `spread, system of ${bench.name}, ${mesh}: ${t.n} unknowns, ${(t.entries / 1000).toFixed(0)} thousand entries in the factor, ${(t.flops / 1e6).toFixed(0)} Mflop; pattern, ordering and matrix ${t.assembling.toFixed(0)} ms, factor ${t.factor.toFixed(1)} ms, solve ${t.solve.toFixed(2)} ms`,
    );
    if (dir) dump(dir, mesh, t.A, t.b);
  }
  growth(bench);
  if (dir) console.log(`written to ${dir}: draft, fine and proof as .mtx, right sides as .rhs.mtx`);
}
