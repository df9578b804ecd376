import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { testJob } from '@core/testing/test-job';
import { Commands } from '../keys/run-command';
import { provideDesk, type TestDesk } from '../testing/desk';
import { LayoutStage } from './layout-stage';

let fixture: ComponentFixture<LayoutStage>;
let desk: TestDesk;
const run = jest.fn();
const host = () => fixture.nativeElement as HTMLElement;
const bolt = (id: string) => host().querySelector(`[data-bolt=${id}]`)!;
const place = (id: string) => {
  const b = desk.job()!.bolts.items.find((i) => i.id === id)!;
  return [b.x, b.y];
};

async function press(on: Element, key: string, more: KeyboardEventInit = {}) {
  on.dispatchEvent(new FocusEvent('focus'));
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }));
  await fixture.whenStable();
}

beforeEach(async () => {
  desk = provideDesk(testJob());
  TestBed.configureTestingModule({ providers: [{ provide: Commands, useValue: { run } }] });
  fixture = TestBed.createComponent(LayoutStage);
  await fixture.whenStable();
});

it('offers every bolt, edge and corner to be held', () => {
  expect(host().querySelectorAll('.grip.bolt')).toHaveLength(4);
  expect(host().querySelectorAll('.grip.edge')).toHaveLength(4);
  expect(host().querySelectorAll('.grip.corner')).toHaveLength(4);
  expect(bolt('B1').getAttribute('aria-label')).toContain('Bolt B1, 90 mm forward, 80 mm to port');
});

it.each([
  ['ArrowRight', {}, [91, 80]],
  ['ArrowUp', {}, [90, 81]],
  ['ArrowDown', { shiftKey: true }, [90, 70]],
  ['ArrowLeft', { altKey: true }, [89.9, 80]],
] as const)('%s %j nudges the bolt', async (key, more, expected) => {
  await press(bolt('B1'), key, more);
  expect(place('B1')).toEqual(expected);
  expect(desk.said()).toContain('bolt B1');
});

it('nudges an edge across itself only', async () => {
  const fore = [...host().querySelectorAll('.grip.edge')].find((e) => e.getAttribute('aria-label')!.includes('fore edge'))!;
  await press(fore, 'ArrowRight', { shiftKey: true });
  expect(desk.job()!.plate.x1).toBe(125);
  await press(fore, 'ArrowUp');
  expect(desk.job()!.plate).toMatchObject({ x1: 125, y1: 105 });
});

it('shows the exact place of what is picked, and takes a typed one', async () => {
  expect(host().querySelector('.exact')).toBeNull();
  await press(bolt('B3'), 'ArrowRight');
  const [x] = [...host().querySelectorAll<HTMLInputElement>('.exact input')];
  expect(x!.value).toBe('-89 mm');
  x!.value = '-3 1/2"';
  x!.dispatchEvent(new Event('input'));
  await fixture.whenStable();
  expect(place('B3')).toEqual([-88.9, -80]);
});

it('a typed place out of range is refused in its field and moves nothing', async () => {
  await press(bolt('B3'), 'ArrowRight');
  const [x] = [...host().querySelectorAll<HTMLInputElement>('.exact input')];
  x!.value = '9 m';
  x!.dispatchEvent(new Event('input'));
  await fixture.whenStable();
  expect(host().querySelector('.exact [role=alert]')!.textContent).toContain('allowed: −5000 to 5000 mm');
  expect(place('B3')).toEqual([-89, -80]);
});

it('shows how far the picked bolt is from the nearest edges, unless turned off', async () => {
  await press(bolt('B1'), 'ArrowRight');
  const words = () => [...host().querySelectorAll('.dimension-words')].map((t) => t.textContent!.trim());
  expect(words()).toEqual(['24 mm', '25 mm']);
  desk.dimensions.set(false);
  await fixture.whenStable();
  expect(words()).toEqual([]);
});

it('Escape lets go', async () => {
  await press(bolt('B1'), 'ArrowRight');
  await press(bolt('B1'), 'Escape');
  expect(desk.picked()).toBeNull();
});

it('the section follows the picked bolt; its faces step through stock', async () => {
  await press(bolt('B4'), 'ArrowRight');
  expect(host().querySelector('.caption')!.textContent).toContain('Section through B4');
  const face = host().querySelector('[role=slider][aria-label^="Plate thickness"]')!;
  await press(face, 'ArrowUp');
  expect(desk.job()!.plate.thickness.text).toBe('10 mm');
  await press(host().querySelector('[role=slider][aria-label^="Backing"]')!, 'ArrowDown');
  expect(desk.job()!.far).toMatchObject({ thickness: { text: '6 mm' } });
});

it('buttons do the commands', () => {
  [...host().querySelectorAll<HTMLButtonElement>('.bar button')].find((b) => b.textContent!.includes('Mirror'))!.click();
  expect(run).toHaveBeenCalledWith('mirror');
});

it('says which case governs', () => expect(host().querySelector('.case')!.textContent).toContain('governs: Case L1'));
