import { kindOf, type Kind } from './what-is-kept';

const HERE = 'http://localhost:4178';

it.each<[string, string, Kind]>([
  ['GET', '/', 'page'],
  ['GET', '/job/a/lay-out', 'page'],
  ['GET', '/chunk-AB12.js', 'built'],
  ['GET', '/mark.svg', 'built'],
  ['GET', '/api/jobs?in=rack', 'data'],
  ['GET', '/api/jobs/a', 'data'],
  ['GET', '/api/jobs/a/log', 'data'],
  ['GET', '/api/jobs/a/versions/3', 'data'],
  ['GET', '/api/session', 'data'],
  ['GET', '/api/photos/00ff', 'photo'],
  // Never kept: what is written, streams, sheets, who may come in, what a guest sees.
  ['PUT', '/api/jobs/a', 'none'],
  ['POST', '/api/session', 'none'],
  ['GET', '/api/live', 'none'],
  ['GET', '/api/bench/b-1/stream', 'none'],
  ['GET', '/api/jobs/a/packet.pdf', 'none'],
  ['GET', '/api/jobs/a/links', 'none'],
  ['GET', '/api/people', 'none'],
  ['GET', '/api/health', 'none'],
  ['GET', '/link/abc', 'none'],
])('%s %s: %s', (method, path, kind) => expect(kindOf(method, new URL(path, HERE), HERE)).toBe(kind));

it('nothing of another server', () => expect(kindOf('GET', new URL('https://elsewhere.example/x.js'), HERE)).toBe('none'));
