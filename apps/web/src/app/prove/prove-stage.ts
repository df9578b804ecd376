import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatButtonToggle, MatButtonToggleGroup } from '@angular/material/button-toggle';
import { Router } from '@angular/router';
import { cautionsFor } from '@core/chain/cautions';
import { entryWords } from '@core/prove/words';
import type { StandsAs } from '@core/prove/stamp';
import { Desk } from '../job/desk';
import { KeepsRoom } from '../job/keeps-room';
import { AfterSheet } from './after-sheet';
import { FitUpSheet } from './fit-up-sheet';
import { LogDesk } from './log-desk';
import { LogQueue } from './log-queue';
import { LogbookSheet } from './logbook-sheet';
import { ProofSheet } from './proof-sheet';
import { Prover } from './prover';
import { RecordSheet } from './record-sheet';
import { TightenSheet } from './tighten-sheet';
import { WhoField } from './who-field';

/** Sheets in the order they are used at the job. */
const SHEETS = [
  { id: 'fit-up', name: 'Fit-up' },
  { id: 'tighten', name: 'Tighten' },
  { id: 'proof', name: 'Proof' },
  { id: 'logbook', name: 'Logbook' },
  { id: 'record', name: 'Record' },
  { id: 'after', name: 'After' },
] as const;
type Sheet = (typeof SHEETS)[number]['id'];

const STATES: Readonly<Record<StandsAs['state'], string>> = {
  sound: 'holds',
  tight: 'holds, tight',
  fails: 'does not hold',
  refused: 'not shown to hold',
};
/** Other phones write too. */
const LOOK_AGAIN = 15_000;

/** Prove: at the job, with a phone in hand. What was found is judged again at once, beside what was drawn. */
@Component({
  selector: 'ms-prove-stage',
  imports: [
    AfterSheet,
    FitUpSheet,
    KeepsRoom,
    LogbookSheet,
    MatButton,
    MatButtonToggle,
    MatButtonToggleGroup,
    ProofSheet,
    RecordSheet,
    TightenSheet,
    WhoField,
  ],
  providers: [Prover],
  templateUrl: './prove-stage.html',
  styleUrl: './prove-stage.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProveStage {
  protected readonly desk = inject(Desk);
  private readonly router = inject(Router);
  protected readonly log = inject(LogDesk);
  protected readonly queue = inject(LogQueue);
  protected readonly prover = inject(Prover);
  protected readonly sheets = SHEETS;
  /** From the address. */
  readonly sheet = input<string>();
  protected readonly shown = computed((): Sheet => SHEETS.find((s) => s.id === this.sheet())?.id ?? 'fit-up');
  protected readonly feet = computed(() => this.desk.whole()!.feet);
  protected readonly caution = computed(() => cautionsFor(this.desk.job()!)[1] ?? '');

  constructor() {
    const again = setInterval(() => {
      if (!document.hidden) this.log.fetch();
    }, LOOK_AGAIN);
    inject(DestroyRef).onDestroy(() => clearInterval(again));
  }

  protected show(sheet: Sheet): void {
    void this.router.navigate([], { queryParams: { sheet }, queryParamsHandling: 'merge', replaceUrl: true });
  }
  protected words(s: StandsAs): string {
    return STATES[s.state];
  }
  /** A dash where no link has a figure, as before there is a load. */
  protected figure(s: StandsAs): string {
    return s.weakest ? s.utilisation.toFixed(2) : '–';
  }
  protected holds(s: StandsAs): boolean {
    return s.state === 'sound' || s.state === 'tight';
  }
  protected entry(q: { readonly entry: Parameters<typeof entryWords>[0] }): string {
    return entryWords(q.entry, this.desk.whole()!.units);
  }
}
