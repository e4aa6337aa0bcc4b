/** PDF files made in one process from shared fonts: each holds its own letters, whole. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { extractText } from './text.ts';
import { PDF } from './media.ts';
import { makePdf } from './pdf.ts';

const page = (text: string, font = 'Newsreader') =>
	makePdf({ content: [{ text, font }], info: { creationDate: new Date(0) } });
const withoutId = (pdf: Buffer) => pdf.toString('latin1').replaceAll(/\/ID \[.*?\]/g, '');

describe('PDF files made one after another', () => {
	it('say what was given, in letters that the one before did not have', async () => {
		await page('abc');
		const second = await page('Řeka Žižkov, §§ 3–4: 1,250 €');
		assert.equal(
			(await extractText(PDF, new Uint8Array(second))).trim(),
			'Řeka Žižkov, §§ 3–4: 1,250 €'
		);
	});

	it('are the same bytes whatever was made between them', async () => {
		const first = await page('To be signed by AVA.');
		await page('Another hand, other letters: xyz', 'Hand');
		await page('Quite another text');
		assert.equal(withoutId(await page('To be signed by AVA.')), withoutId(first));
	});

	it('carry only the letters they show, so that they stay small', async () => {
		const [few, many] = [await page('aaaa'), await page('abcdefghijklmnopqrstuvwxyz')];
		assert.ok(few.length < many.length && many.length < 20_000, `${few.length} ${many.length}`);
	});

	it('are made at once without disturbing one another', async () => {
		const texts = ['First of three', 'Zweites Blatt: äöü', 'Third, with 1234567890'];
		const made = await Promise.all(texts.map((text) => page(text)));
		for (const [index, pdf] of made.entries())
			assert.equal((await extractText(PDF, new Uint8Array(pdf))).trim(), texts[index]);
	});
});
