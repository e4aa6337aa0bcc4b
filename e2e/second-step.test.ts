/** The second step of signing in, in the browser: an authenticator app and a passkey. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { makeCode } from '#server/access/totp.ts';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

const PASSWORD = 'lanterns on the breakwater';

describe('the second step', { timeout: 300_000 }, () => {
	let house: House;
	let browser: Browser;
	let admin: Desk;
	let io: Desk;
	let secret = '';
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		admin = await sit(browser, house.origin, 'harrowgate');
		io = await sit(browser, house.origin);
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});
	const signIn = async () => {
		await io.page.browserContext().deleteCookie(...(await io.page.browserContext().cookies()));
		await io.go('/sign-in?to=%2Faccount');
		await io.fill('Name', 'okafor');
		await io.fill('Password', PASSWORD);
		await io.press('Sign in', 'form[action^="?/password"]');
		await io.page.waitForFunction(() => location.pathname === '/sign-in/second');
		await io.settled();
	};
	const isIn = () => io.page.waitForFunction(() => location.pathname === '/account');

	it('is set up at the sign-in where the role needs one', async () => {
		await admin.go('/accounts');
		await admin.click('input[name="roles"][value="administrator"]');
		await admin.press('Keep');
		await admin.sees('Add a second factor of your own before administrator needs one.');
		await admin.click('input[name="roles"][value="administrator"]');
		await admin.click('input[name="roles"][value="counsel"]');
		await admin.press('Keep');
		await admin.sees('it holds from the next sign-in on');
		await admin.press('Ines Okafor');
		await admin.press('Make a link for a new password');
		const field = await admin.page.waitForSelector('[data-link] input');
		const link = await field!.evaluate((input) => (input as HTMLInputElement).value);
		await io.go(link.replace(/^https?:\/\/[^/]+/, ''));
		await io.fill('The new password', PASSWORD);
		await io.fill('The new password again', PASSWORD);
		await io.press('Set the password');
		await io.sees('The password is set');
		await signIn();
		await io.sees('One thing more');
		await io.go('/matters');
		assert.match(
			await io.page.evaluate(() => location.pathname),
			/^\/sign-in/,
			'a step is no way in'
		);
		await signIn();
		await io.press('Add an authenticator app');
		secret = await io.page
			.waitForSelector('[data-secret]')
			.then((shown) => shown!.evaluate((one) => one.textContent!.replaceAll(' ', '').trim()));
		await io.fill('Code', '000000');
		await io.press('Add it');
		await io.sees('That is not the code of now.');
		await io.fill('Code', makeCode(secret, -1));
		await io.press('Add it');
		await isIn();
		await io.sees('Authenticator app');
	});

	it('takes the code of the app, and no other', async () => {
		await signIn();
		await io.sees('The second step');
		await io.fill('Code of the authenticator app', '123123');
		await io.press('Go in');
		await io.sees('That is not the code of now.');
		await io.fill('Code of the authenticator app', makeCode(secret));
		await io.press('Go in');
		await isIn();
		await io.sees('your role needs one');
	});

	it('takes a passkey of this browser', async () => {
		const session = await io.page.createCDPSession();
		await session.send('WebAuthn.enable');
		await session.send('WebAuthn.addVirtualAuthenticator', {
			options: {
				protocol: 'ctap2',
				transport: 'internal',
				hasUserVerification: true,
				isUserVerified: true,
				automaticPresenceSimulation: true
			}
		});
		await io.press('Add a passkey');
		await io.fill('A name for it', 'This notebook');
		await io.press('Add the passkey');
		await io.sees('This notebook');
		await signIn();
		await io.press('Use the passkey');
		await isIn();
		await io.sees('This notebook');
		await io.press('Remove Authenticator app');
		await io.fill('Your password', 'wrong');
		await io.press('Remove it');
		await io.sees('That is not your password.');
		await io.fill('Your password', PASSWORD);
		await io.press('Remove it');
		await io.sees('It is not asked any more.');
	});

	it('is taken off by an administrator where it is lost', async () => {
		await admin.go('/accounts');
		await admin.press('Ines Okafor');
		await admin.sees('1 second factor');
		await admin.press('remove them');
		await admin.sees('No second factor');
		await io.go('/matters');
		assert.match(await io.page.evaluate(() => location.pathname), /^\/sign-in/);
	});
});
