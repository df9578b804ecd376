// The style sheet is read as text; the page itself reads no files.
/* eslint-disable no-restricted-imports */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { TestBed } from '@angular/core/testing';
import { cardChosen, Lamp, layCard } from './lamp';

const SHEET = readFileSync(join(__dirname, '../../inks.scss'), 'utf8');

/** Inks of one mixin of the style sheet, by name. */
function inks(mixin: string): Record<string, string> {
  const body = SHEET.split(`@mixin ${mixin} {`)[1]!.split('\n}')[0]!;
  return Object.fromEntries([...body.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1]!, m[2]!]));
}

/** Contrast of two inks, WCAG 2.2, definitions of relative luminance and contrast ratio. */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * bl!;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}

const GROUNDS = ['paper', 'card', 'field', 'shade', 'raised'];

describe.each(['light', 'dark'])('%s card', (card) => {
  const ink = { ...inks('metal'), ...inks(card) };
  const between = (a: string, b: string) => contrast(ink[a]!, ink[b]!);

  it.each(['ink', 'accent', 'bad', 'good'])('%s is read on every ground at 4.5:1 (WCAG 1.4.3)', (name) => {
    for (const ground of GROUNDS) expect([ground, between(name, ground) >= 4.5]).toEqual([ground, true]);
  });

  it('soft ink is read on the grounds it stands on, words on what is filled', () => {
    for (const ground of ['paper', 'card', 'field', 'shade']) expect(between('ink-soft', ground)).toBeGreaterThanOrEqual(4.5);
    expect(between('on-accent', 'accent')).toBeGreaterThanOrEqual(4.5);
    expect(between('ink', 'accent-soft')).toBeGreaterThanOrEqual(4.5);
    expect(between('bad', 'bad-soft')).toBeGreaterThanOrEqual(4.5);
    expect(between('brass-ink', 'card')).toBeGreaterThanOrEqual(4.5);
    expect(between('chalk', 'marking')).toBeGreaterThanOrEqual(4.5);
    expect(between('ink', 'skin')).toBeGreaterThanOrEqual(4.5);
  });

  it('edges of fields and the ring of focus stand out at 3:1 (WCAG 1.4.11), and so does the plate from what it lies on', () => {
    for (const ground of ['paper', 'card', 'field']) {
      expect(between('rule-strong', ground)).toBeGreaterThanOrEqual(3);
      expect(between('accent', ground)).toBeGreaterThanOrEqual(3);
    }
    for (const ground of ['card', 'skin']) expect(between('marking-edge', ground)).toBeGreaterThanOrEqual(3);
    expect(between('brass', 'marking')).toBeGreaterThanOrEqual(3);
  });

  it('every series of a chart stands out at 3:1', () => {
    for (const name of Object.keys(ink).filter((k) => k.startsWith('series')))
      expect([name, between(name, 'card') >= 3]).toEqual([name, true]);
  });
});

it('every ink of the light card has one on the dark', () => {
  expect(Object.keys(inks('dark')).sort()).toEqual(Object.keys(inks('light')).sort());
});

describe('the card chosen', () => {
  afterEach(() => {
    localStorage.clear();
    layCard('system');
  });

  it('is the system’s until another is chosen, and is kept', () => {
    expect(cardChosen()).toBe('system');
    const lamp = TestBed.inject(Lamp);
    expect(lamp.dark()).toBe(false);
    lamp.choose('dark');
    expect([lamp.dark(), cardChosen(), document.documentElement.dataset['bench']]).toEqual([true, 'dark', 'dark']);
    lamp.choose('system');
    expect([lamp.dark(), cardChosen(), document.documentElement.dataset['bench']]).toEqual([false, 'system', undefined]);
  });

  it('what stands in the browser’s store and means nothing is the system’s', () => {
    localStorage.setItem('mast-shoe.card', 'purple');
    expect(cardChosen()).toBe('system');
  });
});
