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

type Given = keyof SpreadRules['given'];
const GIVEN: readonly { readonly key: Given; readonly label: string; readonly unit: string }[] = [
  { key: 'bolt', label: 'Each bolt', unit: 'N/mm' },
  { key: 'bedding', label: 'Bedding between plates', unit: 'N/mm³' },
  { key: 'bearer', label: 'Bearers', unit: 'N/mm per mm' },
];

/** What the solver rests on: how bearers hold, the base, preload, membrane action; and springs given outright. */
@Component({
  selector: 'ms-spread-rests',
  imports: [PickField],
  template: `
    <h3>The bearers</h3>
    @for (e of edges; track e) {
      <ms-pick [label]="names[e]" [value]="rules().edges[e]" [choices]="edgeChoices" (changed)="setEdge(e, $event)" />
    }
    <ms-pick label="In the skin’s plane" [value]="rules().inPlane" [choices]="planes" (changed)="set('inPlane', $event)" />
    <p class="note">
      A bearer welded or bolted to the skin holds it in its plane; on glue or clips it may slide, and the skin then pulls less and
      bends more.
    </p>
    <h3>The stack</h3>
    <ms-pick label="Base" [value]="rules().base" [choices]="bases" (changed)="set('base', $event)" />
    <ms-pick label="Preload" [value]="rules().preload" [choices]="preloads" (changed)="set('preload', $event)" />
    <ms-pick label="Membrane action" [value]="rules().membrane" [choices]="membranes" (changed)="set('membrane', $event)" />
    <h3>What the checks judge</h3>
    <ms-pick label="Pulls and stresses" [value]="rules().checks" [choices]="judges" (changed)="set('checks', $event)" />
    <p class="note">
      Solved: the load path judges the fine mesh’s pulls (with prying), plate stress, skin stress at the edge and deflection. By
      hand: rigid base, strips and Navier’s panel, as the formulas say. What would clear a link is worked out by hand either way.
    </p>
    <h3>Springs given outright</h3>
    <p class="note">To compare with another program number for number. Empty: worked out from the parts.</p>
    @for (g of given; track g.key) {
      <label>
        {{ g.label }}
        <span
          ><input
            inputmode="decimal"
            [value]="wrong()[g.key]?.text ?? rules().given[g.key] ?? ''"
            [attr.aria-invalid]="wrong()[g.key] ? true : null"
            (change)="setGiven(g.key, $any($event.target).value)"
          />
          {{ g.unit }}</span
        >
      </label>
      @if (wrong()[g.key]; as no) {
        <p class="error" role="alert">“{{ no.text }}”: {{ no.words }}</p>
      }
    }
    <p class="note">
      The load comes onto the base as a pressure that changes in a straight line. Pushes and pulls along the plate go through the
      bolt group, as shared by hand; their moment is in the solve. Friction is not counted.
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
    input {
      width: 84px;
      padding: 3px 6px;
      border: 1px solid var(--rule-strong);
      background: #fff;
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
  protected readonly given = GIVEN;
  protected readonly edgeChoices = choices(['simple', 'lets it turn'], ['clamped', 'clamped'], ['free', 'no bearer']);
  protected readonly planes = choices(['held', 'held by bearers'], ['sliding', 'slides on them']);
  protected readonly bases = choices(['plate', 'bends as a plate'], ['rigid', 'rigid']);
  protected readonly preloads = choices(['none', 'left out (safe)'], ['as tightened', 'as the joint says']);
  protected readonly membranes = choices(['where it counts', 'over w/t 0.5'], ['never', 'never']);
  protected readonly judges = choices(['hand', 'by hand'], ['solver', 'as solved']);
  protected readonly rules = computed(() => spreadRulesOf(this.desk.job()!));
  protected readonly wrong = signal<Partial<Record<Given, { text: string; words: string }>>>({});

  protected set(key: 'inPlane' | 'base' | 'preload' | 'membrane' | 'checks', value: string): void {
    this.put({ ...this.rules(), [key]: value } as SpreadRules, `spread: ${value}`);
  }

  protected setEdge(e: EdgeName, value: string): void {
    const edges = { ...this.rules().edges, [e]: value } as SpreadRules['edges'];
    this.put({ ...this.rules(), edges }, `${EDGE_NAMES[e].toLowerCase()}: ${value}`);
  }

  protected setGiven(key: Given, text: string): void {
    const v = text.trim() === '' ? undefined : Number(text.trim().replace(',', '.'));
    const { [key]: _old, ...others } = this.rules().given;
    const next = { ...this.rules(), given: v === undefined ? others : { ...others, [key]: v } };
    const read = SpreadRules.safeParse(next);
    if (!read.success) {
      this.wrong.update((w) => ({ ...w, [key]: { text, words: read.error.issues[0]!.message } }));
      return;
    }
    this.wrong.update(({ [key]: _gone, ...rest }) => rest);
    this.put(read.data, `spread: ${key} given`);
  }

  private put(spread: SpreadRules, did: string): void {
    this.desk.change(did, (job) => ({ ...job, spread }));
  }
}
