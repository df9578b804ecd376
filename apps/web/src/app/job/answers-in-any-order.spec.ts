import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore, Store } from '@ngrx/store';
import fc from 'fast-check';
import { oneFoot } from '@core/job/at-foot';
import type { WholeJob } from '@core/job/whole-job';
import { testJob } from '@core/testing/test-job';
import { MemoryOutbox } from '../testing/memory-outbox';
import { JobEffects } from './job.effects';
import { jobActions, jobFeature, type JobState } from './job.state';
import { Outbox } from './outbox';
import { OutboxStore } from './outbox-store';

const IDS = ['a', 'b'] as const;
type Id = (typeof IDS)[number];

/** A server that does what it is asked at once, and whose answers come when they come, or not at all. */
class Rack {
  readonly jobs = new Map<string, { job: WholeJob; version: number }>(
    IDS.map((id) => [id, { job: { ...oneFoot(testJob()), id, name: id, note: '' }, version: 1 }]),
  );
  /** Every document ever written, by job: none may be of another. */
  readonly written: string[] = [];

  put(id: string, job: WholeJob, over: number): { version: number } | { clash: true } {
    const there = this.jobs.get(id)!;
    if (there.version !== over) return { clash: true };
    this.written.push(`${id}:${job.id}`);
    this.jobs.set(id, { job, version: over + 1 });
    return { version: over + 1 };
  }
}

type Command =
  | { kind: 'open'; id: Id }
  | { kind: 'change' }
  | { kind: 'wait' }
  | { kind: 'other tab'; id: Id }
  /** Of the requests under way, the one so far along the list is answered, or its answer is lost. */
  | { kind: 'answer' | 'lose'; which: number };

const commands = fc.array(
  fc.oneof(
    { weight: 3, arbitrary: fc.record({ kind: fc.constant('open' as const), id: fc.constantFrom(...IDS) }) },
    { weight: 5, arbitrary: fc.constant({ kind: 'change' as const }) },
    { weight: 3, arbitrary: fc.constant({ kind: 'wait' as const }) },
    { weight: 2, arbitrary: fc.record({ kind: fc.constant('other tab' as const), id: fc.constantFrom(...IDS) }) },
    { weight: 5, arbitrary: fc.record({ kind: fc.constantFrom('answer' as const, 'lose' as const), which: fc.nat(9) }) },
  ) as fc.Arbitrary<Command>,
  { minLength: 5, maxLength: 40 },
);

class Tab {
  readonly rack = new Rack();
  private readonly store: Store;
  private readonly http: HttpTestingController;
  private readonly outbox: Outbox;
  /** Asked of the server, which has done it; the answer is on its way. */
  private underWay: { request: TestRequest; answer: () => void }[] = [];
  /** The last name given here to each job. */
  readonly mine = new Map<string, string>();
  /** What another tab wrote last. */
  readonly theirs = new Map<string, string>();
  private count = 0;

  constructor() {
    // Nothing of the tab before goes on.
    TestBed.resetTestingModule();
    jest.clearAllTimers();
    sessionStorage.clear();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        provideStore(),
        provideState(jobFeature),
        provideEffects(JobEffects),
        { provide: OutboxStore, useClass: MemoryOutbox },
      ],
    });
    this.store = TestBed.inject(Store);
    this.http = TestBed.inject(HttpTestingController);
    this.outbox = TestBed.inject(Outbox);
  }

  get state(): JobState {
    return TestBed.runInInjectionContext(() => this.store.selectSignal(jobFeature.selectJobState))();
  }

  async turn(ms = 40): Promise<void> {
    await jest.advanceTimersByTimeAsync(ms);
    for (const request of this.http.match(() => true)) this.arrive(request);
  }

  private arrive(request: TestRequest): void {
    const id = request.request.url.split('/').at(-1)!;
    if (request.request.method === 'GET') {
      request.flush({ ...this.rack.jobs.get(id)!, archived: false, updatedAt: '' });
      return;
    }
    const done = this.rack.put(
      id,
      request.request.body as WholeJob,
      Number(request.request.headers.get('If-Match')!.replaceAll('"', '')),
    );
    const current = this.rack.jobs.get(id);
    const answer =
      'clash' in done
        ? () => request.flush({ current }, { status: 412, statusText: 'Precondition Failed' })
        : () => request.flush(done);
    this.underWay.push({ request, answer });
  }

  async do(c: Command): Promise<void> {
    const s = this.state;
    if (c.kind === 'open') this.store.dispatch(jobActions.open({ id: c.id }));
    else if (c.kind === 'change' && s.settled && s.status === 'ready') {
      const name = `mine ${++this.count}`;
      this.mine.set(s.settled.id, name);
      this.store.dispatch(jobActions.change({ job: { ...s.settled, name }, did: name }));
    } else if (c.kind === 'other tab') {
      const there = this.rack.jobs.get(c.id)!;
      const note = `theirs ${++this.count}`;
      this.theirs.set(c.id, note);
      this.rack.jobs.set(c.id, { job: { ...there.job, note }, version: there.version + 1 });
    } else if (c.kind === 'answer' || c.kind === 'lose') {
      const [one] = this.underWay.splice(c.which % Math.max(1, this.underWay.length), 1);
      if (one && !one.request.cancelled) {
        if (c.kind === 'answer') one.answer();
        else one.request.error(new ProgressEvent('error'));
      }
    }
    await this.turn(c.kind === 'wait' ? 3100 : 40);
    this.neverSaysSavedTooSoon();
  }

  private neverSaysSavedTooSoon(): void {
    const { save, settled, status, version } = this.state;
    if (save !== 'saved' || status !== 'ready' || !settled) return;
    const there = this.rack.jobs.get(settled.id)!;
    // Another tab may have gone on since; what this one says it saved was written as that version.
    if (there.version === version) expect(JSON.stringify(there.job)).toBe(JSON.stringify(settled));
  }

  /** Everything is answered, and each clash merged, until there is nothing more to send. */
  async calm(): Promise<void> {
    for (let i = 0; i < 30; i++) {
      const still = this.state.save === 'saved' && this.outbox.unsent().length === 0 && this.underWay.length === 0;
      if (still) return;
      await this.turn(3100);
      while (this.underWay.length > 0) {
        const one = this.underWay.shift()!;
        if (!one.request.cancelled) one.answer();
        await this.turn();
      }
      if (this.state.save === 'conflict') this.store.dispatch(jobActions.takeMerge());
    }
  }

  async openAndCalm(id: Id): Promise<void> {
    await this.do({ kind: 'open', id });
    await this.calm();
  }
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('answers in any order over several jobs, some lost, other tabs saving between: no document lands in another job, and nothing is lost', async () => {
  await fc.assert(
    fc.asyncProperty(commands, async (list) => {
      const tab = new Tab();
      for (const c of list) await tab.do(c);
      await tab.calm();
      for (const id of IDS) await tab.openAndCalm(id);
      expect(tab.rack.written.filter((w) => w.split(':')[0] !== w.split(':')[1])).toEqual([]);
      for (const id of IDS) {
        const { job } = tab.rack.jobs.get(id)!;
        expect(job.id).toBe(id);
        expect(job.name).toBe(tab.mine.get(id) ?? id);
        // Another tab's change is merged, never overwritten unseen.
        expect(job.note).toBe(tab.theirs.get(id) ?? '');
      }
    }),
    { numRuns: 60, seed: 11, endOnFailure: true },
  );
}, 120_000);
