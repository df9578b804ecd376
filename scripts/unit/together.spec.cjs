// One of several shares of a project's test files in one environment: what they import is loaded once for all of them,
// which is most of the time of a small file. Each file keeps its name as the title round its tests.
const { readdirSync } = require('node:fs');
const { join } = require('node:path');

// Every expectation notes where it stands, a hundred callers deep by default: of properties tried thousands of times that is a fifth.
Error.stackTraceLimit = 20;

const { root, share, of } = globalThis.together;
const files = readdirSync(root, { recursive: true })
  .filter((f) => f.endsWith('.spec.ts'))
  .sort();
for (const file of files.filter((_, i) => i % of === share))
  describe(file, () => {
    require(join(root, file));
  });
