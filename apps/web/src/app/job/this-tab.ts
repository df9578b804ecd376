const NAME = 'mast-shoe.tab';
const lockOf = (tab: string) => `${NAME}.${tab}`;

/**
 * This tab's own name, through reloads, and a lock held under it while the tab lives. A tab that was duplicated comes with the
 * name of the one it is from; finding that lock held, it takes a new one.
 */
export async function nameOfTab(): Promise<string> {
  const kept = sessionStorage.getItem(NAME);
  if (kept && (await hold(kept))) return kept;
  const fresh = crypto.randomUUID();
  sessionStorage.setItem(NAME, fresh);
  await hold(fresh);
  return fresh;
}

/** Holds the lock until the page goes; false where another page has it. Without locks in the browser every tab keeps to its own. */
function hold(tab: string): Promise<boolean> {
  if (!navigator.locks) return Promise.resolve(true);
  return new Promise((held) => {
    void navigator.locks.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      held(lock !== null);
      return lock ? new Promise<void>(() => undefined) : undefined;
    });
  });
}

/** Whether a tab of this name is gone for good. */
export async function tabIsGone(tab: string): Promise<boolean> {
  if (!navigator.locks) return false;
  const { held = [] } = await navigator.locks.query();
  return !held.some((l) => l.name === lockOf(tab));
}
