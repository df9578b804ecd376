import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Title } from '@angular/platform-browser';
import { RouterLink } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { times } from '@core/chain/headline';
import { failureText, JobApi, type Deed, type KeptVersion, type StoredJob } from '../job/job-api';
import { LinksCard } from '../people/links-card';
import { STATE_WORDS } from '../rack/tag-words';

/** A line of the history: a version, or something else that was done. */
type Row =
  | { readonly kind: 'version'; readonly at: string; readonly v: KeptVersion }
  | { readonly kind: 'deed'; readonly at: string; readonly deed: Deed };

/** Versions shown at first, and more of them at a time. */
const SHOWN = 100;

/** Every version of a job there was: what was done, by whom, how it was judged then; compared with now, and brought back. */
@Component({
  selector: 'ms-history',
  imports: [LinksCard, MatButton, MatIcon, RouterLink],
  template: `
    <header class="bar">
      <a mat-button routerLink="/"><mat-icon svgIcon="arrow_back" />The rack</a>
      <h1>
        History <span>{{ stored()?.job?.name }}</span>
      </h1>
      <span class="gap"></span>
      <a mat-stroked-button [routerLink]="['/job', id(), 'lay-out']">Open the job</a>
    </header>
    <main>
      @if (failure(); as f) {
        <p class="error" role="alert">{{ f }} <button mat-button type="button" (click)="fetch(id())">Try again</button></p>
      }
      @if (said(); as s) {
        <p class="said" role="status">{{ s }}</p>
      }
      @if (rows(); as all) {
        <p class="note">
          {{ versions() }} {{ versions() === 1 ? 'version' : 'versions' }}; every one is kept. A verdict is the one given when
          that version was the newest; where none is shown, the next change came before it was judged.
        </p>
        <table>
          <thead>
            <tr>
              <th>Version</th>
              <th>When</th>
              <th>What was done</th>
              <th>By</th>
              <th>Verdict then</th>
              <th><span class="visually-hidden">Compare and bring back</span></th>
            </tr>
          </thead>
          <tbody>
            @for (r of shown(); track r.at + (r.kind === 'version' ? r.v.version : r.deed.did)) {
              @if (r.kind === 'version') {
                <tr [class.now]="r.v.version === stored()?.version">
                  <td class="number">{{ r.v.version }}{{ r.v.version === stored()?.version ? ', now' : '' }}</td>
                  <td>{{ when(r.at) }}</td>
                  <td>{{ r.v.did || (r.v.version === 1 ? 'put on the rack' : '–') }}</td>
                  <td>{{ r.v.who || '–' }}</td>
                  <td>
                    @if (r.v.verdict; as j) {
                      <b>{{ words[j.state] }}</b>
                      @if (j.goodFor !== null) {
                        <span>
                          good for <span class="number">{{ times(j.goodFor) }}</span> × load</span
                        >
                      }
                      @if (j.weakest) {
                        <br /><span class="note">{{ j.weakest }}, {{ j.caseName }}</span>
                      }
                    } @else {
                      <span class="note">{{ r.v.version === stored()?.version ? 'being judged' : 'not judged' }}</span>
                    }
                  </td>
                  <td class="acts">
                    @if (r.v.version !== stored()?.version) {
                      <a
                        mat-button
                        routerLink="/compare"
                        [queryParams]="{ a: id(), av: r.v.version, b: id() }"
                        [attr.aria-label]="'Compare version ' + r.v.version + ' with now'"
                        >Compare with now</a
                      >
                      <button
                        mat-stroked-button
                        type="button"
                        [disabled]="busy()"
                        [attr.aria-label]="'Bring back version ' + r.v.version"
                        (click)="bringBack(r.v)"
                      >
                        Bring back
                      </button>
                    }
                  </td>
                </tr>
              } @else {
                <tr class="deed">
                  <td></td>
                  <td>{{ when(r.at) }}</td>
                  <td>{{ r.deed.did }}</td>
                  <td>{{ r.deed.who || '–' }}</td>
                  <td></td>
                  <td></td>
                </tr>
              }
            }
          </tbody>
        </table>
        @if (all.length > shown().length) {
          <p>
            <button mat-button type="button" (click)="more()">Show {{ all.length - shown().length }} more</button>
          </p>
        }
      } @else if (!failure()) {
        <p class="note" role="status">Fetching the history …</p>
      }
      @if (stored(); as s) {
        <ms-links [id]="s.job.id" />
      }
    </main>
  `,
  styleUrls: ['../fields/page-of-rows.scss', './history-page.scss'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryPage {
  private readonly api = inject(JobApi);
  private readonly title = inject(Title);
  readonly id = input.required<string>();

  protected readonly words = STATE_WORDS;
  protected readonly times = times;
  protected readonly stored = signal<StoredJob | null>(null);
  protected readonly rows = signal<readonly Row[] | null>(null);
  protected readonly failure = signal('');
  protected readonly said = signal('');
  protected readonly busy = signal(false);
  private readonly many = signal(SHOWN);
  protected readonly shown = computed(() => (this.rows() ?? []).slice(0, this.many()));
  protected readonly versions = computed(() => (this.rows() ?? []).filter((r) => r.kind === 'version').length);

  constructor() {
    effect(() => {
      const id = this.id();
      untracked(() => void this.fetch(id));
    });
  }

  protected async fetch(id: string): Promise<void> {
    this.failure.set('');
    try {
      const { versions, deeds } = await firstValueFrom(this.api.versions(id));
      this.stored.set(await firstValueFrom(this.api.get(id)));
      this.title.setTitle(`History of ${this.stored()!.job.name} · Mast Shoe`);
      const rows: Row[] = [
        ...versions.map((v): Row => ({ kind: 'version', at: v.savedAt, v })),
        ...deeds.map((deed): Row => ({ kind: 'deed', at: deed.at, deed })),
      ];
      this.rows.set(rows.sort((a, b) => b.at.localeCompare(a.at)));
    } catch (e) {
      this.failure.set(failureText(e));
    }
  }

  /** The version as a new one over what is there now: nothing is lost by it, and it is undone the same way. */
  protected async bringBack(v: KeptVersion): Promise<void> {
    const now = this.stored();
    if (!now) return;
    this.busy.set(true);
    this.said.set('');
    try {
      const { job } = await firstValueFrom(this.api.version(now.job.id, v.version));
      const { version } = await firstValueFrom(this.api.save(job, now.version, `version ${v.version} brought back`));
      this.said.set(`Version ${v.version} is back, as version ${version}.`);
      await this.fetch(now.job.id);
    } catch (e) {
      this.failure.set(failureText(e));
    }
    this.busy.set(false);
  }

  protected more(): void {
    this.many.update((n) => n + SHOWN);
  }

  protected when(at: string): string {
    return at.slice(0, 16).replace('T', ' ');
  }
}
