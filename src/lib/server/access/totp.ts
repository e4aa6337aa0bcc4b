/**
 * Codes of an authenticator app.
 *
 * @see RFC 6238: SHA-1, six digits, thirty seconds; one step to either side is taken
 */
import { generateSecret, generateSync, generateURI, verifySync } from 'otplib';

const STEP_SECONDS = 30;
/** The clock on the wall: the app's telephone knows no other, also where the demo has its own. */
const now = (): number => Math.floor(Date.now() / 1000);

export const makeSecret = (): string => generateSecret();

/** What the app is told, as text and for its picture. */
export const secretAddress = (secret: string, issuer: string, label: string): string =>
	generateURI({ issuer, label, secret });

/** The code of now, or of so many steps from now: for the stand-in of a telephone in tests. */
export const makeCode = (secret: string, steps = 0): string =>
	generateSync({ secret, epoch: now() + steps * STEP_SECONDS });

/**
 * The step a code belongs to; undefined where it is not right, or of a step whose code was taken
 * already: a code that somebody read over a shoulder is of no use.
 */
export function stepOfCode(secret: string, typed: string, lastStep: number): number | undefined {
	const token = typed.replace(/\s/g, '');
	if (!/^\d{6}$/.test(token)) return undefined;
	const found = verifySync({ secret, token, epoch: now(), epochTolerance: STEP_SECONDS });
	if (!found.valid || !('timeStep' in found)) return undefined;
	return found.timeStep > lastStep ? found.timeStep : undefined;
}
