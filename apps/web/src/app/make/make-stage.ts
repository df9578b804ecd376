import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatIcon } from '@angular/material/icon';
import { cautionsFor } from '@core/chain/cautions';
import { headline } from '@core/chain/headline';
import { isResolved, resolve } from '@core/job/resolve';
import { assumedValues } from '@core/job/values';
import { barsWanted } from '@core/shop/bars-wanted';
import { beddingCards, bendCards, torqueCards, weldCards } from '@core/shop/cards/bench';
import { cutParts } from '@core/shop/cut-parts';
import { PAPERS, templateFor, type PaperName } from '@core/shop/template-pages';
import { boundsOf } from '@core/geometry/rects';
import { formatQuantity } from '@core/units/format-quantity';
import { isRefusal, refusalText } from '@core/units/refusal';
import { plateView } from '../drawing/plate-drawing';
import { FactorField } from '../fields/factor-field';
import { PickField, type Choice } from '../fields/pick-field';
import { fieldWords } from '../fields/show';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { KeepsRoom } from '../job/keeps-room';
import { BlankDrawing } from '../drawing/blank-drawing';
import { keptNumbers, type CsvNumbers } from './csv-numbers';
import { BeddingSheet } from './bedding-sheet';
import { BenchCards } from './bench-cards';
import { BuySheet } from './buy-sheet';
import { CutPlan } from './cut-plan';
import { DrillCard } from './drill-card';
import { JobMade } from './job-made';
import { PacketPanel } from './packet-panel';
import { PartsCard } from './parts-card';
import { PrinterField } from './printer-field';
import { RouteSheet } from './route-sheet';
import { ShopDesk } from './shop-desk';
import { ShopSheet } from './shop-sheet';
import { SheetPlan } from './sheet-plan';
import { TorqueSheet } from './torque-sheet';

/** The sheets of the stage, in the order they are used at the bench. */
const SHEETS = [
  { id: 'parts', name: 'Parts' },
  { id: 'template', name: 'Template' },
  { id: 'sheets', name: 'Sheets' },
  { id: 'bars', name: 'Bars' },
  { id: 'bends', name: 'Bend' },
  { id: 'drill', name: 'Drill' },
  { id: 'welds', name: 'Weld' },
  { id: 'bed', name: 'Bed' },
  { id: 'tighten', name: 'Tighten' },
  { id: 'route', name: 'Route' },
  { id: 'buy', name: 'Buy' },
  { id: 'shop', name: 'Shop' },
] as const;
type Sheet = (typeof SHEETS)[number]['id'];

/** The card of the packet that a sheet is, where it is one. */
const CARD: Readonly<Partial<Record<Sheet, string>>> = {
  parts: 'parts',
  sheets: 'sheets',
  bars: 'bars',
  bends: 'bends',
  drill: 'drill',
  welds: 'welds',
  bed: 'bedding',
  tighten: 'torque',
  route: 'route',
  buy: 'buy',
};

/** Make: the sheets to mark out, drill and cut by. They are made from the job as saved. */
@Component({
  selector: 'ms-make-stage',
  imports: [
    BeddingSheet,
    BenchCards,
    BlankDrawing,
    BuySheet,
    CutPlan,
    DrillCard,
    FactorField,
    KeepsRoom,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    PacketPanel,
    PartsCard,
    PickField,
    PrinterField,
    RouteSheet,
    SheetPlan,
    ShopSheet,
    TorqueSheet,
  ],
  templateUrl: './make-stage.html',
  styleUrl: './make-stage.scss',
  providers: [JobMade],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MakeStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  private readonly shop = inject(ShopDesk);
  private readonly made = inject(JobMade);
  protected readonly job = computed(() => this.desk.job()!);
  protected readonly sheets = SHEETS;
  protected readonly sheet = signal<Sheet>('template');
  protected readonly papers: readonly Choice[] = Object.entries(PAPERS).map(([value, p]) => ({ value, label: p.name }));
  protected readonly hand = signal<'drawn' | 'other'>('drawn');
  protected readonly printer = signal('');
  protected readonly paper = signal<PaperName>('a4');
  protected readonly partId = signal('plate');
  protected readonly numbers = signal<CsvNumbers>(keptNumbers.read());
  protected readonly locales: readonly Choice[] = [
    { value: 'point', label: '1234.5 ,' },
    { value: 'comma', label: '1234,5 ;' },
  ];
  private readonly resolved = computed(() => {
    const r = resolve(this.job());
    return isResolved(r) ? r : undefined;
  });
  protected readonly parts = computed(() => {
    const r = this.resolved();
    return r ? cutParts(r) : [];
  });
  /** The part that was chosen, while there is one of that name; else the mounting plate. */
  protected readonly part = computed(() => this.parts().find((p) => p.id === this.partId()) ?? this.parts()[0]);
  private readonly cut = computed(() => {
    const p = this.part();
    return p && templateFor(p.bounds, this.paper());
  });
  protected readonly tooLarge = computed(() => {
    const t = this.cut();
    return t && isRefusal(t) ? refusalText(t) : '';
  });
  protected readonly template = computed(() => {
    const t = this.cut();
    return !t || isRefusal(t) ? null : t;
  });
  protected readonly view = computed(() => {
    const sheets = this.template()?.sheets ?? [];
    if (sheets.length === 0) return plateView(this.job());
    return boundsOf(
      sheets.flatMap((s) => [
        { x: s.window.x0, y: s.window.y0 },
        { x: s.window.x1, y: s.window.y1 },
      ]),
      4,
    );
  });
  /** How the chosen part is bent, where it is. */
  protected readonly bend = computed(() => {
    const { fold } = this.job().plate;
    if (!fold || !this.part()?.bends.length) return '';
    const mm = (v: number) => formatQuantity(v, 'length', this.job().units);
    return `Flat blank: cut and drill it, then bend the ${fold.edge} edge up square at the dashed lines, inside radius ${mm(fold.radius.v)}, to ${mm(fold.height.v)} outside.`;
  });
  protected readonly refusals = computed(() => {
    const r = resolve(this.job());
    return isResolved(r) ? [] : r.map((x) => refusalText({ ...x, field: fieldWords(x.field) }));
  });
  protected readonly cautions = computed(() => cautionsFor(this.job()));
  protected readonly assumed = computed(() => assumedValues(this.job()));
  protected readonly saved = computed(() => this.desk.state().save === 'saved');
  protected readonly verdict = computed(() => {
    // The packet is of all feet: one that does not hold comes before what the foot in hand does.
    const bad = this.judge.feet.feet().find((f) => f.state === 'fails' || f.state === 'refused');
    if (bad && bad.id !== this.desk.foot()) {
      const says = bad.state === 'fails' ? 'does not hold' : 'is not shown to hold';
      return { holds: false, words: `${bad.name} ${says}. Every sheet says so.` };
    }
    const v = this.judge.verdict();
    if (!v) return { holds: undefined, words: 'Being judged …' };
    const { says } = headline(this.judge.judged()!, v, null);
    const holds = v.state === 'sound' || v.state === 'tight';
    const who = this.job().stands ? '' : says.startsWith('not shown') ? 'The job is ' : 'The job ';
    return { holds, words: holds ? `${who}${says}.` : `${who}${says}. Every sheet says so.` };
  });

  constructor() {
    this.shop.fetch();
  }

  protected setPaper(paper: string): void {
    this.paper.set(paper as PaperName);
  }
  /** What is asked of a template’s or a cutter’s file besides its part. */
  protected readonly asHand = computed((): Record<string, string> => (this.hand() === 'other' ? { hand: 'other' } : {}));
  protected readonly kerf = signal(0);
  protected readonly asKerf = computed((): Record<string, string> => (this.kerf() > 0 ? { kerf: String(this.kerf()) } : {}));
  protected readonly asPrinter = computed((): Record<string, string> => (this.printer() ? { printer: this.printer() } : {}));

  /** The sheet by itself on paper; nothing of one that says there is nothing. */
  protected readonly cardLink = computed(() => {
    const card = CARD[this.sheet()];
    if (!card || this.refusals().length > 0 || !this.has(card)) return '';
    const paper = this.job().units === 'inch' ? '&paper=letter' : '';
    return `/api/jobs/${this.job().id}/packet.pdf?card=${card}${paper}`;
  });
  private has(card: string): boolean {
    const made = this.made.of();
    if (!made) return false;
    const asked: Readonly<Record<string, () => boolean>> = {
      sheets: () => made.parts.some((p) => !p.part.sawn),
      bars: () => this.wantsBars(),
      bends: () => bendCards(made).length > 0,
      welds: () => weldCards(made).length > 0,
      bedding: () => beddingCards(made).length > 0,
      torque: () => torqueCards(made).length > 0,
    };
    return asked[card]?.() ?? true;
  }
  private readonly bars = computed(() => barsWanted(this.desk.whole()!));
  private wantsBars(): boolean {
    const found = this.bars();
    return 'wanted' in found && found.wanted.length > 0;
  }

  protected showPart(id: string): void {
    this.partId.set(id);
    this.sheet.set('template');
  }

  protected setNumbers(way: string): void {
    this.numbers.set(way as CsvNumbers);
    keptNumbers.write(way as CsvNumbers);
  }

  protected file(name: string, query: Record<string, string>): string {
    const foot: Record<string, string> = this.job().stands ? { foot: this.desk.foot() } : {};
    const asked = new URLSearchParams({ ...foot, ...query }).toString();
    return `/api/jobs/${this.job().id}/${name}${asked ? `?${asked}` : ''}`;
  }
}
