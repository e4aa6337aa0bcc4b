/** Accounts in the browser: added, a password set by a link, seen and ended sessions, the end. */
import assert from 'node:assert/strict';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

const GOOD = 'tide table under oath';

describe('accounts', { timeout: 300_000 }, () => {
	let house: House;
	let browser: Browser;
	let admin: Desk;
	let guest: Desk;
	before(async () => {
		house = await openHouse('demo');
		browser = await openBrowser();
		admin = await sit(browser, house.origin, 'harrowgate');
		guest = await sit(browser, house.origin);
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
	});
	const linkShown = async () => {
		const field = await admin.page.waitForSelector('[data-link] input');
		return (await field!.evaluate((input) => (input as HTMLInputElement).value)).replace(
			/^https?:\/\/[^/]+/,
			''
		);
	};
	const signIn = async (login: string, password: string, to = '') => {
		await guest.go(`/sign-in${to && `?to=${encodeURIComponent(to)}`}`);
		await guest.fill('Name', login);
		await guest.fill('Password', password);
		await guest.press('Sign in', 'form[action^="?/password"]');
	};

	it('are added by an administrator; the password is set by a link, once', async () => {
		await admin.go('/accounts');
		await admin.press('Add an account');
		await admin.fill('Signs in as', 'okafor');
		await admin.fill('Name', 'Ada Merriweather');
		await admin.fill('Mail address', 'ada@larkhaven.example');
		await admin.select('Role', 'Counsel');
		await admin.select('Level', 'junior');
		await admin.press('Add the account', '[role="dialog"]');
		await admin.sees('okafor is taken.');
		await admin.fill('Signs in as', 'merriweather');
		await admin.press('Add the account', '[role="dialog"]');
		const link = await linkShown();
		await guest.go(link);
		await guest.sees('Ada Merriweather, who signs in as merriweather');
		await guest.fill('The new password', 'Welcome12345!');
		await guest.fill('The new password again', 'Welcome12345!');
		await guest.press('Set the password');
		await guest.sees('Everybody tries this password first.');
		await guest.fill('The new password', GOOD);
		await guest.fill('The new password again', GOOD);
		await guest.press('Set the password');
		await guest.sees('The password is set');
		await guest.go(link);
		await guest.sees('This link does not hold any more');
	});

	it('sign in to where they wanted to go, and nowhere else', async () => {
		await signIn('merriweather', 'not it', '/people');
		await guest.sees('is not right');
		await guest.fill('Password', GOOD);
		await guest.press('Sign in', 'form[action^="?/password"]');
		await guest.page.waitForFunction(() => location.pathname === '/people');
		await guest.page
			.browserContext()
			.deleteCookie(...(await guest.page.browserContext().cookies()));
		await signIn('merriweather', GOOD, '/\t/evil.example');
		await guest.page.waitForFunction(() => location.pathname === '/');
		assert.equal(new URL(guest.page.url()).origin, house.origin);
		await guest.sees('Day sheet');
	});

	it('see and end their sessions, and change their password', async () => {
		await guest.go('/account');
		await guest.sees('Chrome on Linux');
		await guest.fill('The password you have now', 'wrong');
		await guest.fill('The new one', `${GOOD} 2`);
		await guest.fill('The new one again', `${GOOD} 2`);
		await guest.press('Change the password');
		await guest.sees('That is not the password you have now.');
		await guest.fill('The password you have now', GOOD);
		await guest.press('Change the password');
		await guest.sees('The password is changed; 1 other session ended.');
	});

	it('end with what they held handed over, and let nobody in after that', async () => {
		await admin.go('/accounts');
		await admin.press('Tamsin Wardle');
		await admin.sees(/Holds \d+ open matters/);
		await admin.press('End the account', '[role="dialog"]');
		await admin.sees('Choose who takes over what they hold.');
		await admin.select('Who takes over', 'Ada Merriweather');
		await admin.press('End the account', '[role="dialog"]');
		await admin.sees('choose a third colleague, who is told of it.');
		await admin.select('Who is told', 'Dorit Castellan');
		await admin.press('End the account', '[role="dialog"]');
		await admin.sees('The account is ended');
		await guest.go('/');
		await guest.sees('Day sheet');
		await guest.go('/matters');
		assert.ok((await guest.page.$$('a[data-row]')).length > 3, 'they are hers now');
		await admin.press('Ada Merriweather');
		await admin.press('end them');
		await admin.sees('Not signed in');
		await guest.page.goto(`${house.origin}/matters`);
		await guest.page.waitForFunction(() => location.pathname === '/sign-in');
		await signIn('wardle', 'larkhaven');
		await guest.sees('The name or the password is not right.');
	});

	it('are no business of anybody else', async () => {
		const clerk = await sit(browser, house.origin, 'castellan');
		const answer = await clerk.page.goto(`${house.origin}/accounts`);
		assert.equal(answer?.status(), 404);
	});
});
