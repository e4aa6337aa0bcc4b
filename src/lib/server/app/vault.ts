/**
 * What is kept encrypted in the database: identity numbers, secrets of second factors. The key is
 * not in the database, so that a copy of it gives nothing away.
 */
import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';

const CIPHER = 'aes-256-gcm';
const NONCE_BYTES = 12;
const TAG_BYTES = 16;
export const KEY_BYTES = 32;

/**
 * Seals a text: nonce, tag and cipher text in one.
 *
 * @param key 32 bytes
 * @param owner the row it belongs to: put into another one, it does not open
 * @see NIST SP 800-38D (AES in Galois/Counter Mode)
 */
export function sealText(key: Buffer, owner: string, text: string): Buffer {
	const nonce = randomBytes(NONCE_BYTES);
	const cipher = createCipheriv(CIPHER, key, nonce);
	cipher.setAAD(Buffer.from(owner));
	const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
	return Buffer.concat([nonce, cipher.getAuthTag(), sealed]);
}

/** Opens what was sealed. @throws where the key, the owner or a byte is another */
export function openText(key: Buffer, owner: string, sealed: Buffer): string {
	const decipher = createDecipheriv(CIPHER, key, sealed.subarray(0, NONCE_BYTES));
	decipher.setAAD(Buffer.from(owner));
	decipher.setAuthTag(sealed.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
	const text = decipher.update(sealed.subarray(NONCE_BYTES + TAG_BYTES));
	return Buffer.concat([text, decipher.final()]).toString('utf8');
}
