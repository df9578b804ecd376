import { hash, verify } from '@node-rs/argon2';

/** OWASP's advice for Argon2id (password storage cheat sheet): 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const SHORTEST = 12;
const LONGEST = 128;

/** What everybody tries first. */
const COMMON = ['password', 'passphrase', 'letmein', 'welcome', 'qwertyuiop', 'administrator', 'mast shoe', 'mastshoe'];

/** Why a passphrase is not taken; empty where it is. Any letters and spaces may be in it, as NIST SP 800-63B asks. */
export function passphraseFault(passphrase: string, name: string): string {
  const allowed = `allowed: ${SHORTEST} to ${LONGEST} characters, as some words in a row`;
  const length = [...passphrase].length;
  if (length < SHORTEST) return `it is ${length} characters long — ${allowed}`;
  if (length > LONGEST) return `it is longer than ${LONGEST} characters — ${allowed}`;
  const plain = passphrase.toLowerCase();
  if (new Set(plain).size < 5) return `it is one thing over and over — ${allowed}`;
  const rest = [...COMMON, name.toLowerCase()].reduce((t, w) => (w ? t.replaceAll(w, '') : t), plain).replace(/[^\p{L}]/gu, '');
  if (rest.length < 6) return `it is what everybody tries first, or the name itself — ${allowed}`;
  return '';
}

export const hashed = (passphrase: string): Promise<string> => hash(passphrase.normalize('NFKC'), COST);

/** Whether it is the passphrase that was hashed; takes as long where there is nothing to compare with. */
export async function isPassphrase(passphrase: string, kept: string | undefined): Promise<boolean> {
  const right = await verify(kept ?? (await NOBODYS), passphrase.normalize('NFKC')).catch(() => false);
  return right && kept !== undefined;
}
const NOBODYS = hashed('nobody has this passphrase');
