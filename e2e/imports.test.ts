/** A department moves in: a file with faults is put right in place, comes in whole, and goes. */
import assert from 'node:assert/strict';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import type { Browser } from 'puppeteer-core';
import { openBrowser, openHouse, sit, type Desk, type House } from './house.ts';

let house: House;
let browser: Browser;
let ops: Desk;
let scratch: string;
const file = () => join(scratch, 'old.csv');
const ROWS = [
	'Number,Title,Kind,Unit,Lawyer,Other side,Opened on,Status,Closed on,How it ended,Exposure',
	'OLD-7,Old quay lease,Real estate and leases,Terminals,reyes,Wharfside Holdings Inc.,,,,,',
	'OLD-8,Old fuel deal,Poem,Freight,nobody,Wharfside Holdings Inc.,,,,,',
	'OLD-9,Old crane claim,Litigation,Freight,quiroga,,2024-05-02,closed,30 June 2026,Settled,"12,500"'
].join('\n');
const fetchText = (path: string) =>
	ops.page.evaluate(async (url) => {
		const response = await fetch(url);
		return [response.status, await response.text()] as const;
	}, path);

describe('what a department brings along', { timeout: 240_000 }, () => {
	before(async () => {
		scratch = mkdtempSync(join(tmpdir(), 'kite-import-'));
		house = await openHouse('demo');
		browser = await openBrowser();
		ops = await sit(browser, house.origin, 'haddad');
	});
	after(async () => {
		await browser?.close();
		await house?.stop();
		rmSync(scratch, { recursive: true, force: true });
	});

	it('is looked through first: a file is asked for, and a value under no name is said', async () => {
		await ops.go('/imports');
		await ops.select('What is in it', 'Matters');
		await ops.press('Look through the file');
		await ops.sees('Choose a file.');
		writeFileSync(file(), 'Title,,Kind\nOld,lost,Litigation\n');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.sees('Row 2 has “lost” in column 2, which has no name in the first row.');
		await ops.press('Put the file away');
		await ops.page.waitForFunction(() => location.pathname === '/imports');
		await ops.misses('could not be read');
	});

	it('has all that is wrong beside its field, and as a file', async () => {
		writeFileSync(file(), ROWS);
		await ops.select('What is in it', 'Matters');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.sees('2 new rows, 0 there already, 1 fault');
		await ops.sees('There is no kind “Poem”.');
		await ops.sees('There is no lawyer “nobody”');
		const { pathname } = new URL(ops.page.url());
		const [status, text] = await fetchText(`${pathname}/faults`);
		assert.equal(status, 200);
		assert.match(text, /What is wrong/);
		assert.match(text, /OLD-8/);
		assert.doesNotMatch(text, /OLD-7/);
		const isShut = await ops.page.$$eval('button', (all) =>
			all.some((one) => one.textContent!.includes('All rows or none') && one.disabled)
		);
		assert.ok(isShut);
		await ops.go('/imports');
		await ops.sees('1 row to put right');
		await ops.press('old.csv');
		await ops.sees('To put right');
	});

	it('is put right in place and comes in, with numbers, facts and ends', async () => {
		await ops.fill('Kind, row 3', 'Agreement review');
		await ops.fill('Responsible lawyer, row 3', 'Mateo Quiroga');
		await ops.press('Put row 3 right');
		await ops.sees('3 new rows, 0 there already, 0 faults');
		await ops.press('Import 3 rows');
		await ops.sees('Imported: 3 rows, and 1 card named in them.');
		const io = await sit(browser, house.origin, 'okafor');
		await io.go('/matters/OLD-9');
		await io.sees('Old crane claim');
		await io.sees('12,500.00');
		await io.sees('settled: Taken over by an import. Kept until');
	});

	it('is asked about before it is taken back, and done anew', async () => {
		await ops.go('/imports');
		await ops.press('take back', '[data-batch="old.csv"]');
		await ops.sees('All that its 3 rows made goes.');
		await ops.press('Cancel', '[data-batch="old.csv"]');
		await ops.press('take back', '[data-batch="old.csv"]');
		await ops.press('Take it back', '[data-batch="old.csv"]');
		await ops.sees('taken back');
		assert.equal((await fetchText('/matters/OLD-9'))[0], 404);
		await ops.press('do it anew', '[data-batch="old.csv"]');
		await ops.sees('3 new rows, 0 there already, 0 faults');
	});

	it('of two people of one name asks which is which', async () => {
		writeFileSync(file(), 'Name,Mail\nAnna Quill,a@one.example\nAnna Quill,a@two.example\n');
		await ops.go('/imports');
		await ops.select('What is in it', 'People');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.sees('another Anna Quill: the mail is not the same');
		await ops.press('it is the same');
		await ops.sees('1 new row, 1 there already');
		await ops.press('it is another');
		await ops.sees('2 new rows, 0 there already');
	});

	it('of dates says of each what it will be, and the docket has them', async () => {
		writeFileSync(
			file(),
			[
				'Matter number,Title,Date,What it is,How it stands,Met on',
				'LF-2026-0005,Moved-in reply,2027-02-05,,,',
				'LF-2026-0005,Moved-in hearing,14 Jan 2027,hearing,,',
				'LF-2026-0005,Moved-in disclosures,2026-10-30,,met,'
			].join('\n')
		);
		await ops.go('/imports');
		await ops.select('What is in it', 'Dates');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.sees('Met on is missing.');
		await ops.sees('new hearing, waits for its second check');
		await ops.press('leave row 4 out');
		await ops.sees('Left out.');
		await ops.press('take it in');
		await ops.fill('Met on, row 4', '29 Oct 2026');
		await ops.press('Put row 4 right');
		await ops.press('Import 3 rows');
		await ops.sees('Imported: 3 rows.');
		await ops.go('/matters/LF-2026-0005/docket?view=list&show=all');
		await ops.sees('Moved-in reply');
		await ops.sees('Moved-in hearing');
	});

	it('of documents asks for the folder that the index names, and files each', async () => {
		const folder = join(scratch, 'Old files');
		mkdirSync(join(folder, 'Letters'), { recursive: true });
		writeFileSync(join(folder, 'Letters', 'Adjuster.txt'), 'We reserve the gangplank.');
		writeFileSync(join(folder, 'Memo.txt'), 'Memo on the old case.');
		writeFileSync(join(folder, 'Thumbs.db'), 'nothing');
		writeFileSync(
			file(),
			[
				'Matter number,File,Name,Mark',
				'LF-2026-0005,Letters\\Adjuster.txt,Moved-in letter,privileged',
				'LF-2026-0005,memo.txt,,'
			].join('\n')
		);
		await ops.go('/imports');
		await ops.select('What is in it', 'Documents');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.sees('2 files of the index still to give.');
		await ops.give('input[webkitdirectory]', folder);
		await ops.sees('All 2 files of the index were given.');
		await ops.sees('1 other file in it, not asked for by the index.');
		await ops.press('Import 2 rows');
		await ops.sees('Imported: 2 rows.');
		await ops.go('/matters/LF-2026-0005/documents');
		await ops.sees('Moved-in letter');
		await ops.go('/documents?q=memo');
		await ops.sees('memo');
	});

	it('begins from a sample, for those who may', async () => {
		const [, text] = await fetchText('/imports/sample?what=people&as=csv');
		assert.match(text, /Halina Ironwood/);
		writeFileSync(file(), (await fetchText('/imports/sample?what=time&as=csv'))[1]);
		await ops.go('/imports');
		await ops.select('What is in it', 'Time');
		await ops.give('input[type="file"]', file());
		await ops.press('Look through the file');
		await ops.press('Import 2 rows');
		await ops.sees('Imported: 2 rows.');
		const io = await sit(browser, house.origin, 'okafor');
		await io.go('/imports');
		await io.sees('There is no such page, or it is not yours to see.');
	});
});
