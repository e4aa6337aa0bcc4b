/**
 * Passkeys as a second factor.
 *
 * @see Web Authentication, level 3 (W3C)
 */
import {
	generateAuthenticationOptions,
	generateRegistrationOptions,
	verifyAuthenticationResponse,
	verifyRegistrationResponse,
	type AuthenticationResponseJSON,
	type AuthenticatorTransport,
	type PublicKeyCredentialCreationOptionsJSON,
	type PublicKeyCredentialRequestOptionsJSON,
	type RegistrationResponseJSON
} from '@simplewebauthn/server';
import { listFactorRows } from '#server/access/factors.ts';
import type { SecondFactorRow } from '#server/access/rows.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { departmentName } from '#server/app/department.ts';
import { Refused } from '#server/app/errors.ts';
import { findOffer, keepOffer } from './offers.ts';

/** A passkey belongs to the host on which it was made. */
const hostOf = ({ origin }: Context): string => new URL(origin).hostname;

const transportsOf = ({ transports }: SecondFactorRow): AuthenticatorTransport[] =>
	transports.split(',').filter(Boolean) as AuthenticatorTransport[];
const descriptorOf = (row: SecondFactorRow) => ({
	id: row.credential_id ?? '',
	transports: transportsOf(row)
});

/** What the browser is asked for a new passkey. */
export async function offerPasskey(
	ctx: Context,
	{ id, login, name }: Pick<Staff, 'id' | 'login' | 'name'>
): Promise<PublicKeyCredentialCreationOptionsJSON> {
	const options = await generateRegistrationOptions({
		rpName: `Kite Pen, ${departmentName(ctx)}`,
		rpID: hostOf(ctx),
		userID: new TextEncoder().encode(id) as Uint8Array<ArrayBuffer>,
		userName: login,
		userDisplayName: name,
		attestationType: 'none',
		excludeCredentials: listFactorRows(ctx, id, 'passkey').map(descriptorOf),
		authenticatorSelection: { residentKey: 'discouraged', userVerification: 'preferred' }
	});
	keepOffer(ctx, { staff_id: id, sort: 'passkey', challenge: options.challenge });
	return options;
}

const NOT_TAKEN = 'The passkey was not accepted. Try once more.';
type NewPasskey = Pick<SecondFactorRow, 'credential_id' | 'public_key' | 'counter' | 'transports'>;

/** @throws Refused where the browser's answer is not to what was asked */
export async function readNewPasskey(
	ctx: Context,
	staffId: string,
	response: unknown
): Promise<NewPasskey> {
	const expectedChallenge = findOffer(ctx, staffId, 'passkey')?.challenge;
	if (!expectedChallenge) throw new Refused('That took too long. Begin again.', 'passkey');
	const verified = await verifyRegistrationResponse({
		response: response as RegistrationResponseJSON,
		expectedChallenge,
		expectedOrigin: ctx.origin,
		expectedRPID: hostOf(ctx),
		requireUserVerification: false
	}).catch(() => undefined);
	if (!verified?.verified) throw new Refused(NOT_TAKEN, 'passkey');
	const { credential } = verified.registrationInfo;
	return {
		credential_id: credential.id,
		public_key: Buffer.from(credential.publicKey),
		counter: credential.counter,
		transports: (credential.transports ?? []).join(',')
	};
}

/** What the browser is asked at a sign-in; nothing where somebody has no passkey. */
export async function askPasskey(
	ctx: Context,
	staffId: string
): Promise<PublicKeyCredentialRequestOptionsJSON | null> {
	const rows = listFactorRows(ctx, staffId, 'passkey');
	if (rows.length === 0) return null;
	const options = await generateAuthenticationOptions({
		rpID: hostOf(ctx),
		allowCredentials: rows.map(descriptorOf),
		userVerification: 'preferred'
	});
	keepOffer(ctx, { staff_id: staffId, sort: 'sign-in', challenge: options.challenge });
	return options;
}

/** The passkey that answered, and its count now. @throws Refused where none did rightly */
export async function readPasskey(
	ctx: Context,
	staffId: string,
	response: unknown
): Promise<{ factor: SecondFactorRow; counter: number }> {
	const expectedChallenge = findOffer(ctx, staffId, 'sign-in')?.challenge;
	const answer = response as AuthenticationResponseJSON | null;
	const factor = listFactorRows(ctx, staffId, 'passkey').find(
		({ credential_id }) => credential_id === answer?.id
	);
	if (!expectedChallenge || !answer || !factor?.public_key) throw new Refused(NOT_TAKEN, 'passkey');
	const verified = await verifyAuthenticationResponse({
		response: answer,
		expectedChallenge,
		expectedOrigin: ctx.origin,
		expectedRPID: hostOf(ctx),
		requireUserVerification: false,
		credential: {
			id: factor.credential_id ?? '',
			publicKey: new Uint8Array(factor.public_key),
			counter: factor.counter,
			transports: transportsOf(factor)
		}
	}).catch(() => undefined);
	if (!verified?.verified) throw new Refused(NOT_TAKEN, 'passkey');
	return { factor, counter: verified.authenticationInfo.newCounter };
}
