/** The browser of the tests and the pictures: headless, with nothing of its own to fetch. */
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser } from 'puppeteer-core';

export async function openBrowser(): Promise<Browser> {
	return puppeteer.launch({
		executablePath: process.env.KITE_CHROMIUM ?? '/usr/bin/chromium',
		headless: true,
		userDataDir: mkdtempSync(join(tmpdir(), 'kite-chromium-')),
		args: [
			'--no-sandbox',
			'--disable-gpu',
			'--disable-quic',
			'--no-first-run',
			'--disable-background-networking',
			'--disable-component-update',
			'--disable-sync',
			'--lang=en-US'
		]
	});
}
