import { TestBed } from '@angular/core/testing';
import { evaluate } from '@core/chain/evaluate';
import { CHECKS } from '@core/checks/registry';
import type { Job } from '@core/job/schema';
import { testJob } from '@core/testing/test-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LoadPath } from './load-path';

let desk: TestDesk;

async function show(job: Job) {
  desk = provideDesk(job);
  const fixture = TestBed.createComponent(LoadPath);
  fixture.componentRef.setInput('verdict', evaluate(job));
  await fixture.whenStable();
  const host = fixture.nativeElement as HTMLElement;
  return { host, fixture, links: [...host.querySelectorAll<HTMLButtonElement>('ol button')] };
}

it('draws the links a job needs in section order, grouped by part, and names the weakest once', async () => {
  const { links } = await show(testJob());
  const names = links.map((l) => l.querySelector('.name')!.textContent!);
  const order = CHECKS.map((c) => c.name);
  expect(names).toEqual(order.filter((n) => names.includes(n)));
  expect(names).not.toContain('Lug tension');
  expect(links.filter((l) => l.classList.contains('weakest'))).toHaveLength(1);
  // Each part of the stack is named once, at its first link.
  const parts = links.map((l) => l.querySelector('.part')!.textContent!).filter(Boolean);
  expect(parts).toEqual([...new Set(parts)]);
});

it('filters: all, tight, fails, not needed, each with its count; the link whose working is open stays', async () => {
  const { host, fixture } = await show(testJob({ fx: 9000, fz: 12_000, z: 120 }));
  const names = () => [...host.querySelectorAll('ol .name')].map((n) => n.textContent);
  const press = async (name: string) => {
    const button = [...host.querySelectorAll<HTMLButtonElement>('.filters button')].find((b) => b.textContent!.includes(name))!;
    button.click();
    await fixture.whenStable();
    return Number(button.querySelector('b')!.textContent);
  };
  expect(await press('fails')).toBe(names().length);
  expect(names().length).toBeGreaterThan(0);
  desk.openLink.set('bolt-shear');
  await fixture.whenStable();
  expect(names()).toContain('Bolt shear');
  desk.openLink.set('');
  expect(await press('not needed')).toBe(names().length);
  expect(names()).toContain('Lug tension');
});

it('a failing link says so in words and number, and is drawn parting', async () => {
  const { host } = await show(testJob({ fx: 9000, fz: 12_000, z: 120 }));
  const weakest = host.querySelector('button.weakest')!;
  expect(weakest.querySelector('.value')!.textContent).toMatch(/lets go · \d\.\d\d/);
  expect(weakest.querySelector('.crack')).not.toBeNull();
  expect(weakest.querySelectorAll('.metal')).toHaveLength(2);
});

it('a sound one is only its number, and its metal thins as it works harder', async () => {
  const width = async (fx: number) => {
    TestBed.resetTestingModule();
    const { links } = await show(testJob({ fx, z: 50 }));
    return Number(
      links
        .find((l) => l.textContent!.includes('Bolt shear'))!
        .querySelector('.metal')!
        .getAttribute('stroke-width'),
    );
  };
  expect(await width(1000)).toBeGreaterThan(await width(8000));
});

it('a screen reader hears name, state, place and case', async () => {
  const { links } = await show(testJob());
  const label = links.find((l) => l.textContent!.includes('Bolt tension'))!.getAttribute('aria-label')!;
  expect(label).toMatch(/^Bolt tension: sound, \d\.\d\d, B\d, Case L1.*Show its working$/);
});

it('a press opens the working, a second one closes it', async () => {
  const { links, fixture } = await show(testJob());
  links[1]!.click();
  await fixture.whenStable();
  expect(desk.openLink()).toBe('bolt-tension');
  expect(links[1]!.getAttribute('aria-pressed')).toBe('true');
  links[1]!.click();
  expect(desk.openLink()).toBe('');
});

it('where the job is refused, the reasons stand in its place, by field and range', async () => {
  const { host, links } = await show({ ...testJob(), bolts: { ...testJob().bolts, items: [] } });
  expect(links).toEqual([]);
  expect(host.querySelector('[role=alert]')!.textContent).toContain('there are no bolts — allowed: 1 to 60 bolts');
});

it('many refusals are counted, not all listed', async () => {
  const j = testJob();
  const outside = { ...j, bolts: { ...j.bolts, items: j.bolts.items.map((b) => ({ ...b, x: b.x * 3 })) } };
  const { host } = await show(outside);
  expect(host.querySelectorAll('li')).toHaveLength(4);
  expect(host.textContent).toContain('and 1 more');
});

it('before the first answer it says it is working', async () => {
  provideDesk(testJob());
  const fixture = TestBed.createComponent(LoadPath);
  fixture.componentRef.setInput('verdict', null);
  await fixture.whenStable();
  expect(fixture.nativeElement.textContent).toContain('Working out the load path');
});
