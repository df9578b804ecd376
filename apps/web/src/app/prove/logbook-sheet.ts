import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { HttpClient } from '@angular/common/http';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { DONE, isReadable, standing, type Line } from '@core/prove/log-entry';
import { clockWords, didWords, entryWords, placeOf } from '@core/prove/words';
import type { UnitSystem } from '@core/units/format-quantity';
import { Desk } from '../job/desk';
import { failureText } from '../job/job-api';
import { LogDesk } from './log-desk';
import { PhotoButton } from './photo-button';
import { PinPlan } from './pin-plan';

const pullOf = ({ entry }: Line): string => {
  const { body } = entry as Partial<typeof entry>;
  return body?.kind === 'samples' ? body.pull : '';
};

/** The logbook: the story of every foot and bolt, newest first; written by hand, corrected by another line, never changed. */
@Component({
  selector: 'ms-logbook',
  imports: [MatButton, MatIcon, PhotoButton, PinPlan],
  template: `
    <div class="card">
      <form (submit)="write($event, text)">
        <div class="bar">
          <select aria-label="What was done" (change)="did.set($any($event.target).value)">
            @for (d of dones; track d) {
              <option [value]="d" [selected]="d === did()">{{ d }}</option>
            }
          </select>
          <select aria-label="Where" (change)="place.set($any($event.target).value)">
            <option value="">the job</option>
            @for (p of places(); track p.value) {
              <option [value]="p.value" [selected]="p.value === place()">{{ p.label }}</option>
            }
          </select>
        </div>
        <textarea #text aria-label="Words" placeholder="What was done or seen" maxlength="1000"></textarea>
        <div class="bar">
          <button mat-flat-button type="submit">{{ correcting() ? 'Write the correction' : 'Write it down' }}</button>
          <ms-photo (picked)="photo($event, text)" />
          @if (correcting(); as c) {
            <span
              >corrects line {{ c.seq }}
              <button class="text-button" type="button" (click)="correcting.set(null)">not a correction</button></span
            >
          }
        </div>
      </form>
      @if (wrong()) {
        <p class="error" role="alert">{{ wrong() }}</p>
      }
    </div>
    <details>
      <summary>Photographs on the plan ({{ pins().length }})</summary>
      <ms-pin-plan [pins]="pins()" [at]="pin()" (picked)="pin.set($event)" />
    </details>
    <div class="bar tools">
      <label
        >Story of
        <select aria-label="Story of" (change)="story.set($any($event.target).value)">
          <option value="">everything</option>
          @for (p of places(); track p.value) {
            <option [value]="p.value" [selected]="p.value === story()">{{ p.label }}</option>
          }
        </select></label
      >
      <button mat-stroked-button type="button" (click)="verify()"><mat-icon svgIcon="verified" />Verify the chain</button>
      <a mat-stroked-button [href]="'/api/jobs/' + id() + '/log.json'" download><mat-icon svgIcon="save_alt" />Logbook, JSON</a>
      <span role="status" [class.good]="verified()?.whole" [class.bad]="verified() && !verified()!.whole">{{
        verified()?.says
      }}</span>
    </div>
    @for (n of unreadable(); track n) {
      <p class="error" role="alert">Line {{ n }} cannot be read: somebody changed it behind the program. Verify the chain.</p>
    }
    @if (log.state() === 'fetching') {
      <p class="note" role="status">Fetching the logbook …</p>
    } @else if (shown().length === 0) {
      <p class="note">
        {{
          story()
            ? 'Nothing is written of that place yet.'
            : 'Nothing is written yet. What is measured, tightened, proved or seen stands here, line by line.'
        }}
      </p>
    }
    <ol class="lines">
      @for (l of shown(); track l.line.entry.id) {
        <li [class.gone]="l.gone" [class.coming]="!l.line.hash">
          <span class="seq">{{ l.line.hash ? l.line.seq : '…' }}</span>
          <span class="when"
            >{{ l.when }}<br /><b>{{ l.line.entry.by }}</b></span
          >
          <span class="says">
            <b>{{ l.did }}</b>{{ l.place ? ' · ' + l.place : '' }}
            <span class="words">{{ l.words }}</span>
            @if (l.photo) {
              <a [href]="'/api/photos/' + l.photo" target="_blank"
                ><img [src]="'/api/photos/' + l.photo + '?small'" [alt]="l.words" loading="lazy" (error)="missing(l.photo)"
              /></a>
              @if (broken().has(l.photo)) {
                <span class="error">The photograph’s file is missing or damaged; the line stays.</span>
              }
            }
            @if (l.corrects) {
              <span class="note">corrects line {{ l.corrects }}</span>
            }
            @if (l.gone) {
              <span class="note">corrected later: does not count</span>
            }
            @if (l.version) {
              <span class="note">{{ l.version }}</span>
            }
            @if (l.clock) {
              <span class="bad">{{ l.clock }}</span>
            }
            @if (!l.line.hash) {
              <span class="note">not on the server yet</span>
            }
          </span>
          @if (l.line.hash && !l.gone) {
            <button class="text-button" type="button" (click)="correcting.set(l.line); text.focus()">
              Correct line {{ l.line.seq }}
            </button>
          }
          <code>{{ l.line.hash.slice(0, 8) }}</code>
        </li>
      }
    </ol>
  `,
  styleUrl: './prove.scss',
  styles: `
    textarea {
      margin: 8px 0;
    }
    .tools {
      margin: 10px 0;
    }
    .lines {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .lines li {
      display: grid;
      grid-template-columns: 34px 96px minmax(0, 1fr) auto 74px;
      gap: 4px 10px;
      align-items: start;
      padding: 7px 0;
      border-bottom: 1px solid var(--rule);
    }
    .seq {
      font: 600 20px/1.1 var(--label);
      text-align: right;
      color: var(--ink-soft);
    }
    .when {
      font-size: 12.5px;
    }
    .words {
      display: block;
      overflow-wrap: anywhere;
    }
    .says .note,
    .says .bad {
      display: block;
      font-size: 12.5px;
    }
    .gone .words {
      text-decoration: line-through;
    }
    .coming {
      border-left: 4px dashed var(--accent);
      padding-left: 6px;
    }
    code {
      font-size: 12px;
      color: var(--ink-soft);
    }
    img {
      display: block;
      max-width: 200px;
      max-height: 130px;
      margin-top: 4px;
    }
    @media (max-width: 720px) {
      .lines li {
        grid-template-columns: 28px minmax(0, 1fr);
      }
      .when br {
        display: none;
      }
      .says,
      .lines .text-button,
      code {
        grid-column: 2;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogbookSheet {
  private readonly desk = inject(Desk);
  private readonly http = inject(HttpClient);
  protected readonly log = inject(LogDesk);
  protected readonly dones = DONE;
  protected readonly did = signal<(typeof DONE)[number]>('measured');
  protected readonly place = signal('');
  protected readonly story = signal('');
  protected readonly wrong = signal('');
  protected readonly correcting = signal<Line | null>(null);
  /** Where the next photograph is pinned. */
  protected readonly pin = signal<{ readonly x: number; readonly y: number } | null>(null);
  /** Those of the foot in hand. */
  protected readonly pins = computed(() =>
    standing(this.log.lines()).flatMap(({ seq, entry }) =>
      entry.body.kind === 'photo' && entry.body.pin && (entry.about.foot ?? this.desk.foot()) === this.desk.foot()
        ? [{ seq, ...entry.body.pin }]
        : [],
    ),
  );
  protected readonly verified = signal<{ readonly whole: boolean; readonly says: string } | null>(null);
  protected readonly broken = signal<ReadonlySet<string>>(new Set());
  protected readonly id = computed(() => this.desk.whole()!.id);

  private footName(id: string): string {
    const { feet } = this.desk.whole()!;
    return feet.length > 1 ? (feet.find((f) => f.id === id)?.name ?? id) : '';
  }
  /** Feet, where there are several, and the bolts of the foot in hand. */
  protected readonly places = computed(() => {
    const whole = this.desk.whole()!;
    const feet = whole.feet.length > 1 ? whole.feet.map((f) => ({ value: f.id, label: f.name })) : [];
    const here = this.footName(this.desk.foot());
    const bolts = this.desk
      .job()!
      .bolts.items.map((b) => ({ value: `${this.desk.foot()}/${b.id}`, label: here ? `${here}, ${b.id}` : b.id }));
    return [...feet, ...bolts];
  });

  protected readonly unreadable = computed(() =>
    this.log
      .lines()
      .filter((l) => !isReadable(l))
      .map((l) => l.seq),
  );
  protected readonly shown = computed(() => {
    const lines = this.log.lines().filter(isReadable);
    const counts = new Set(standing(lines).map((l) => l.entry.id));
    const { units } = this.desk.whole()!;
    const [foot, bolt] = this.story().split('/');
    const now = this.desk.state().version;
    const seqOf = new Map(lines.map((l) => [l.entry.id, l.seq]));
    return (
      lines
        .map((line, i) => ({ line, before: lines[i - 1], after: lines[i + 1] }))
        // Samples of one pull come line after line: the last of them stands for all.
        .filter(({ line, after }) => pullOf(line) === '' || pullOf(line) !== (after ? pullOf(after) : ''))
        .filter(({ line: { entry } }) => !foot || (entry.about.foot === foot && (!bolt || entry.about.bolt === bolt)))
        .map(({ line, before }) => {
          const { entry } = line;
          return {
            line,
            gone: !counts.has(entry.id),
            when: new Date(entry.at).toLocaleString('en-GB', {
              day: 'numeric',
              month: 'short',
              hour: '2-digit',
              minute: '2-digit',
            }),
            did: didWords(entry),
            place: placeOf(entry, (id) => this.footName(id)),
            words: this.wordsOf(line, lines, units),
            photo:
              entry.body.kind === 'photo' && line.hash
                ? entry.body.sha256
                : entry.body.kind === 'inspected'
                  ? (entry.body.photo ?? '')
                  : '',
            corrects: entry.corrects ? seqOf.get(entry.corrects) : undefined,
            version: entry.version < now ? `at version ${entry.version}` : '',
            clock: line.hash ? clockWords(line, before) : '',
          };
        })
        .reverse()
    );
  });

  private wordsOf({ entry, seq }: Line, lines: readonly Line[], units: UnitSystem): string {
    const pull = entry.body.kind === 'samples' ? entry.body.pull : '';
    const all = pull ? lines.filter((l) => pullOf(l) === pull) : [];
    if (all.length < 2) return entryWords(entry, units);
    const samples = all.flatMap((l) => (l.entry.body.kind === 'samples' ? [...l.entry.body.samples] : []));
    return `lines ${all[0]!.seq} to ${seq}: ${entryWords({ ...entry, body: { kind: 'samples', pull, samples } }, units)}`;
  }

  private about(): { foot?: string; bolt?: string } {
    const [foot, bolt] = this.place().split('/');
    return { ...(foot ? { foot } : {}), ...(bolt ? { bolt } : {}) };
  }

  protected async write(event: Event, box: HTMLTextAreaElement): Promise<void> {
    event.preventDefault();
    const text = box.value.trim();
    if (text === '') return this.wrong.set('words: empty — allowed: up to 1000 characters');
    const corrects = this.correcting()?.entry.id;
    if (await this.log.write({ kind: 'note', did: this.did(), text }, { about: this.about(), ...(corrects ? { corrects } : {}) }))
      this.done(box);
  }

  protected async photo(photo: Blob, box: HTMLTextAreaElement): Promise<void> {
    const caption = box.value.trim().slice(0, 200);
    // Its own name comes from the server, by what is in it.
    const pin = this.pin();
    const body = { kind: 'photo' as const, sha256: '0'.repeat(64), bytes: photo.size, caption, ...(pin ? { pin } : {}) };
    const about = pin ? { foot: this.desk.foot(), ...this.about() } : this.about();
    if (await this.log.write(body, { about, photo })) this.done(box);
  }

  private done(box: HTMLTextAreaElement): void {
    box.value = '';
    this.wrong.set('');
    this.correcting.set(null);
    this.pin.set(null);
    this.verified.set(null);
    this.desk.said.set('Written down');
  }

  protected missing(sha: string): void {
    this.broken.update((all) => new Set([...all, sha]));
  }

  protected verify(): void {
    this.http
      .get<{ whole: boolean; lines?: number; head?: string; seq?: number; because?: string }>(`/api/jobs/${this.id()}/log/verify`)
      .subscribe({
        next: (v) =>
          this.verified.set({
            whole: v.whole,
            says: v.whole ? `whole: ${v.lines} lines, last ${v.head!.slice(0, 12)}…` : `broken at line ${v.seq}: ${v.because}`,
          }),
        error: (e: unknown) => this.verified.set({ whole: false, says: failureText(e) }),
      });
  }
}
