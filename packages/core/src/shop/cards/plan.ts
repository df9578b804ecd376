import { formatQuantity, type UnitSystem } from '../../units/format-quantity';
import { isRefusal, refusalText, type Refusal } from '../../units/refusal';
import type { ShopSettings } from '../../stock/shop-settings';
import type { WholeJob } from '../../job/whole-job';
import type { Making } from '../../job/making';
import { BUY_GROUPS, hireOf, money, type BuyList } from '../buy-list';
import { whenWords } from '../calendar';
import { hoursWords } from '../bedding';
import type { Placed, Schedule } from '../schedule';
import { slung } from '../slings';
import { head, loud, words, type Block, type Card } from './card';

/** "waits 18 h (drill)". */
const waitWords = (o: Placed): string =>
  o.ready > o.end ? `${hoursWords((o.ready - o.end) / 60)}${o.cure ? ` to ${o.cure.step}` : ''}` : '';

/** Operations in their order on the shop’s days, the critical ones marked. */
export function routeCard(plan: Schedule | Refusal, shop: Pick<ShopSettings, 'zone' | 'currency'>, making?: Making): Card {
  const card = (blocks: readonly Block[]): Card => ({ id: 'route', title: 'Route', of: '', blocks });
  if (isRefusal(plan)) return card([loud(refusalText(plan))]);
  const at = (m: number) => whenWords(m, shop.zone);
  const narrow = (m: number) => at(m).replace(/^(\S+) (\S+) /, '$1\u00a0$2\u00a0');
  const names = plan.chain.map((id) => plan.operations.find((o) => o.id === id)!.name);
  return card([
    words(`Done ${at(plan.finish)}. It hangs on: ${names.join(' → ')}.`),
    ...hireBlocks(plan, making, shop),
    {
      kind: 'table',
      head: ['Starts', 'Operation', 'How', 'Work', 'By', 'Machine', 'Then waits', 'Sign before going on'],
      right: [3, 4],
      tick: true,
      rows: plan.operations.map((o) => [
        narrow(o.start),
        `${o.name}${plan.chain.includes(o.id) ? ' *' : ''}`,
        o.says,
        `${Math.round(o.minutes)}\u00a0min`,
        `${o.hands}${o.short ? ', get help' : ''}`,
        o.machine ?? '',
        waitWords(o),
        o.hold ? `${o.hold} ________` : '',
      ]),
    },
    words('* the finish hangs on it. Minutes by the shop’s rates; cures by the temperature of each day.'),
  ]);
}

/** When a hired machine is wanted, for how long it is paid, and what must be ready before it comes. */
function hireBlocks(plan: Schedule, making: Making | undefined, shop: Pick<ShopSettings, 'zone' | 'currency'>): Block[] {
  const h = making?.hired;
  const o = h && plan.operations.find((x) => x.id === h.for);
  if (!h || !o) return [];
  const { hours, sum } = hireOf(h, o.end - o.start);
  const before = o.after.map((id) => plan.operations.find((x) => x.id === id)!.name);
  const ready = before.length > 0 ? ` Ready before it comes: ${before.join(', ')}.` : '';
  return [
    loud(
      `${h.what}: from ${whenWords(o.start, shop.zone)}, for ${o.name.toLowerCase()}; ${hours} h at ${money(h.perHour, shop.currency)}, ${money(sum, shop.currency)}.${ready}`,
    ),
  ];
}

/** What to buy and what it costs, beside what a bought-in one and the budget say. */
export function buyCard(list: BuyList, whole: WholeJob, shop: ShopSettings): Card {
  const m = (v: number) => money(v, shop.currency);
  const { boughtIn, budget } = whole.making ?? {};
  const beside = (name: string, v: number | undefined): Block[] =>
    v === undefined
      ? []
      : [
          list.total > v
            ? loud(`${name} ${m(v)}: this is ${m(list.total - v)} over.`)
            : words(`${name} ${m(v)}: this is ${m(v - list.total)} under.`),
        ];
  return {
    id: 'buy',
    title: 'Buy list and cost',
    of: '',
    blocks: [
      ...list.missing.map((r) => loud(`Not counted: ${refusalText(r)}`)),
      {
        kind: 'table',
        head: ['What', 'How many', '', 'Sum', 'Note'],
        right: [1, 3],
        tick: true,
        rows: BUY_GROUPS.flatMap((g) =>
          list.lines.filter((l) => l.group === g).map((l) => [l.what, `${l.count}`, l.unit, m(l.sum), l.note]),
        ),
        foot: [
          'In all',
          '',
          '',
          m(list.total),
          BUY_GROUPS.filter((g) => list.groups[g] > 0)
            .map((g) => `${g} ${m(list.groups[g])}`)
            .join(', '),
        ],
      },
      ...beside('Bought in', boughtIn),
      ...beside('Budget', budget),
      words('Prices are the shop’s rates, for planning: no quotation.'),
    ],
  };
}

/** Sling legs, where the job is lifted. */
export function liftCards(whole: WholeJob): Card[] {
  const lift = whole.making?.lift;
  if (!lift) return [];
  const found = slung({
    mass: lift.mass,
    centre: lift,
    hook: lift.hook,
    points: lift.points ?? whole.feet.slice(0, 4).map(({ x, y, z }) => ({ x, y, z })),
  });
  const card = (blocks: readonly Block[]): Card[] => [{ id: 'lift', title: 'Lift', of: '', blocks }];
  if (isRefusal(found)) return card([loud(refusalText(found))]);
  const say = (v: number, what: 'length' | 'force' | 'mass') => formatQuantity(v, what, whole.units as UnitSystem);
  return card([
    words(
      `${say(lift.mass, 'mass')}; hook over x ${say(found.hook.x, 'length')}, y ${say(found.hook.y, 'length')}, ${say(lift.hook, 'length')} above the centre of mass. ${found.how}.`,
    ),
    {
      kind: 'table',
      head: ['Leg', 'At', 'Sling', 'From level', 'Tension', 'Working load limit at least'],
      right: [2, 3, 4, 5],
      tick: true,
      rows: found.legs.map((l, i) => [
        `${i + 1}`,
        `${say(l.point.x, 'length')}, ${say(l.point.y, 'length')}, ${say(l.point.z, 'length')}`,
        say(l.length, 'length'),
        `${((l.angle * 180) / Math.PI).toFixed(0)}°`,
        say(l.tension, 'force'),
        say(l.tension / 9.80665, 'mass'),
      ]),
    },
    head('Before and while'),
    {
      kind: 'list',
      tick: true,
      items: [
        'Slings, shackles, hook and eyes looked at; each piece’s working load limit read off its tag.',
        'Two tag lines; nobody under the load or between it and a wall.',
        'Trial lift a hand high: it hangs level, nothing slips; down again and look at the eyes.',
        'Lift, set down, slack off slowly; slings off only when it is bolted or propped.',
      ],
    },
    loud('Lifting: local rules and a competent person decide; no dynamic factor is in these tensions.'),
    { kind: 'sign', text: 'Slings and hook looked at by whoever lifts' },
  ]);
}
