import { TestBed } from '@angular/core/testing';
import { formula } from '@core/working/formula';
import { Working } from '@core/working/steps';
import { StepsList } from './steps-list';

async function shown(w: Working): Promise<HTMLElement> {
  const fixture = TestBed.createComponent(StepsList);
  fixture.componentRef.setInput('steps', w.steps);
  await fixture.whenStable();
  // The typesetter is loaded with the first working.
  await import('katex');
  await new Promise((done) => setTimeout(done));
  return fixture.nativeElement as HTMLElement;
}

it('a step is set as mathematics: symbol, formula, the numbers put in, and the result with its unit', async () => {
  const w = new Working(true);
  w.of(formula('F_t.Rd', 'k_2·f_ub·A_s/γ', 'N'), { k_2: 0.9, f_ub: 800, A_s: 58, γ: 1.25 }, 'EN 1993-1-8 Tab. 3.4');
  const li = (await shown(w)).querySelector('li')!;
  const maths = [...li.querySelectorAll('annotation')].map((a) => a.textContent);
  expect(maths[0]).toContain('F_{\\mathrm{t,Rd}} = \\dfrac{k_{\\mathrm{2}} \\cdot f_{\\mathrm{ub}}');
  expect(maths[1]).toContain('\\dfrac{0.900 \\cdot 800.0 \\cdot 58.00}{1.25}');
  expect(li.querySelectorAll('mfrac')).toHaveLength(2);
  expect(li.querySelector('.result')!.textContent).toBe('= 33408 N');
  expect(li.querySelector('.note')!.textContent).toBe('EN 1993-1-8 Tab. 3.4');
  // The content policy forbids style attributes written as text; these are set one by one.
  expect(li.innerHTML).not.toContain('ParseError');
});

it('a value found by a procedure says how; another school’s figure stands apart', async () => {
  const w = new Working(true);
  w.found('m', 77, 'N', 'series of 48 × 48 terms');
  w.found('F_t.Rd', 9000, 'N', 'for comparison, by AISC Tab. J3.2; not used');
  const items = [...(await shown(w)).querySelectorAll('li')];
  expect(items[0]!.textContent).toContain('77.00 N');
  expect(items[0]!.textContent).toContain('series of 48');
  expect(items.map((i) => i.classList.contains('beside'))).toEqual([false, true]);
});
