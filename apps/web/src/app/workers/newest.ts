/** Work for a worker: one piece is under way at a time and only the newest waits, so a drag never waits for a check. */
export class Newest<T> {
  private ticket = 0;
  private underWay: { readonly ticket: number; readonly item: T } | null = null;
  private next: { readonly item: T } | null = null;

  constructor(private readonly send: (ticket: number, item: T) => void) {}

  put(item: T): void {
    if (this.underWay) this.next = { item };
    else this.start(item);
  }

  /** What the answer with this ticket is about; undefined where nobody waits for it. The one waiting is sent. */
  answered(ticket: number): T | undefined {
    if (ticket !== this.underWay?.ticket) return undefined;
    const { item } = this.underWay;
    this.underWay = null;
    const waiting = this.next;
    this.next = null;
    if (waiting) this.start(waiting.item);
    return item;
  }

  /** What is under way will not be answered: the newest there is, to be put again; undefined where nothing was asked. */
  lost(): T | undefined {
    const item = this.next?.item ?? this.underWay?.item;
    this.underWay = null;
    this.next = null;
    return item;
  }

  private start(item: T): void {
    this.underWay = { ticket: ++this.ticket, item };
    this.send(this.ticket, item);
  }
}
