import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { EDGES, SpreadRules, spreadRulesOf, type EdgeName } from '@core/job/spread-rules';
import { Desk } from '../job/desk';
import { PickField, type Choice } from '../fields/pick-field';

const choices = (...pairs: readonly (readonly [string, string])[]): Choice[] => pairs.map(([value, label]) => ({ value, label }));
const EDGE_NAMES: Record<EdgeName, string> = {
  aft: 'Aft bearer',
  fore: 'Fore bearer',
  starboard: 'Starboard bearer',
  port: 'Port bearer',
};

const number = (text: string) => Number(text.trim().replace(',', '.'));
/** "30 × 0.33" and "30 x 0,33" alike. */
const several = (text: string) => text.split(/[×x*]/i).map(number);
const given = (key: keyof SpreadRules['given'], label: string, unit: string): Written => ({
  id: key,
  label,
  unit,
  show: (r) => String(r.given[key] ?? ''),
  read(r, text) {
    const { [key]: _old, ...others } = r.given;
    return { ...r, given: text === '' ? others : { ...others, [key]: number(text) } };
  },
});

/** A rule that is written as a number or as a few with × between; empty where there is none. */
interface Written {
  readonly id: string;
  readonly label: string;
  readonly unit: string;
  show(r: SpreadRules): string;
  read(r: SpreadRules, text: string): unknown;
}

const MADE: readonly Written[] = [
  {
    id: 'ribs',
    label: 'Ribs on the base',
    unit: 'number × height × thickness, mm',
    show: ({ ribs }) => (ribs ? `${ribs.count} × ${ribs.height} × ${ribs.thickness}` : ''),
    read({ ribs: old, ...r }, text) {
      if (text === '') return r;
      const [count, height, thickness, ...more] = several(text);
      return { ...r, ribs: more.length > 0 ? text : { count, height, thickness, along: old?.along ?? 'x' } };
    },
  },
  {
    id: 'taper',
    label: 'Plate’s edge thinned',
    unit: 'width, mm × part left',
    show: ({ taper }) => (taper ? `${taper.width} × ${Number(taper.to.toFixed(2))}` : ''),
    read({ taper: _old, ...r }, text) {
      if (text === '') return r;
      const [width, to, ...more] = several(text);
      return { ...r, taper: more.length > 0 ? text : { width, to } };
    },
  },
];
const SPRINGS: readonly Written[] = [
  given('bolt', 'Each bolt', 'N/mm'),
  given('bedding', 'Bedding between plates', 'N/mm³'),
  given('bearer', 'Bearers', 'N/mm per mm'),
];

/** What the solver rests on: how bearers hold, the base, preload, membrane action; and springs given outright. */
@Component({
  selector: 'ms-spread-rests',
  imports: [NgTemplateOutlet, PickField],
  template: `
    @if (!onBed()) {
      <h3>The bearers</h3>
      @for (e of edges; track e) {
        <ms-pick [label]="names[e]" [value]="rules().edges[e]" [choices]="edgeChoices" (changed)="setEdge(e, $event)" />
      }
      <ms-pick label="In the skin’s plane" [value]="rules().inPlane" [choices]="planes" (changed)="set('inPlane', $event)" />
      <p class="note">
        A bearer welded or bolted to the skin holds it in its plane; on glue or clips it may slide, and the skin then pulls less
        and bends more.
      </p>
    }
    <h3>The stack</h3>
    <ms-pick label="Base" [value]="rules().base" [choices]="bases" (changed)="set('base', $event)" />
    @for (g of made; track g.id) {
      <ng-container *ngTemplateOutlet="written; context: { $implicit: g }" />
    }
    @if (rules().ribs; as ribs) {
      <ms-pick label="Ribs run" [value]="ribs.along" [choices]="ways" (changed)="turnRibs($event)" />
    }
    <ms-pick label="Preload" [value]="rules().preload" [choices]="preloads" (changed)="set('preload', $event)" />
    <ms-pick label="Membrane action" [value]="rules().membrane" [choices]="membranes" (changed)="set('membrane', $event)" />
    <ms-pick
      label="Friction"
      [value]="rules().friction ?? 'left out'"
      [choices]="frictions"
      (changed)="set('friction', $event)"
    />
    <p class="note">
      Counted: μ times the press of the plate, as solved, is taken off what shears the bolts, where checks are judged as solved.
      Left out is the safer school: clamping fades and paint creeps.
    </p>
    <h3>What the checks judge</h3>
    <ms-pick label="Pulls and stresses" [value]="rules().checks" [choices]="judges" (changed)="set('checks', $event)" />
    <p class="note">
      Solved: the load path judges the fine mesh’s pulls (with prying), plate stress, skin stress at the edge and deflection. By
      hand: rigid base, strips and Navier’s panel, as the formulas say. What would clear a link is worked out by hand either way.
    </p>
    <h3>Springs given outright</h3>
    <p class="note">To compare with another program number for number. Empty: worked out from the parts.</p>
    @for (g of springs; track g.id) {
      <ng-container *ngTemplateOutlet="written; context: { $implicit: g }" />
    }
    <ng-template #written let-g>
      <label>
        <span
          >{{ g.label }}<small>{{ g.unit }}</small></span
        >
        <input
          [value]="wrong()[g.id]?.text ?? g.show(rules())"
          [attr.aria-invalid]="wrong()[g.id] ? true : null"
          (change)="write(g, $any($event.target).value)"
        />
      </label>
      @if (wrong()[g.id]; as no) {
        <p class="error" role="alert">“{{ no.text }}”: {{ no.words }}</p>
      }
    </ng-template>
    <p class="note">
      The load comes onto the base as a pressure that changes in a straight line. Pushes and pulls along the plate go through the
      bolt group, as shared by hand; their moment is in the solve.
    </p>
  `,
  styles: `
    label {
      display: flex;
      justify-content: space-between;
      align-items: center;
      padding: 3px 0;
      border-bottom: 1px solid var(--rule);
      font: 500 14.5px/1.2 var(--label);
    }
    small {
      display: block;
      font: 400 12px/1.2 var(--text);
      color: var(--ink-soft);
    }
    input {
      width: 96px;
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      background: var(--field);
      color: var(--ink);
      font: 600 14px/1.3 var(--text);
      text-align: right;
    }
    h3 {
      margin: 10px 0 2px;
    }
    .note {
      margin: 3px 0 4px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RestsCard {
  private readonly desk = inject(Desk);
  protected readonly edges = EDGES;
  protected readonly names = EDGE_NAMES;
  protected readonly made = MADE;
  protected readonly springs = SPRINGS;
  protected readonly edgeChoices = choices(['simple', 'lets it turn'], ['clamped', 'clamped'], ['free', 'no bearer']);
  protected readonly planes = choices(['held', 'held by bearers'], ['sliding', 'slides on them']);
  protected readonly bases = choices(['plate', 'bends as a plate'], ['rigid', 'rigid']);
  protected readonly preloads = choices(['none', 'left out (safe)'], ['as tightened', 'as the joint says']);
  protected readonly frictions = choices(['left out', 'left out (safe)'], ['counted', 'counted']);
  protected readonly ways = choices(['x', 'fore and aft'], ['y', 'athwart']);
  protected readonly membranes = choices(['where it counts', 'over w/t 0.5'], ['never', 'never']);
  protected readonly judges = choices(['hand', 'by hand'], ['solver', 'as solved']);
  protected readonly onBed = computed(() => this.desk.job()!.skin.kind === 'bed');
  protected readonly rules = computed(() => spreadRulesOf(this.desk.job()!));
  protected readonly wrong = signal<Partial<Record<string, { text: string; words: string }>>>({});

  protected set(key: 'inPlane' | 'base' | 'preload' | 'membrane' | 'friction' | 'checks', value: string): void {
    this.put({ ...this.rules(), [key]: value } as SpreadRules, `spread: ${value}`);
  }

  protected setEdge(e: EdgeName, value: string): void {
    const edges = { ...this.rules().edges, [e]: value } as SpreadRules['edges'];
    this.put({ ...this.rules(), edges }, `${EDGE_NAMES[e].toLowerCase()}: ${value}`);
  }

  protected turnRibs(along: string): void {
    const { ribs, ...r } = this.rules();
    if (ribs) this.put({ ...r, ribs: { ...ribs, along: along as 'x' | 'y' } }, 'ribs turned');
  }

  protected write(g: Written, typed: string): void {
    const text = typed.trim();
    const read = SpreadRules.safeParse(g.read(this.rules(), text));
    if (!read.success) {
      this.wrong.update((w) => ({ ...w, [g.id]: { text, words: read.error.issues[0]!.message } }));
      return;
    }
    this.wrong.update(({ [g.id]: _gone, ...rest }) => rest);
    this.put(read.data, `spread: ${g.label.toLowerCase()}`);
  }

  private put(spread: SpreadRules, did: string): void {
    this.desk.change(did, (job) => ({ ...job, spread }));
  }
}
