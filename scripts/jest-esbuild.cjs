// Jest transformer: TypeScript through esbuild, with the ES-module names the server uses mapped to CommonJS ones.
const { transformSync } = require('esbuild');

module.exports = {
  process(source, path) {
    const { code } = transformSync(source, {
      loader: 'ts',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcefile: path,
      define: { 'import.meta.dirname': '__dirname', 'import.meta.url': '__moduleUrl' },
      banner: "const __moduleUrl = require('node:url').pathToFileURL(__filename).href;",
    });
    return { code };
  },
};
