import { computed, inject, Injectable, type OnDestroy, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { failureText, JobApi, type Drawn, type Place, type RackAsked, type RackPage } from '../job/job-api';

/** Tags fetched at a time, and drawings of them. */
const MANY = 60;
const DRAWN = 20;
/** How soon the rack is looked at again while verdicts are being worked out, ms. */
const AGAIN = 1500;

export const USUAL: RackAsked = { in: 'rack', q: '', state: '', family: '', customer: '', aboard: '', due: '', sort: 'changed' };

/** What of the rack is on the page: what was asked for, as far as it was scrolled, with drawings that come after. */
@Injectable()
export class RackDesk implements OnDestroy {
  private readonly api = inject(JobApi);

  readonly asked = signal<RackAsked>(USUAL);
  readonly page = signal<RackPage | null>(null);
  readonly drawn = signal<ReadonlyMap<string, Drawn>>(new Map());
  readonly failure = signal('');
  /** More tags are being fetched. */
  readonly fetching = signal(false);
  readonly more = computed(() => {
    const p = this.page();
    return p !== null && p.tags.length < p.total;
  });
  readonly narrowed = computed(() => {
    const { q, state, family, customer, aboard, due } = this.asked();
    return [q, state, family, customer, aboard, due].some((x) => x !== '');
  });

  private ticket = 0;
  private again: ReturnType<typeof setTimeout> | undefined;

  ask(more: Partial<RackAsked>): void {
    this.asked.update((a) => ({ ...a, ...more }));
    void this.load(MANY);
  }

  go(place: Place): void {
    this.ask({ ...USUAL, in: place, sort: this.asked().sort });
  }

  /** As it is now, as far as it was scrolled. */
  load(many = Math.max(MANY, this.page()?.tags.length ?? 0)): Promise<void> {
    return this.fetch(0, Math.min(many, 200));
  }

  /** The next tags. */
  next(): void {
    const have = this.page()?.tags.length ?? 0;
    if (!this.fetching() && this.more()) void this.fetch(have, MANY);
  }

  private async fetch(from: number, many: number): Promise<void> {
    const ticket = ++this.ticket;
    clearTimeout(this.again);
    this.fetching.set(true);
    try {
      const got = await firstValueFrom(this.api.list(this.asked(), from, many));
      if (ticket !== this.ticket) return;
      const before = from === 0 ? [] : (this.page()?.tags ?? []);
      // A tag that moved while the rack was scrolled hangs once.
      const known = new Set(before.map((t) => t.id));
      const tags = [...before, ...got.tags.filter((t) => !known.has(t.id))];
      this.page.set({ ...got, tags });
      this.failure.set('');
      this.fetching.set(false);
      if (got.waiting > 0) this.again = setTimeout(() => void this.load(), AGAIN);
      await this.draw(ticket);
    } catch (e) {
      if (ticket !== this.ticket) return;
      this.fetching.set(false);
      this.failure.set(failureText(e));
    }
  }

  /** Drawings of what hangs here and was not drawn yet as it is now. */
  private async draw(ticket: number): Promise<void> {
    const wanted = this.page()!
      .tags.filter((t) => t.judged > 0 && t.unreadable === '' && this.drawn().get(t.id)?.version !== t.judged)
      .map((t) => t.id);
    for (let i = 0; i < wanted.length && ticket === this.ticket; i += DRAWN) {
      const got = await firstValueFrom(this.api.drawn(wanted.slice(i, i + DRAWN)));
      this.drawn.update((d) => new Map([...d, ...Object.entries(got)]));
    }
  }

  ngOnDestroy(): void {
    this.ticket++;
    clearTimeout(this.again);
  }
}
