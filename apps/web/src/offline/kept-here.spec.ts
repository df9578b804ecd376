import { seenBefore } from './kept-here';

it('what was asked before anyone kept it is asked once more, each once, also where its answer comes later; nothing else is', () => {
  const asked: string[] = [];
  globalThis.fetch = (url) => {
    asked.push(url as string);
    // A server that goes away meanwhile stops nothing.
    return asked.length === 1 ? Promise.reject(new Error('away')) : Promise.resolve({} as Response);
  };
  let see: (paths: readonly string[], startTime: number) => void = () => undefined;
  globalThis.PerformanceObserver = class {
    constructor(seen: (list: Pick<PerformanceObserverEntryList, 'getEntries'>) => void) {
      see = (paths, startTime) =>
        seen({ getEntries: () => paths.map((path) => ({ name: at(path), startTime })) as unknown as PerformanceEntryList });
    }
    observe({ type, buffered }: PerformanceObserverInit) {
      expect([type, buffered]).toEqual(['resource', true]);
    }
  } as unknown as typeof PerformanceObserver;
  const at = (path: string) => new URL(path, location.origin).href;
  seenBefore(500);
  see(
    ['/api/jobs?in=rack', '/api/photos/00ff', '/api/jobs?in=rack', '/chunk-A.js', '/api/health', '/api/jobs/a/packet.pdf'],
    200,
  );
  // Its answer was still on its way; the other was asked when there was somebody to keep it, as is what is asked again here.
  see(['/api/jobs/a'], 499);
  see(['/api/jobs/b', '/api/jobs/a'], 501);
  expect(asked).toEqual([at('/api/jobs?in=rack'), at('/api/photos/00ff'), at('/api/jobs/a')]);
});
