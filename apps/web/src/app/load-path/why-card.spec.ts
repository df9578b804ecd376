import { TestBed } from '@angular/core/testing';
import { CHECKS } from '@core/checks/registry';
import { WhyCard } from './why-card';
import { WHY_DRAWINGS } from './why-drawings';

it('every check has its why in two or three sentences, and a drawing; no drawing is left over', () => {
  expect(Object.keys(WHY_DRAWINGS).sort()).toEqual(CHECKS.map((c) => c.id).sort());
  for (const c of CHECKS) {
    const sentences = c.why.split(/[.;:] /).length;
    expect([c.id, sentences >= 2, c.why.length < 330]).toEqual([c.id, true, true]);
  }
});

it.each(Object.entries(WHY_DRAWINGS))('%s: stays on its 160 × 84 sheet, and shows a force', (_id, strokes) => {
  expect(strokes.some((k) => k.of === 'force')).toBe(true);
  for (const k of strokes) {
    const starts = [...k.d.matchAll(/[ML]\s*(-?[\d.]+)[ ,](-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);
    for (const [x, y] of starts) expect([x! >= 0 && x! <= 160, y! >= -1 && y! <= 84]).toEqual([true, true]);
  }
});

it('is drawn with a name for those who cannot see it', async () => {
  const fixture = TestBed.createComponent(WhyCard);
  const check = CHECKS.find((c) => c.id === 'pull-through')!;
  for (const [k, v] of Object.entries({ id: check.id, name: check.name, why: check.why })) fixture.componentRef.setInput(k, v);
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  expect(host.querySelector('svg')!.getAttribute('aria-label')).toBe('How it lets go: Pull-through');
  expect(host.querySelector('p')!.textContent).toBe(check.why);
});
