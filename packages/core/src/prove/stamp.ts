import type { FootJudged } from '../chain/feet';
import { judgeFeet, usedIn, worstFoot } from '../chain/feet';
import type { VerdictState } from '../chain/evaluate';
import type { WholeJob } from '../job/whole-job';
import { madeOf } from '../shop/made-of';
import { routeOf } from '../shop/route';
import type { ShopSettings } from '../stock/shop-settings';
import { asBuilt, type AsBuilt } from './as-built';
import { openFindings } from './findings';
import { isOf, standing, type Line } from './log-entry';
import { openProof } from './proof-stands';
import { tighteningOf } from './tightening-round';

/** How a job stands, in short. */
export interface StandsAs {
  readonly state: VerdictState;
  readonly foot: string;
  readonly weakest: string;
  readonly utilisation: number;
}

/** What is drawn and what was built, side by side. */
export interface SideBySide {
  readonly design: StandsAs;
  readonly built: StandsAs;
  readonly asBuilt: AsBuilt;
  readonly feet: readonly FootJudged[];
}

const standsAs = (feet: readonly FootJudged[]): StandsAs => {
  const worst = worstFoot(feet.map((f) => ({ ...f, verdict: f.judged.verdict })));
  const link = worst.verdict.links.find((l) => l.id === worst.verdict.weakest);
  return {
    state: worst.verdict.state,
    foot: feet.length > 1 ? worst.name : '',
    weakest: link?.name ?? '',
    utilisation: usedIn(worst.verdict),
  };
};

/** Both judged by the same core. The design is judged again only where what was built differs from it. */
export function sideBySide(whole: WholeJob, lines: readonly Line[]): SideBySide {
  const found = asBuilt(whole, lines);
  const feet = judgeFeet(found.whole);
  const built = standsAs(feet);
  return { design: found.whole === whole ? built : standsAs(judgeFeet(whole)), built, asBuilt: found, feet };
}

const holds = (s: StandsAs) => s.state === 'sound' || s.state === 'tight';

/** A hold point of the route, and who signed it. */
export interface HoldPoint {
  readonly operation: string;
  readonly name: string;
  readonly text: string;
  readonly signed?: { readonly by: string; readonly name: string; readonly at: string };
}

export function holdPoints(whole: WholeJob, shop: Pick<ShopSettings, 'rates'>, lines: readonly Line[]): HoldPoint[] {
  const of = madeOf(whole);
  if ('refusals' in of) return [];
  const signed = new Map(
    standing(lines)
      .filter(isOf('signed'))
      .map((l) => [l.entry.body.operation, l.entry]),
  );
  return routeOf(of, shop).flatMap((o): HoldPoint[] => {
    if (!o.hold) return [];
    const by = signed.get(o.id);
    return [
      {
        operation: o.id,
        name: o.name,
        text: o.hold,
        ...(by?.body.kind === 'signed' ? { signed: { by: by.by, name: by.body.name, at: by.at } } : {}),
      },
    ];
  });
}

/** What is still open on a job before it may be stamped, in words; by what it is about. */
export interface OpenPoint {
  readonly about: 'does not hold' | 'fit-up' | 'tightening' | 'proof' | 'hold point' | 'finding';
  readonly foot: string;
  readonly text: string;
}

export function openPoints(
  whole: WholeJob,
  shop: Pick<ShopSettings, 'rates'>,
  lines: readonly Line[],
  side: SideBySide = sideBySide(whole, lines),
): OpenPoint[] {
  const several = whole.feet.length > 1;
  const nameOf = (id: string | undefined) => (several ? (whole.feet.find((f) => f.id === id)?.name ?? '') : '');
  const { built } = side;
  const out: OpenPoint[] = [];
  if (!holds(built))
    out.push({
      about: 'does not hold',
      foot: built.foot,
      text: `as built it ${built.state === 'fails' ? 'does not hold' : 'is not shown to hold'}${built.weakest ? `: ${built.weakest} ${built.utilisation.toFixed(2)}` : ''}`,
    });
  for (const f of side.asBuilt.found)
    if (f.open) out.push({ about: 'fit-up', foot: nameOf(f.dimension.about.foot), text: `${f.dimension.name}: ${f.open}` });
  for (const f of whole.feet)
    for (const text of tighteningOf(whole, f.id, lines).missed) out.push({ about: 'tightening', foot: nameOf(f.id), text });
  for (const f of whole.feet) {
    const text = f.holds?.restsOnly ? '' : openProof(whole, f.id, lines);
    if (text) out.push({ about: 'proof', foot: nameOf(f.id), text });
  }
  for (const h of holdPoints(whole, shop, lines))
    if (!h.signed) out.push({ about: 'hold point', foot: '', text: `${h.name}: ${h.text}, not signed` });
  for (const l of openFindings(lines, whole.feet))
    out.push({ about: 'finding', foot: nameOf(l.entry.about.foot), text: `${l.entry.body.name}: ${l.entry.body.text}` });
  return out;
}

/** Whether it may be stamped: it holds as built, and nothing is open. Why not in words; empty where it may. */
export function stampRefusal(whole: WholeJob, shop: Pick<ShopSettings, 'rates'>, lines: readonly Line[]): string {
  const open = openPoints(whole, shop, lines);
  const bad = open.find((o) => o.about === 'does not hold');
  if (bad) return bad.text;
  return open.length > 0 ? `${open.length} open: ${open[0]!.foot ? `${open[0]!.foot}: ` : ''}${open[0]!.text}` : '';
}
