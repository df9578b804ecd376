// Makes the page ready: nothing where it stands, the one that comes with the sources where it is of these very ones, else builds it.
// --build: only one that was built here will do, and the shipped one must be the same; --force: built anyway; --ship: and shipped.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT, shippedFrom, sources, standing, stands } from './page/built-from.mjs';
import { differing, ship, unpack } from './page/shipped.mjs';

const asked = (flag) => process.argv.includes(`--${flag}`);
const from = sources();
const was = standing();
/** A page half made is none. */
const notYet = () => stands('', '');
const onlyBuilt = asked('build') || asked('ship') || asked('force');

if (was.from === from && !asked('force') && (was.how === 'built' || !onlyBuilt)) {
  console.log('build: nothing has changed');
} else if (shippedFrom() === from && !onlyBuilt) {
  notYet();
  unpack();
  stands(from, 'shipped');
  console.log('build: the page came built with these sources');
} else {
  try {
    if (!existsSync(join(ROOT, 'node_modules/@angular/cli')))
      throw new Error('what builds the page is not installed yet: node scripts/setup.mjs does');
    const { buildPage } = await import('./page/built.mjs');
    notYet();
    await buildPage();
  } catch (e) {
    console.error(`build: failed (${e.message})`);
    process.exit(1);
  }
  stands(from, 'built');
}
if (asked('ship')) {
  ship(from);
  console.log('build: put into apps/web/shipped');
} else if (asked('build')) {
  const other = differing(from);
  if (other.length > 0) {
    console.error(`build: what is shipped is not what its sources build (${other.slice(0, 5).join(', ')}); npm run ship`);
    process.exit(1);
  }
}
