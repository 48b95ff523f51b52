import { randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { WORDS } from './words.js';

/** Words of a passphrase: four of 256 are 32 bits; guessed five a minute from each address that is eight hundred years for half of them. */
const COUNT = 4;
export const newPassphrase = (): string =>
  Array.from({ length: COUNT }, () => WORDS[randomInt(WORDS.length)]!).join(' ');
/** Four figures by which one class is told from another; it lets nobody in. */
export const newCode = (): string => String(randomInt(10_000)).padStart(4, '0');

/** Cost, block size and parallelism of scrypt (RFC 7914): some 50 ms and 16 MB. */
const COST = { N: 16_384, r: 8, p: 1 } as const;
const LENGTH = 32;
const derived = (text: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(text, salt, LENGTH, COST, (error, key) => (error === null ? resolve(key) : reject(error))),
  );

/** A secret that is kept as its scrypt alone. */
export interface Kept {
  readonly salt: Buffer;
  readonly hash: Buffer;
}
/** As it is heard: case, and how many spaces, do not count. */
const heard = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .split(/[\s-]+/)
    .join(' ');
export async function keep(passphrase: string): Promise<Kept> {
  const salt = randomBytes(16);
  return { salt, hash: await derived(heard(passphrase), salt) };
}
export const isIt = async (passphrase: string, { salt, hash }: Kept): Promise<boolean> =>
  timingSafeEqual(await derived(heard(passphrase), salt), hash);
