import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { MatDialog } from '@angular/material/dialog';
import { MatIcon } from '@angular/material/icon';
import { decidesFor, remindersFor } from '@core/chain/cautions';
import { FAMILIES, type Job, type Load } from '@core/job/schema';
import { ACTION_WORDS, casesOf, casesOfLoad, loadRefusals } from '@core/loads/cases';
import { unusualPractice, type UsualPractice } from '@core/job/usual-practice';
import { newLoad } from '@core/loads/new-load';
import { builderOf, BUILDERS } from '@core/loads/registry';
import { formatQuantity } from '@core/units/format-quantity';
import { refusalText } from '@core/units/refusal';
import { PickField, type Choice } from '../fields/pick-field';
import { StandingSheet } from '../feet/standing-sheet';
import { InstrumentPanel } from '../instruments/instrument-panel';
import { Desk } from '../job/desk';
import { Judge } from '../job/judge';
import { StepsList } from '../load-path/steps-list';
import { BuilderKinds } from './builder-kinds';
import { CombinationCard } from './combination-card';
import { addLoad, changeLoad, freeId } from './edits';
import { Envelope } from './envelope';
import { LoadCard } from './load-card';
import { LoadSketch } from './load-sketch';
import { SchoolCard } from './school-card';
import { TakeOffTable } from './take-off-table';

type Sheet = 'picture' | 'take-off' | 'envelope' | 'standing';

/** Load: what the fitting does to the plate, with the arithmetic shown. */
@Component({
  selector: 'ms-load-stage',
  imports: [
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    MatIcon,
    BuilderKinds,
    CombinationCard,
    Envelope,
    InstrumentPanel,
    LoadCard,
    LoadSketch,
    PickField,
    SchoolCard,
    StandingSheet,
    StepsList,
    TakeOffTable,
  ],
  templateUrl: './load-stage.html',
  styleUrl: './load-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LoadStage {
  protected readonly desk = inject(Desk);
  protected readonly judge = inject(Judge);
  private readonly dialog = inject(MatDialog);
  protected readonly families: readonly Choice[] = FAMILIES.map((f) => ({
    value: f,
    label: f === 'general' ? 'Something else' : BUILDERS.find((b) => b.family === f)!.name,
  }));

  protected readonly job = computed(() => this.desk.job()!);
  protected readonly cases = computed(() => casesOf(this.job(), true));
  protected readonly sheet = signal<Sheet>('picture');
  private readonly chosenLoad = signal('');
  private readonly chosenCase = signal('');

  protected readonly governing = computed(() => {
    const v = this.judge.verdict();
    return v?.links.find((l) => l.id === v.weakest)?.caseId ?? '';
  });
  protected readonly openCase = computed(() => {
    const all = this.cases();
    const find = (id: string) => all.find((c) => c.id === id);
    return find(this.chosenCase()) ?? find(this.governing()) ?? all[0];
  });
  /** The load whose card is open: the chosen one, else the open case's, else the first. */
  protected readonly openLoad = computed(() => {
    const { loads } = this.job();
    const find = (id: string | undefined) => loads.find((l) => l.id === id);
    return find(this.chosenLoad()) ?? find(this.openCase()?.loadId) ?? loads[0];
  });
  protected readonly casesOfOpen = computed(() => {
    const load = this.openLoad();
    return load ? casesOfLoad(load) : [];
  });
  /** The case drawn on the open load's picture: the open one where it is its own, else its first. */
  protected readonly drawnCase = computed(() => {
    const own = this.casesOfOpen();
    return own.find((c) => c.id === this.openCase()?.id) ?? own[0];
  });
  protected readonly takesOff = computed(() => {
    const load = this.openLoad();
    return load !== undefined && builderOf(load.kind).takeOff !== undefined;
  });
  protected readonly shownSheet = computed((): Sheet =>
    this.sheet() === 'take-off' && !this.takesOff() ? 'picture' : this.sheet(),
  );
  protected readonly refusals = computed(() => loadRefusals(this.job()).map(refusalText));
  protected readonly cautions = computed(() => decidesFor(this.job()));
  protected readonly reminders = computed(() => remindersFor(this.job()));
  protected readonly actions = ACTION_WORDS;
  /** The foot in hand, where there are several. */
  protected readonly footName = computed(() => {
    const { stands } = this.job();
    return stands?.feet.find((f) => f.id === stands.foot)?.name ?? '';
  });

  protected readonly icon = (load: Load) => builderOf(load.kind).icon;

  protected count(load: Load): string {
    const n = casesOfLoad(load, false).length;
    return `${n} ${n === 1 ? 'case' : 'cases'}${load.alone ? '' : ', combined only'}`;
  }

  protected governs(load: Load): boolean {
    return this.cases().some((c) => c.id === this.governing() && c.loadId === load.id);
  }

  protected show(v: number, dimension: 'force' | 'moment'): string {
    return formatQuantity(v, dimension, this.job().units);
  }

  protected choose(id: string): void {
    this.chosenCase.set(id);
    const load = this.cases().find((c) => c.id === id)?.loadId ?? '';
    if (this.job().loads.some((l) => l.id === load)) this.chosenLoad.set(load);
  }

  protected chooseLoad(id: string): void {
    this.chosenLoad.set(id);
    this.chosenCase.set(
      casesOfLoad(
        this.job().loads.find((l) => l.id === id)!,
        false,
      )[0]?.id ?? '',
    );
  }

  protected async add(): Promise<void> {
    const { BuilderPicker } = await import('./builder-picker');
    const ref = this.dialog.open<unknown, unknown, Load>(BuilderPicker, {
      width: '980px',
      maxWidth: '94vw',
      ariaLabel: 'Add a load',
    });
    ref.afterClosed().subscribe((load) => load && this.take(load));
  }

  protected takeKind(kind: string): void {
    this.take(newLoad(kind, 'L1'));
  }

  /** Takes a new load in; the first one names the job's family, where nobody has. */
  take(load: Load): void {
    const id = freeId([...this.job().loads, ...this.job().combinations], 'L');
    const { family } = builderOf(load.kind);
    this.desk.change(`add ${load.name}`, (j) => ({
      ...addLoad({ ...load, id })(j),
      family: j.family === 'general' && j.loads.length === 0 ? (family as Job['family']) : j.family,
    }));
    this.chooseLoad(id);
  }

  protected combine(): void {
    const id = freeId([...this.job().loads, ...this.job().combinations], 'C');
    const parts = this.job()
      .loads.slice(0, 8)
      .map((l) => ({ load: l.id, factor: null }));
    this.desk.change('combine loads', (j) => ({ ...j, combinations: [...j.combinations, { id, name: 'Together', parts }] }));
  }

  protected rename(load: Load, name: string): void {
    const trimmed = name.trim().slice(0, 80);
    if (trimmed)
      this.desk.change(
        'rename load',
        changeLoad(load.id, (l) => ({ ...l, name: trimmed })),
      );
  }

  protected family(f: string): void {
    this.desk.change('family', (j) => ({ ...j, family: f as Job['family'] }));
  }

  /** How the job's factors differ from what its kind of fitting usually takes. */
  protected readonly unusual = computed(() => unusualPractice(this.job()));

  protected takeUsual({ practice }: UsualPractice): void {
    this.desk.change('usual factors', (j) => ({ ...j, practice: { ...j.practice, ...practice } }));
  }

  protected note(text: string): void {
    this.desk.change('note', (j) => ({ ...j, note: text.slice(0, 2000) }));
  }
}
