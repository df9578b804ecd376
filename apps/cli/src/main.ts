import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { MAX_FILE } from '@core/formats/read-job';
import { MESHES } from '@core/spread/from-job';
import { check } from './check';
import { feet } from './feet';
import { parts } from './parts';
import { isMesh, spread } from './spread';

const USAGE = `usage: npm run -s cli -- check FILE [--json]
       npm run -s cli -- spread FILE [--json] [--mesh draft|fine|proof]
       npm run -s cli -- feet FILE [--json]
       npm run -s cli -- parts FILE [--json]
       npm run -s cli -- make FILE --out DIR [--json]
       npm run -s cli -- log verify JOB|FILE [--head HASH] [--json]

check prints the links of the load path and what lets go first.
spread prints how the load goes through the plates into the skin, in numbers.
feet prints the force and moment that come to each foot in each case.
parts prints every part that is cut, with how many as drawn and mirrored.
make writes what the bench needs into a folder: packet, report, labels, lists, calendar, cut files, templates, plan.json.
log verify goes through a job’s logbook, in the database (MAST_SHOE_DATA, else data/) or as a file, and names the first broken line;
--head: a hash that was printed on a record, which must be in it.
Exit: 0 sound, 1 something lets go or cannot be shown to hold, 2 the file is refused; of log 0 whole, 1 broken, 2 there is no such book;
3 a fault of this program.`;

/** Where the server keeps its jobs. */
const DATA = process.env['MAST_SHOE_DATA'] ?? join(import.meta.dirname, '../../../data/mast-shoe.sqlite');

const COMMANDS = ['check', 'spread', 'feet', 'parts', 'make'] as const;
const isCommand = (x: string | undefined): x is (typeof COMMANDS)[number] => COMMANDS.some((c) => c === x);

async function main(argv: string[]): Promise<number> {
  let parsed;
  try {
    parsed = parseArgs({
      args: argv,
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        mesh: { type: 'string', default: 'fine' },
        out: { type: 'string' },
        head: { type: 'string' },
        help: { type: 'boolean', short: 'h' },
      },
    });
  } catch (e) {
    console.error((e as Error).message);
    return 2;
  }
  const [command, file, ...rest] = parsed.positionals;
  if (parsed.values.help) {
    console.log(USAGE);
    return 0;
  }
  if (command === 'log') {
    const [job, ...more] = rest;
    if (file !== 'verify' || !job || more.length > 0) {
      console.error(USAGE);
      return 2;
    }
    // The database’s own code is read in for this alone.
    const { logVerify } = await import('./log');
    const { exit, text } = logVerify(job, parsed.values.json === true, DATA, parsed.values.head);
    (exit === 2 ? console.error : console.log)(text);
    return exit;
  }
  const mesh = parsed.values.mesh;
  if (!isCommand(command) || !file || rest.length > 0) {
    console.error(USAGE);
    return 2;
  }
  if (!isMesh(mesh)) {
    console.error(`--mesh: "${mesh}" is not a mesh — allowed: ${Object.keys(MESHES).join(', ')}`);
    return 2;
  }
  let text: string;
  try {
    // A file far over the limit is refused by its size, without reading it into memory.
    const { size } = statSync(file);
    if (size > 4 * MAX_FILE) {
      console.error(`file: it is ${(size / 1e6).toFixed(1)} MB — allowed: up to ${MAX_FILE / 1e6} MB`);
      return 2;
    }
    text = readFileSync(file, 'utf8');
  } catch (e) {
    console.error(`file: ${(e as Error).message} — allowed: a job file that can be read`);
    return 2;
  }
  const json = parsed.values.json === true;
  const { out } = parsed.values;
  if (command === 'make' && !out) {
    console.error('--out: missing — allowed: a folder to write to');
    return 2;
  }
  const all = {
    check,
    feet,
    parts,
    spread: (t: string, asJson: boolean) => spread(t, asJson, mesh),
    // Fonts and PDF are read in for this alone.
    make: async (t: string, asJson: boolean) => (await import('./make')).make(t, asJson, out!),
  };
  const result = await all[command](text, json);
  (result.exit === 2 ? console.error : console.log)(result.text);
  return result.exit;
}

// A fault of the program is neither a job that lets go nor a file that is refused.
try {
  process.exitCode = await main(process.argv.slice(2));
} catch (e) {
  console.error(`a fault of this program, not of the file: ${e instanceof Error ? (e.stack ?? e.message) : String(e)}`);
  process.exitCode = 3;
}
