import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** OWASP's advice for Argon2id (password storage cheat sheet): 19 MiB, two passes, one lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
const SHORTEST = 12;
const LONGEST = 128;

/** Guesses it must take at least, as a power of ten: "very unguessable", the package's highest class. */
const LEAST_GUESSES = 10;
/** What is tried first here, besides what was found in breaches, which the package knows. */
const OURS = ['password', 'passphrase', 'welcome', 'administrator', 'mast shoe', 'mastshoe'];
const guessing = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });

/** Why a passphrase is not taken; empty where it is. Any letters and spaces may be in it, as NIST SP 800-63B asks. */
export function passphraseFault(passphrase: string, name: string): string {
  const allowed = `allowed: ${SHORTEST} to ${LONGEST} characters, as some words in a row`;
  const length = [...passphrase].length;
  if (length < SHORTEST) return `it is ${length} characters long — ${allowed}`;
  if (length > LONGEST) return `it is longer than ${LONGEST} characters — ${allowed}`;
  const plain = passphrase.toLowerCase();
  if (new Set(plain).size < 5) return `it is one thing over and over — ${allowed}`;
  const names = name.toLowerCase().split(/\s+/).filter(Boolean);
  const rest = [...OURS, ...names].reduce((t, w) => t.replaceAll(w, ''), plain).replace(/[^\p{L}]/gu, '');
  if (rest.length < 6 || guessing.check(passphrase, [...OURS, ...names]).guessesLog10 < LEAST_GUESSES)
    return `it is made of what was found in breaches, of what everybody tries first, or of the name itself — ${allowed}`;
  return '';
}

export const hashed = (passphrase: string): Promise<string> => hash(passphrase.normalize('NFKC'), COST);

/** Whether it is the passphrase that was hashed; takes as long where there is nothing to compare with. */
export async function isPassphrase(passphrase: string, kept: string | undefined): Promise<boolean> {
  const right = await verify(kept ?? (await NOBODYS), passphrase.normalize('NFKC')).catch(() => false);
  return right && kept !== undefined;
}
const NOBODYS = hashed('nobody has this passphrase');
