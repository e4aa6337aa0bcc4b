/** A document that could not be sealed is refused before anybody is asked to sign it. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { scalar } from '#server/db/sql.ts';
import { uploadDocument } from '#server/documents/commands.ts';
import { makePdf } from '#server/files/pdf.ts';
import { bad, good, newMatter, testHouse } from '#server/testing/house.ts';
import { checkSignable } from './signable.ts';
import { startRound } from './start.ts';

const field = { signer: 0, kind: 'signature' as const, x: 0.1, y: 0.1, w: 0.3, h: 0.05, label: '' };
const signers = [{ name: 'Ada', email: 'ada@mail.example' }];

describe('a document for signing', () => {
	it('is stamped and made ready once, before the round begins', async () => {
		const house = await testHouse();
		const { matterId } = await newMatter(house);
		const pdf = new Uint8Array(await makePdf({ content: ['Please sign below.'] }));
		const add = async (bytes: Uint8Array, name: string) => {
			const file = new File([bytes as Uint8Array<ArrayBuffer>], name);
			const where = { matterId, folder: 'Agreements', mark: '' as const };
			return uploadDocument(house.as('okafor'), { ...where, name, file });
		};
		const { documentId } = good(await add(pdf, 'Consent.pdf'));
		const start = (page: number) =>
			startRound(house.as('okafor'), {
				...{ documentId, title: 'Consent', inOrder: true, signers },
				fields: [{ ...field, page }]
			});
		assert.match(bad(await start(7)).fields!, /a page that is not there/);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM signing_round'), 0);
		good(await start(0));
	});
	it('is refused where it is rubbish after its first letters, or cut off', async () => {
		const pdf = new Uint8Array(await makePdf({ content: ['Please sign below.'] }));
		const rubbish = new TextEncoder().encode('%PDF-1.7 and rubbish');
		for (const bytes of [rubbish, pdf.slice(0, 200)])
			await assert.rejects(checkSignable({ pdf: bytes, pages: [0] }), /damaged or locked/);
		await checkSignable({ pdf, pages: [0] });
	});
});
