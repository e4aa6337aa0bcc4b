import assert from 'node:assert/strict';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeEach, describe, it } from 'node:test';
import { listMissing } from '#core/templates/merge.ts';
import { findMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { all, one, scalar } from '#server/db/sql.ts';
import { enterEvent } from '#server/docket/events.ts';
import { decline, sign, withdrawRound } from '#server/signing/commands.ts';
import { finishRound, listUnsealed } from '#server/signing/finish.ts';
import { findSigning } from '#server/signing/door.ts';
import { startRound } from '#server/signing/start.ts';
import { uploadDocument } from './commands.ts';
import { assembleDocument } from '#server/templates/commands.ts';
import { findTemplateNeeds } from '#server/templates/queries.ts';
import { makeMergeData } from '#server/templates/merge-data.ts';
import { storeFile } from './store.ts';
import { listTemplates } from '#server/templates/queries.ts';
import { makePdf } from '#server/files/pdf.ts';
import { docxToPdf } from '#server/files/docx-pdf.ts';
import { fillTemplate, listTemplateTags } from '#server/templates/fill.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';

const scratch = mkdtempSync(join(tmpdir(), 'kite-doc-'));
const text = (pdf: Buffer) => {
	const value = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(value, pdf);
	return execFileSync('pdftotext', ['-layout', value, '-'], { encoding: 'utf8' });
};
const verdict = (pdf: Buffer) => {
	const value = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(value, pdf);
	return spawnSync('pdfsig', [value], { encoding: 'utf8' }).stdout;
};

describe('uploads', () => {
	it('are what their name says, not empty and not too large', async () => {
		const house = await testHouse();
		const refuse = async (name: string, data: Buffer, why: RegExp) =>
			assert.rejects(
				storeFile(house, new File([new Uint8Array(data)], name)),
				(item: unknown) => item instanceof Refused && why.test(item.message)
			);
		await refuse('a.docx', Buffer.from('not a zip'), /not a DOCX file, whatever its name says/);
		await refuse('a.docx', Buffer.from('PK\u0003\u0004 half a zip'), /not a DOCX/);
		await refuse('a.pdf', Buffer.from('hello'), /not a PDF file/);
		await refuse('a.exe', Buffer.from('MZ'), /files may be PDF/);
		await refuse('a.pdf', Buffer.alloc(0), /is empty/);
		await refuse(
			'big.pdf',
			Buffer.concat([Buffer.from('%PDF-1.4'), Buffer.alloc(60 * 1024 * 1024)]),
			/61 MB; a file may have at most 50 MB/
		);
		const damaged = await storeFile(house, new File(['%PDF-1.7 and rubbish'], 'broken.pdf'));
		assert.match(damaged.unread, /it is damaged and cannot be opened as a PDF/);
		assert.equal(
			(await storeFile(house, new File(['x'], '../../etc/passwd.txt'))).fileName,
			'....etcpasswd.txt'
		);
	});
});

describe('templates', () => {
	const letter = readFileSync('templates/Letter on the matter.docx');
	it('know their fields, conditional passages and repeated parts', () => {
		const tags = listTemplateTags(letter);
		assert.ok(tags.some((tag) => tag.name === 'recipient.name' && tag.kind === 'value'));
		const part = (n: string) => tags.find((tag) => tag.name === n && tag.kind === 'part')!;
		assert.deepEqual(
			part('parties').inside.map((tag) => tag.name),
			['name', 'role']
		);
		assert.deepEqual(
			part('litigation').inside.map((tag) => tag.name),
			['matter.court', 'matter.caseNumber']
		);
		assert.ok(!listMissing(tags, { litigation: false, parties: [] }).includes('matter.court'));
	});
	it('fill in what is known, repeat, leave out, and mark what is missing', async () => {
		const data = {
			today: '2026-11-23',
			matter: { title: 'Fall', number: 'LF-1', court: 'N.D. Cal.' },
			lawyer: { name: 'Ines Okafor' },
			unit: 'Passenger',
			parties: [
				{ name: 'Zoë Müllersen', role: 'opponent' },
				{ name: 'Bollard & Co', role: 'insurer' }
			],
			dates: [{ date: '2026-11-30', title: 'Answer', authority: 'Rule 12' }],
			hasDates: true,
			litigation: false
		};
		const value = text(await docxToPdf(fillTemplate(letter, data), 'Letter'));
		for (const word of [
			'23 November 2026',
			'[recipient.name]',
			'Zoë Müllersen',
			'Bollard & Co',
			'Monday 30 November 2026: Answer (Rule 12)'
		])
			assert.ok(value.includes(word), `${word} in ${value}`);
		assert.doesNotMatch(value, /pending before/);
		assert.ok(
			text(await docxToPdf(fillTemplate(letter, { ...data, litigation: true }), 'Letter')).includes(
				'pending before N.D. Cal.'
			)
		);
	});
	it('that are broken say so', () => {
		assert.throws(() => listTemplateTags(Buffer.from('x')), Refused);
	});
	it('ask only for what the matter does not know', async () => {
		const house = await testHouse();
		const item = await newMatter(house, {
			facts: { 'fact:court': 'N.D. Cal.', 'fact:case-number': '3:26' },
			opponentName: 'Halyard LLC'
		});
		const other = listTemplates(house).find((x) => x.name === 'Letter on the matter')!;
		assert.deepEqual(
			(await findTemplateNeeds(house.as('okafor'), item.matterId, other.id))!.missing,
			['recipient.name', 'recipient.address', 'purpose']
		);
		const derived = makeMergeData(
			house,
			findMatter(house.db, house.staff('okafor'), { id: item.matterId })!,
			house.staff('okafor')
		).matter as Record<string, unknown>;
		assert.deepEqual(
			[
				derived.caseNumber,
				derived.daysOpen,
				derived.hours,
				derived.cost,
				derived.nextDate,
				derived.lastActivity
			],
			['3:26', 0, '0.0', 0, null, '2026-11-23']
		);
		good(
			enterEvent(house.as('okafor'), {
				matterId: item.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-02',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: ['serve-each-defendant']
			})
		);
		const made = good(
			await assembleDocument(house.as('okafor'), {
				matterId: item.matterId,
				templateId: other.id,
				values: {
					'recipient.name': 'A',
					'__proto__.polluted': 'x',
					'constructor.prototype.y': 'x'
				}
			})
		);
		assert.equal(({} as Record<string, unknown>).polluted, undefined);
		assert.match(
			scalar<string>(house.db, 'SELECT text FROM document_version WHERE document_id = @id', {
				id: made.pdfId
			}),
			/Serve each defendant/
		);
	});
});

describe('a signing round', () => {
	let house: TestHouse;
	let documentId: string;
	beforeEach(async () => {
		house = await testHouse();
		const item = await newMatter(house);
		documentId = good(
			await uploadDocument(house.as('okafor'), {
				matterId: item.matterId,
				name: 'Consent',
				folder: 'Agreements',
				mark: '',
				file: new File(
					[new Uint8Array(await makePdf({ content: ['Please sign below.'] }))],
					'Consent.pdf'
				)
			})
		).documentId;
	});
	const box = (signer: number, kind: 'signature' | 'text' = 'signature') => ({
		signer,
		kind,
		page: 0,
		x: 0.1 + 0.4 * signer,
		y: kind === 'text' ? 0.6 : 0.5,
		w: 0.3,
		h: 0.05,
		label: kind === 'text' ? 'Place' : ''
	});
	const base = () => ({
		documentId,
		...{ title: 'Consent', message: '', inOrder: true, wantedBy: null, expires: null },
		signers: [
			{ name: 'Ada Ö', email: 'ada@mail.example' },
			{ name: 'Ben', email: 'ben@mail.example' }
		],
		fields: [box(0), box(1), box(1, 'text')]
	});
	const start = async (more: object = {}) =>
		good(await startRound(house.as('okafor'), { ...base(), ...more }));
	const guest = (): Context => ({ ...house, actor: { guest: 'signer' } });
	const token = (mail: string) =>
		/\/sign\/(\S+)/.exec(
			scalar<string>(
				house.db,
				'SELECT text FROM mail_out WHERE recipient LIKE @recipient ORDER BY rowid DESC',
				{ recipient: `%${mail}%` }
			)
		)![1]!;
	const put = async (value: string, over: Record<string, string> = {}) => {
		const view = findSigning(guest(), { token: value })!;
		return await sign(guest(), {
			door: { token: value },
			values: {
				...Object.fromEntries(
					view.fields.map((field) => [field.id, field.kind === 'text' ? 'Łódź' : view.name])
				),
				...over
			},
			consent: true,
			address: '203.0.113.9',
			agent: 'test'
		});
	};

	it('refuses what makes no sense', async () => {
		const item = async (more: object) =>
			Object.values(bad(await startRound(house.as('okafor'), { ...base(), ...more })))[0]!;
		assert.match(await item({ fields: [box(0)] }), /Place a signature for Ben/);
		assert.match(await item({ signers: [], fields: [] }), /at least one signer/);
		assert.match(
			await item({
				signers: [
					{ name: 'A', email: 'x@mail.example' },
					{ name: 'B', email: 'X@mail.example' }
				]
			}),
			/named twice/
		);
		assert.match(await item({ wantedBy: '2026-11-01' }), /has passed/);
		await start();
		assert.match(await item({}), /with signers already/);
	});
	it('goes in order by links that only their hash is kept of, once each, and is sealed', async () => {
		const { roundId } = await start();
		assert.equal(
			all(house.db, "SELECT 1 FROM mail_out WHERE recipient LIKE '%ben%'").length,
			0,
			'Ben is not told before his turn'
		);
		const ada = token('ada');
		assert.equal(all(house.db, 'SELECT 1 FROM signer WHERE token_hash = @ada', { ada }).length, 0);
		assert.match(
			bad(
				await sign(guest(), {
					door: { token: ada },
					values: {},
					consent: true,
					address: '',
					agent: ''
				})
			)[findSigning(guest(), { token: ada })!.fields[0]!.id]!,
			/signature is missing/
		);
		assert.match(
			bad(
				await sign(guest(), {
					door: { token: ada },
					values: {},
					consent: false,
					address: '',
					agent: ''
				})
			).consent!,
			/agree/
		);
		good(await put(ada));
		assert.match(bad(await put(ada))['']!, /signed this already/);
		const ben = token('ben');
		assert.equal(good(await put(ben)).finished, true);
		assert.deepEqual(listUnsealed(house), [roundId]);
		await finishRound(house, roundId);
		await finishRound(house, roundId);
		assert.deepEqual(listUnsealed(house), []);
		const item = one<{ n: number; sha256: string }>(
			house.db,
			'SELECT n, sha256 FROM document_version ORDER BY n DESC'
		);
		assert.equal(item.n, 2, 'sealed once');
		const pdf = house.files.get(item.sha256);
		assert.match(verdict(pdf), /Signature is Valid/);
		const changed = Buffer.from(pdf);
		changed[200] = changed[200]! ^ 1;
		assert.doesNotMatch(verdict(changed), /Signature is Valid/);
		const value = text(pdf);
		for (const word of [
			'Ada Ö',
			'Łódź',
			'Certificate of signing',
			'203.0.113.9',
			'ben@mail.example'
		])
			assert.ok(value.includes(word), word);
		assert.equal(all(house.db, "SELECT 1 FROM mail_out WHERE subject LIKE 'Signed:%'").length, 3);
	});
	it('ends when it is withdrawn, declined or past its last day, and says so', async () => {
		const first = await start();
		const a = token('ada');
		good(withdrawRound(house.as('okafor'), { roundId: first.roundId }));
		assert.match(bad(await put(a))['']!, /withdrew/);
		await start();
		const b = token('ada');
		assert.match(
			bad(decline(guest(), { door: { token: b }, reason: '', address: '', agent: '' })).reason!,
			/missing/
		);
		good(
			decline(guest(), { door: { token: b }, reason: 'The sum is wrong.', address: '', agent: '' })
		);
		assert.match(bad(await put(b))['']!, /declined/);
		await start({ expires: '2026-11-24' });
		const value = token('ada');
		house.set('2026-11-25');
		assert.match(bad(await put(value))['']!, /last day for signing has passed/);
	});
	it('has no door for a guessed link or for another colleague', async () => {
		await start({
			signers: [
				{ name: 'Tamsin Wardle', email: 'wardle@larkhaven.example', staffId: 'stf_wardle' }
			],
			fields: [box(0)]
		});
		const signerId = scalar<string>(house.db, 'SELECT id FROM signer');
		assert.equal(findSigning(guest(), { token: 'guessed' }), undefined);
		assert.equal(findSigning(house.as('quiroga'), { signerId }), undefined);
		assert.ok(findSigning(house.as('wardle'), { signerId }));
		assert.equal(
			bad(
				await sign(house.as('quiroga'), {
					door: { signerId },
					values: {},
					consent: true,
					address: '',
					agent: ''
				})
			)[''],
			'There is no such signing link, or it is not yours to see.'
		);
	});
});
