import katex from 'katex';
import { evaluate, workingOf } from '../chain/evaluate';
import { everyLinkJob } from '../testing/every-link';
import { formulaTex, isFormula, numbersTex, symbolTex } from './typeset';

const set = (tex: string) => katex.renderToString(tex, { throwOnError: true, strict: 'error', output: 'mathml' });

it.each([
  ['k_2·f_ub·A_s/γ', '\\dfrac{k_{\\mathrm{2}} \\cdot f_{\\mathrm{ub}} \\cdot A_{\\mathrm{s}}}{\\gamma}'],
  ['2·(a + b)', '2 \\cdot \\left(a + b\\right)'],
  ['(a + b)/(c − d)', '\\dfrac{a + b}{c - d}'],
  ['sqrt(a² + b²)', '\\sqrt{a^{2} + b^{2}}'],
  ['(a + b)^(1/3)', '\\left(a + b\\right)^{1/3}'],
  ['min(e, 1.25·m)', '\\min\\left(e,\\; 1.25 \\cdot m\\right)'],
  ['abs(F_z)·a', '\\left|F_{\\mathrm{z}}\\right| \\cdot a'],
])('%s is set as %s', (text, tex) => expect(formulaTex(text)).toBe(tex));

it('indices, primes and Greek', () => {
  expect(symbolTex('F_t.Rd')).toBe('F_{\\mathrm{t,Rd}}');
  expect(symbolTex("r_0'")).toBe("r_{\\mathrm{0}}'");
  expect(symbolTex('γ_M2')).toBe('\\gamma_{\\mathrm{M2}}');
});

it('a bracket is kept wherever taking it away would change the sum: numbers read back give the same value', () => {
  // What is set must still be what is computed: a product of a sum, a difference of a sum, a power of a quotient.
  for (const text of ['a·(b + c)', 'a − (b − c)', '(a/b)^2', '(a·b)²', '−(a + b)'])
    expect([text, formulaTex(text)]).toEqual([text, expect.stringMatching(/left\(|dfrac/)]);
});

it('every working of a job with every kind of link is set without a complaint', () => {
  const job = everyLinkJob(2);
  let count = 0;
  for (const l of evaluate(job).links.filter((x) => x.caseId !== '')) {
    for (const step of workingOf(job, l.id, l.caseId)!.steps) {
      set(symbolTex(step.symbol));
      if (!isFormula(step)) continue;
      set(formulaTex(step.text));
      set(numbersTex(step));
      count++;
    }
  }
  expect(count).toBeGreaterThan(100);
});
