import { TestBed } from '@angular/core/testing';
import { formula } from '@core/working/formula';
import { Working } from '@core/working/steps';
import { StepsList } from './steps-list';
import { SymbolText } from './symbol';

async function html(text: string): Promise<string> {
  const fixture = TestBed.createComponent(SymbolText);
  fixture.componentRef.setInput('text', text);
  await fixture.whenStable();
  return (fixture.nativeElement as HTMLElement).innerHTML.replace(/<!--.*?-->|<\/?span[^>]*>| _ngcontent-[\w-]+=""/g, '');
}

it.each([
  ['F_t.Rd', 'F<sub>t,Rd</sub>'],
  ['k_2·f_ub·A_s/γ', 'k<sub>2</sub>·f<sub>ub</sub>·A<sub>s</sub>/γ'],
  ['min(e, 1.25·m)', 'min(e, 1.25·m)'],
  ["b'/a'", "b'/a'"],
  ['largest pressure', 'largest pressure'],
])('%s', async (text, expected) => expect(await html(text)).toBe(expected));

it('a step shows symbol, formula, the numbers put in, and the result with its unit', async () => {
  const w = new Working(true);
  w.of(formula('σ', '6·m/t²', 'MPa'), { m: 770, t: 4 }, 'at the edge');
  w.found('n', 7, '–', 'ratio of moduli');
  const fixture = TestBed.createComponent(StepsList);
  fixture.componentRef.setInput('steps', w.steps);
  await fixture.whenStable();
  const [first, second] = [...(fixture.nativeElement as HTMLElement).querySelectorAll('li')];
  expect(first!.textContent!.replace(/\s+/g, ' ')).toBe('σ = 6·m/t²= 6·770.0/4.00²= 288.8 MPaat the edge');
  expect(second!.querySelector('.put')).toBeNull();
  expect(second!.querySelector('.result')!.textContent!.trim()).toBe('= 7.00');
});
