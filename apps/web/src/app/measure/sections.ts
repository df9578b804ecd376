import type { Quantity, Skin } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { ANGLES, BEAMS, CHANNELS, HOLLOW_SECTIONS, ROUND_TUBES, sectionWords } from '@core/stock/sections';
import type { Choice } from '../fields/pick-field';

/** Measures a stock section gives, mm, by the skin's own names. */
type Measures = Readonly<Record<string, number>>;

/** Sections of the stock list that this skin may be, by name. */
function listed(skin: Skin): readonly (readonly [called: string, measures: Measures])[] {
  if (skin.kind === 'hollow' && skin.form === 'round')
    return ROUND_TUBES.map(([d, wall, called]) => [
      `${sectionWords([d, wall])}${called ? `, ${called}` : ''}`,
      { width: d, thickness: d, wall },
    ]);
  if (skin.kind === 'hollow')
    return HOLLOW_SECTIONS.map(([width, thickness, wall]) => [
      sectionWords([width, thickness, wall]),
      { width, thickness, wall },
    ]);
  if (skin.kind !== 'flange') return [];
  if (skin.of === 'angle')
    return ANGLES.map(([leg, t]) => [`angle ${sectionWords([leg, t])}`, { width: leg, depth: leg, web: t, thickness: t }]);
  return (skin.of === 'beam' ? BEAMS : CHANNELS).map(([called, depth, width, web, thickness]) => [
    called,
    { depth, width, web, thickness },
  ]);
}

const measureOf = (skin: Skin, key: string): number => (skin as unknown as Record<string, Quantity>)[key]!.v;

/** Name of the stock section with these measures, '' for one of its own; undefined where the skin is no section. */
export function sectionNamed(skin: Skin): string | undefined {
  if (skin.kind !== 'hollow' && skin.kind !== 'flange') return undefined;
  return listed(skin).find(([, m]) => Object.entries(m).every(([key, v]) => measureOf(skin, key) === v))?.[0] ?? '';
}

export const sectionsFor = (skin: Skin): readonly Choice[] => [
  { value: '', label: 'as measured' },
  ...listed(skin).map(([called]) => ({ value: called, label: called })),
];

/** The skin with all measures of a stock section. */
export function withSection(skin: Skin, called: string): Skin {
  const measures = listed(skin).find(([name]) => name === called)?.[1] ?? {};
  const given = Object.fromEntries(Object.entries(measures).map(([key, v]) => [key, fromSheet(v, `${v} mm`)]));
  return { ...skin, ...given } as Skin;
}
