/** A key and a certificate of the department's own, for a house that has not been given one. */
import { generateKeyPairSync, randomBytes } from 'node:crypto';
import type { SealKey } from '#server/app/application.ts';

const DAY_MS = 86_400_000;
const YEARS = 10;

/** @param now milliseconds since 1970 */
export async function makeSealKey(department: string, now: number): Promise<SealKey> {
	const { default: forge } = await import('node-forge');
	const pair = generateKeyPairSync('rsa', {
		modulusLength: 2048,
		publicKeyEncoding: { type: 'spki', format: 'pem' },
		privateKeyEncoding: { type: 'pkcs8', format: 'pem' }
	});
	const privateKey = forge.pki.privateKeyFromPem(pair.privateKey);
	const certificate = forge.pki.createCertificate();
	certificate.publicKey = forge.pki.publicKeyFromPem(pair.publicKey);
	certificate.serialNumber = `00${randomBytes(15).toString('hex')}`;
	certificate.validity.notBefore = new Date(now - DAY_MS);
	certificate.validity.notAfter = new Date(now + YEARS * 365 * DAY_MS);
	const name = [
		{ name: 'commonName', value: `${department} seal` },
		{ name: 'organizationName', value: department }
	];
	certificate.setSubject(name);
	certificate.setIssuer(name);
	certificate.setExtensions([
		{ name: 'basicConstraints', cA: false },
		{ name: 'keyUsage', digitalSignature: true, nonRepudiation: true }
	]);
	certificate.sign(privateKey, forge.md.sha256.create());
	const password = randomBytes(24).toString('base64url');
	const store = forge.pkcs12.toPkcs12Asn1(privateKey, [certificate], password, {
		algorithm: '3des'
	});
	return { p12: Buffer.from(forge.asn1.toDer(store).getBytes(), 'binary'), password };
}

/**
 * The key and its certificate in PEM, for signing what is no PDF.
 * @throws where the password does not open it, or it holds no key
 */
export async function openSealKey(
	seal: SealKey
): Promise<{ privateKey: string; certificate: string }> {
	const { default: forge } = await import('node-forge');
	const der = forge.util.createBuffer(Buffer.from(seal.p12).toString('binary'), 'raw');
	const store = forge.pkcs12.pkcs12FromAsn1(forge.asn1.fromDer(der), seal.password);
	const { pkcs8ShroudedKeyBag, certBag } = forge.pki.oids as Record<string, string>;
	const key = store.getBags({ bagType: pkcs8ShroudedKeyBag })[pkcs8ShroudedKeyBag!]?.[0]?.key;
	const certificate = store.getBags({ bagType: certBag })[certBag!]?.[0]?.cert;
	if (!key || !certificate) throw new Error('the seal has no key or no certificate');
	return {
		privateKey: forge.pki.privateKeyToPem(key),
		certificate: forge.pki.certificateToPem(certificate)
	};
}
