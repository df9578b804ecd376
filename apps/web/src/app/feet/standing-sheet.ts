import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { alikeTo, standingAs, WAYS_TO_STAND, type Apart, type WayToStand } from '@core/job/feet-edits';
import { footPlaces } from '@core/job/at-foot';
import { underEachRule, whatComes } from '@core/job/what-comes';
import { RULE_WORDS } from '@core/loads/at-foot';
import { STANDING_RULES, STANDS_ON, type StandingRule, type StandsOn } from '@core/standing/stands';
import { countRange, lengthRange } from '@core/units/field-range';
import { formatQuantity } from '@core/units/format-quantity';
import { fromSheet, type Quantity } from '@core/units/quantity';
import { refusalText } from '@core/units/refusal';
import { PickField } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { StepsList } from '../load-path/steps-list';
import { FootRow } from './foot-row';

/** Feet as they stand in each way, for the small drawings: middle x (forward) and y (to port) in a box of 100 × 60, and their size. */
const DRAWN: Readonly<
  Record<WayToStand, { readonly size: readonly [number, number]; readonly at: readonly (readonly [number, number])[] }>
> = {
  'one plate': { size: [34, 26], at: [[50, 30]] },
  'two rails': {
    size: [84, 8],
    at: [
      [50, 14],
      [50, 46],
    ],
  },
  'four feet': {
    size: [18, 14],
    at: [
      [18, 14],
      [82, 14],
      [18, 46],
      [82, 46],
    ],
  },
  'two brackets': {
    size: [16, 24],
    at: [
      [20, 30],
      [80, 30],
    ],
  },
  row: {
    size: [14, 20],
    at: [
      [14, 30],
      [38, 30],
      [62, 30],
      [86, 30],
    ],
  },
};

const SHORT: Readonly<Record<StandingRule, string>> = {
  'force only': 'feet take force only',
  moments: 'some feet take moments',
  legs: 'legs that bend',
  'some count': 'only so many count',
  given: 'shares given',
};

const ON: Readonly<Record<StandsOn, { readonly label: string; readonly says: string }>> = {
  'own panels': {
    label: 'panels of their own',
    says: 'Each foot bends the skin between its own bearers. Where another stands between the same bearers, the verdict says so.',
  },
  'one panel': {
    label: 'one panel',
    says: 'The panel bends under all feet at once: by hand their plates’ loads are added up, solved they press on the same skin. A timber or a section under several feet is refused: its bending is judged under one foot alone.',
  },
};

const ASKED = {
  along: { label: 'Apart, fore and aft', range: lengthRange('Apart, fore and aft', 20_000) },
  across: { label: 'Apart, across', range: lengthRange('Apart, across', 20_000) },
  count: { label: 'How many', range: countRange('How many', 2, 16) },
} as const;

/** How the fitting stands: the common ways drawn small, the rule by which its load comes to its feet, and what that is for each. */
@Component({
  selector: 'ms-standing',
  imports: [FootRow, MatButton, PickField, QuantityField, StepsList],
  templateUrl: './standing-sheet.html',
  styleUrl: './standing-sheet.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StandingSheet {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  protected readonly ways = WAYS_TO_STAND;
  protected readonly drawn = DRAWN;
  protected readonly asked = ASKED;
  protected readonly words = RULE_WORDS;
  protected readonly short = SHORT;
  protected readonly on = ON;
  protected readonly standsOn = STANDS_ON.map((value) => ({ value, label: ON[value].label }));
  protected readonly rules = STANDING_RULES.map((value) => ({ value, label: SHORT[value] }));

  protected readonly whole = computed(() => this.desk.whole()!);
  protected readonly several = computed(() => this.whole().feet.length > 1);
  protected readonly units = computed(() => this.whole().units);
  protected readonly chosen = signal<WayToStand | null>(null);
  protected readonly way = computed(() => WAYS_TO_STAND.find((w) => w.id === this.chosen()));
  private readonly typed = signal<Partial<Record<keyof Apart, Quantity>>>({});
  private readonly pickedCase = signal('');

  /** As typed, else as the feet stand now, else something usual. */
  protected apart(key: keyof Apart): Quantity {
    const own = this.typed()[key];
    if (own) return own;
    const places = footPlaces(this.whole());
    const across = (way: 'x' | 'y') => Math.max(...places.map((f) => f[way])) - Math.min(...places.map((f) => f[way]));
    if (key === 'count') return fromSheet(Math.max(4, places.length), String(Math.max(4, places.length)));
    const now = key === 'along' ? across('x') : across('y');
    const mm = now > 0 ? now : 400;
    return fromSheet(mm, formatQuantity(mm, 'length', this.units()));
  }

  protected say(key: keyof Apart, q: Quantity): void {
    this.typed.update((t) => ({ ...t, [key]: q }));
  }

  protected choose(way: WayToStand): void {
    if (way === 'one plate') return this.place(way);
    this.chosen.set(way);
  }

  protected place(way: WayToStand): void {
    const apart = { along: this.apart('along').v, across: this.apart('across').v, count: this.apart('count').v };
    const name = WAYS_TO_STAND.find((w) => w.id === way)!.name.toLowerCase();
    const from = this.desk.foot();
    this.desk.changeWhole(`stand on ${name}`, (w) => standingAs(w, from, way, apart));
    this.desk.takeFoot('F1');
    this.chosen.set(null);
    this.typed.set({});
  }

  protected rule(value: string): void {
    const { length } = this.whole().feet;
    this.desk.changeWhole(`rule: ${SHORT[value as StandingRule]}`, (w) => ({
      ...w,
      standing: {
        ...w.standing,
        rule: value as StandingRule,
        count: value === 'some count' && w.standing.count < 2 ? Math.max(1, length - 1) : Math.min(w.standing.count, length),
      },
    }));
  }

  protected stand(on: string): void {
    this.desk.changeWhole(`feet on ${ON[on as StandsOn].label}`, (w) => ({
      ...w,
      standing: { ...w.standing, on: on as StandsOn },
    }));
  }

  protected readonly legHeight = computed(() => {
    const mm = this.whole().standing.legHeight;
    return fromSheet(mm, formatQuantity(mm, 'length', this.units()));
  });
  protected readonly count = computed(() => fromSheet(this.whole().standing.count, String(this.whole().standing.count)));
  protected readonly countRange = computed(() => countRange('Feet that count', 1, this.whole().feet.length));
  protected setStanding(key: 'legHeight' | 'count', q: Quantity): void {
    this.desk.changeWhole(key === 'count' ? 'how many feet count' : 'leg height', (w) => ({
      ...w,
      standing: { ...w.standing, [key]: q.v },
    }));
  }

  protected readonly alike = computed(() => {
    const n = alikeTo(this.whole(), this.desk.foot()).length;
    return n > 1 ? `${n} feet are made alike: what is drawn at one is drawn at all of them.` : '';
  });

  private readonly comes = computed(() => whatComes(this.whole(), true));
  /** Cases of the foot in hand; where only so many feet count, each set is a case. */
  protected readonly cases = computed(() => this.comes().find((f) => f.id === this.desk.foot())?.cases ?? []);
  protected readonly openCase = computed(() => {
    const all = this.cases();
    const decides = this.judge.feet.feet().find((f) => f.decides);
    return all.find((c) => c.id === this.pickedCase()) ?? all.find((c) => c.name === decides?.caseName) ?? all[0];
  });
  protected readonly caseChoices = computed(() => this.cases().map((c) => ({ value: c.id, label: c.name })));
  protected pick(id: string): void {
    this.pickedCase.set(id);
  }

  protected readonly rows = computed(() => {
    const open = this.openCase();
    const verdicts = new Map(this.judge.feet.feet().map((f) => [f.id, f]));
    const force = (v: number) => formatQuantity(v, 'force', this.units());
    const moment = (v: number) => formatQuantity(v, 'moment', this.units());
    return this.comes().map((f) => {
      const c = f.cases.find((x) => x.id === open?.id);
      return {
        id: f.id,
        name: f.name,
        decides: verdicts.get(f.id)?.decides ?? false,
        up: c ? `${force(Math.abs(c.fz))} ${c.fz > 0.5 ? 'pull' : c.fz < -0.5 ? 'press' : ''}` : 'idle',
        along: c ? `${force(c.fx)}, ${force(c.fy)}` : '',
        turn: c ? `${moment(c.mx)}, ${moment(c.my)}, ${moment(c.mz)}` : '',
      };
    });
  });

  /** The steps that bring the case to the foot in hand. */
  protected readonly steps = computed(() => {
    const all = this.openCase()?.steps ?? [];
    return all.slice(
      Math.max(
        0,
        all.findIndex((s) => s.symbol === 'n' && s.unit === '–'),
      ),
    );
  });

  protected readonly others = computed(() =>
    underEachRule(this.whole()).map((u) => ({
      rule: SHORT[u.rule],
      now: u.rule === this.whole().standing.rule,
      says: u.refusal
        ? refusalText(u.refusal)
        : u.pull
          ? u.pull.fz > 0.5
            ? `${u.pull.foot} pulled by ${formatQuantity(u.pull.fz, 'force', this.units())}, ${u.pull.caseName}`
            : 'no foot is pulled'
          : '',
    })),
  );
}
