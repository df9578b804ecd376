import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { drawnByCorners } from '@core/job/shaped';
import type { Job } from '@core/job/schema';
import { lopsidedJob } from '@core/testing/lopsided-job';
import { provideDesk, type TestDesk } from '../testing/desk';
import { CornerCard } from './corner-card';
import { ShapeCard } from './shape-card';

let desk: TestDesk;
let fixture: ComponentFixture<unknown>;
const host = () => fixture.nativeElement as HTMLElement;
const button = (said: string) => [...host().querySelectorAll('button')].find((b) => b.textContent!.includes(said))!;
const field = (label: string) =>
  [...host().querySelectorAll('ms-quantity')]
    .find((q) => q.querySelector('label')!.textContent === label)!
    .querySelector('input')!;
const outline = () => desk.job()!.plate.outline!;
const press = async (said: string) => {
  button(said).click();
  await fixture.whenStable();
};
const type = async (label: string, words: string) => {
  const input = field(label);
  input.value = words;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
};

describe('the shape of the plate', () => {
  const show = async (job: Job) => {
    desk = provideDesk(job);
    fixture = TestBed.createComponent<unknown>(ShapeCard);
    await fixture.whenStable();
  };
  it('a rectangle is taken corner by corner, gets an opening, and is a rectangle again: one step each', async () => {
    await show(lopsidedJob());
    expect(host().querySelector('.note')!.textContent).toBe('Rectangle 235 mm × 185 mm, corners R 8 mm.');
    await press('Corner by corner');
    expect(outline().corners).toHaveLength(4);
    await press('Opening');
    expect(outline().openings[0]![0]).toMatchObject({ x: 73, y: -15, make: 'round', size: 5 });
    expect(host().querySelector('.note')!.textContent).toMatch(
      /^Drawn, 4 corners, 1 opening, in 235 mm × 185 mm, 425\.\d cm²\.$/,
    );
    await press('Rectangle again');
    expect(desk.job()!.plate.outline).toBeUndefined();
    expect(desk.did).toEqual(['draw corner by corner', 'opening', 'rectangle again']);
  });
  it('ready shapes ask their few dimensions, and begin with the plate’s own', async () => {
    await show(lopsidedJob());
    await press('Trapezoid');
    expect([field('Fore and aft').value, field('Across').value, field('Width ahead').value]).toEqual([
      '235 mm',
      '185 mm',
      '93 mm',
    ]);
    await type('Width ahead', '80');
    await press('Draw it');
    expect(outline().corners.map((c) => [c.x, c.y])).toEqual([
      [-117.5, -92.5],
      [117.5, -40],
      [117.5, 40],
      [-117.5, 92.5],
    ]);
    await press('Disc');
    expect([...host().querySelectorAll('.asks label')].map((l) => l.textContent)).toEqual(['Diameter', 'At a margin of']);
  });
  it('wraps the holes at a margin typed in inches; what crosses itself is said', async () => {
    await show(lopsidedJob());
    await type('At a margin of', '1 in');
    await press('Wrap');
    expect(desk.did).toEqual(['wrap at 1 in']);
    expect(desk.job()!.plate.x1).toBeCloseTo(110 + 25.4, 1);
    const crossed = drawnByCorners(lopsidedJob());
    const [a, b, ...rest] = crossed.plate.outline!.corners;
    desk.change('cross', () => ({
      ...crossed,
      plate: { ...crossed.plate, outline: { corners: [b!, a!, ...rest], openings: [] } },
    }));
    await fixture.whenStable();
    expect(host().querySelector('[role=alert]')!.textContent).toMatch(/^The outline cannot be cut: it/);
  });
});

describe('one corner', () => {
  const show = async (index: number) => {
    desk = provideDesk(drawnByCorners(lopsidedJob((j) => ({ ...j, plate: { ...j.plate, corner: 0 } }))));
    fixture = TestBed.createComponent<unknown>(CornerCard);
    fixture.componentRef.setInput('at', { ring: -1, index });
    await fixture.whenStable();
  };
  it('is placed exactly, clipped, and its edge pulled to an arc by its rise', async () => {
    await show(1);
    await type('Forward of centre', '150.5');
    expect(outline().corners[1]).toMatchObject({ x: 150.5, y: -75 });
    (fixture.componentInstance as unknown as { make(v: string): void }).make('clip');
    await fixture.whenStable();
    await type('Leg of the clip', '1/2 in');
    expect(outline().corners[1]).toMatchObject({ make: 'clip', size: 12.7 });
    (fixture.componentInstance as unknown as { make(v: string): void }).make('sharp');
    await fixture.whenStable();
    // From (150.5, −75) to (140, 110); a rise of a quarter of the chord is a bulge of a half.
    const chord = Math.hypot(10.5, 185);
    await type('Edge after it pulled out by', String(chord / 4));
    expect(outline().corners[1]!.bulge).toBeCloseTo(0.5, 6);
    await type('Edge after it pulled out by', '500');
    expect(host().querySelector('[role=alert]')!.textContent).toContain('allowed');
  });
  it('the last corner’s edge runs to the first; corners come and go', async () => {
    await show(3);
    await press('Corner after it');
    expect(outline().corners.at(-1)).toMatchObject({ x: -95, y: 17.5 });
    expect(desk.picked()).toEqual({ kind: 'node', ring: -1, index: 4 });
    await press('Take it out');
    expect(outline().corners).toHaveLength(4);
    expect(desk.picked()).toBeNull();
  });
});
