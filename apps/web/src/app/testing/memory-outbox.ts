import type { OutboxStore, Unsent } from '../job/outbox-store';

/** The browser's own database, in memory. */
export class MemoryOutbox implements Pick<OutboxStore, 'all' | 'put' | 'drop'> {
  readonly kept = new Map<string, Unsent>();

  all(): Promise<Unsent[]> {
    return Promise.resolve([...this.kept.values()].sort((a, b) => a.since - b.since));
  }

  put(u: Unsent): Promise<void> {
    this.kept.set(`${u.id} ${u.tab}`, u);
    return Promise.resolve();
  }

  drop(id: string, tab: string): Promise<void> {
    this.kept.delete(`${id} ${tab}`);
    return Promise.resolve();
  }
}
