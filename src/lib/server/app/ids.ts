/**
 * Short sortable ids: time in milliseconds and chance, in Crockford's base 32 without vowels that
 * make words.
 */
import { createHash, randomBytes } from 'node:crypto';

const ALPHABET = '0123456789abcdefghjkmnpqrstvwxyz';
let lastMs = 0;
let step = 0;

/**
 * A new id: 9 characters of time, 1 of order within a millisecond, 6 of chance. `prefix` says what
 * it names.
 */
export function newId(prefix: string, ms = Date.now()): string {
	step = ms === lastMs ? (step + 1) % 32 : 0;
	lastMs = ms;
	let time = '';
	for (let n = ms, i = 0; i < 9; i++, n = Math.floor(n / 32)) time = ALPHABET[n % 32]! + time;
	const chance = [...randomBytes(6)].map((b) => ALPHABET[b % 32]).join('');
	return `${prefix}_${time}${ALPHABET[step]}${chance}`;
}

/** 256 bits of chance, for links and sessions. Only its hash is stored. */
export const newToken = (): string => randomBytes(32).toString('base64url');
export const sha256 = (data: string | Uint8Array): string =>
	createHash('sha256').update(data).digest('hex');
