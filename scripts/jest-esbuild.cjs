// Jest transformer: TypeScript through esbuild, with the ES-module names the server uses mapped to CommonJS ones.
const { transformSync } = require('esbuild');

// In a test's environment every look at a global goes through the sandbox; bound once a file, the solver runs a fifth faster.
const GLOBALS = 'Math, Number, Array, Object, Map, Set, Float64Array, Int32Array, Uint8Array, Error, String, JSON';

module.exports = {
  process(source, path) {
    const { code } = transformSync(source, {
      loader: 'ts',
      format: 'cjs',
      target: 'node20',
      // Jest runs CommonJS: what is loaded late is required late.
      supported: { 'dynamic-import': false },
      sourcemap: 'inline',
      sourcefile: path,
      define: { 'import.meta.dirname': '__dirname', 'import.meta.url': '__moduleUrl' },
      banner: `const __moduleUrl = require('node:url').pathToFileURL(__filename).href, { ${GLOBALS} } = globalThis;`,
    });
    return { code };
  },
};
