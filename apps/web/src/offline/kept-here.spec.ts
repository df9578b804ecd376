import { seenBefore } from './kept-here';

it('what was looked at before anyone kept it is asked once more, each once; nothing else is', async () => {
  const seen = [
    '/api/jobs?in=rack',
    '/api/photos/00ff',
    '/api/jobs?in=rack',
    '/chunk-A.js',
    '/api/health',
    '/api/jobs/a/packet.pdf',
  ];
  const at = (path: string) => new URL(path, location.origin).href;
  const asked: string[] = [];
  performance.getEntriesByType = () => seen.map((path) => ({ name: at(path) })) as unknown as PerformanceEntryList;
  globalThis.fetch = (url) => {
    asked.push(url as string);
    // A server that goes away meanwhile stops nothing.
    return asked.length === 1 ? Promise.reject(new Error('away')) : Promise.resolve({} as Response);
  };
  await seenBefore();
  expect(asked).toEqual([at('/api/jobs?in=rack'), at('/api/photos/00ff')]);
});
