// npm run methods: the checks with source and range, and how near the program comes to each reference value.
import { CHECKS } from '@core/checks/registry';
import { kindOf } from '@core/reference/kinds';
import { MAKING_VALUES } from '@core/reference/making';
import { PROVING_VALUES } from '@core/reference/proving';
import { REFERENCE_VALUES, relativeError, WORKED_FORMULAS } from '@core/reference/values';

const rows = new Map<string, { met: number; of: number; worst: number }>();
let worst = { error: 0, what: '' };
for (const v of REFERENCE_VALUES) {
  const error = relativeError(v);
  const row = rows.get(v.of) ?? { met: 0, of: 0, worst: 0 };
  rows.set(v.of, { met: row.met + (error <= v.within ? 1 : 0), of: row.of + 1, worst: Math.max(row.worst, error) });
  // Plates solved on a mesh come as near as their mesh: the solver's largest error stands in its own line.
  if (v.of !== 'spread' && error > worst.error) worst = { error, what: `${v.of}, ${v.what} (${v.source})` };
}
const percent = (e: number) => `${(100 * e).toFixed(2)} %`;
for (const c of CHECKS) {
  const r = rows.get(c.id);
  console.log(
    `${c.name.padEnd(16)} ${r ? `${r.met} of ${r.of} met, largest error ${percent(r.worst)}` : 'by its specs only'} · ${c.source}`,
  );
}
for (const [of, r] of rows)
  if (!CHECKS.some((c) => c.id === of) && of !== 'spread')
    console.log(`${of.padEnd(16)} ${r.met} of ${r.of} met, largest error ${percent(r.worst)}`);
console.log('\nThe spread solver: case, reference, result, error');
for (const v of REFERENCE_VALUES)
  if (v.of === 'spread')
    console.log(
      `${v.what}: ${Number(v.expected.toFixed(5))}, ${Number(v.got().toFixed(5))}, ${percent(relativeError(v))} (${v.source})`,
    );
console.log('\nMaking: case, reference, result, gap');
for (const v of MAKING_VALUES)
  console.log(`${v.of}, ${v.what}: ${v.expected}, ${Number(v.got().toFixed(4))}, ${percent(relativeError(v))} (${v.source})`);
console.log('\nProving: case, reference, result, error');
for (const v of PROVING_VALUES)
  console.log(
    `${v.of}, ${v.what}: ${Number(v.expected.toFixed(5))}, ${Number(v.got().toFixed(5))}, ${percent(relativeError(v))} (${v.source})`,
  );
const kinds = new Map<string, number>();
for (const v of REFERENCE_VALUES) kinds.set(kindOf(v), (kinds.get(kindOf(v)) ?? 0) + 1);
const split = [...kinds].map(([k, n]) => `${n} ${k} (${Math.round((100 * n) / REFERENCE_VALUES.length)} %)`).join(', ');
const worked = WORKED_FORMULAS.filter((v) => relativeError(v) <= v.within).length;
const met = [...rows.values()].reduce((n, r) => n + r.met, 0);
console.log(
  `\n${CHECKS.length} checks; ${met} of ${REFERENCE_VALUES.length} reference values met to the digits of their source; largest relative error of a check ${percent(worst.error)}: ${worst.what}`,
);
console.log(
  `Of them ${split}. Besides, ${worked} of ${WORKED_FORMULAS.length} formulas with numbers put in come to what was worked by hand.`,
);
process.exitCode = met === REFERENCE_VALUES.length && worked === WORKED_FORMULAS.length ? 0 : 1;
