import assert from 'node:assert/strict';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeEach, describe, it } from 'node:test';
import { missing } from '#core/assembly/merge.ts';
import { Refused, type Ctx } from './command.ts';
import { fill, tagsOf } from './documents/assemble.ts';
import {
	assembleFiles,
	asksFor,
	mergeData,
	store,
	templates,
	uploadDocument
} from './documents/commands.ts';
import { makePdf, docxToPdf } from './documents/pdf.ts';
import { enterEvent } from './docket/commands.ts';
import { findMatter } from './trust/scope.ts';
import {
	decline,
	finishRound,
	sign,
	signingView,
	startRound,
	unsealed,
	withdrawRound
} from './signing/commands.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

const scratch = mkdtempSync(join(tmpdir(), 'kite-doc-'));
const text = (pdf: Buffer) => {
	const p = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(p, pdf);
	return execFileSync('pdftotext', ['-layout', p, '-'], { encoding: 'utf8' });
};
const verdict = (pdf: Buffer) => {
	const p = join(scratch, `${Math.random()}.pdf`);
	writeFileSync(p, pdf);
	return spawnSync('pdfsig', [p], { encoding: 'utf8' }).stdout;
};

describe('uploads', () => {
	it('are what their name says, not empty and not too large', async () => {
		const h = await testHouse();
		const refuse = (name: string, data: Buffer, why: RegExp) =>
			assert.rejects(
				store(h, name, data),
				(e: unknown) => e instanceof Refused && why.test(e.message)
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
		assert.equal(
			(await store(h, '../../etc/passwd.txt', Buffer.from('x'))).fileName,
			'....etcpasswd.txt'
		);
	});
});

describe('templates', () => {
	const letter = readFileSync('templates/Letter on the matter.docx');
	it('know their fields, conditional passages and repeated parts', () => {
		const tags = tagsOf(letter);
		assert.ok(tags.some((t) => t.name === 'recipient.name' && t.kind === 'value'));
		const part = (n: string) => tags.find((t) => t.name === n && t.kind === 'part')!;
		assert.deepEqual(
			part('parties').inside.map((t) => t.name),
			['name', 'role']
		);
		assert.deepEqual(
			part('litigation').inside.map((t) => t.name),
			['matter.court', 'matter.caseNumber']
		);
		assert.ok(!missing(tags, { litigation: false, parties: [] }).includes('matter.court'));
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
		const t = text(await docxToPdf(fill(letter, data), 'Letter'));
		for (const w of [
			'23 November 2026',
			'[recipient.name]',
			'Zoë Müllersen',
			'Bollard & Co',
			'Monday 30 November 2026: Answer (Rule 12)'
		])
			assert.ok(t.includes(w), `${w} in ${t}`);
		assert.doesNotMatch(t, /pending before/);
		assert.ok(
			text(await docxToPdf(fill(letter, { ...data, litigation: true }), 'Letter')).includes(
				'pending before N.D. Cal.'
			)
		);
	});
	it('that are broken say so', () => {
		assert.throws(() => tagsOf(Buffer.from('x')), Refused);
	});
	it('ask only for what the matter does not know', async () => {
		const h = await testHouse();
		const m = newMatter(h, {
			facts: { 'fact:court': 'N.D. Cal.', 'fact:case-number': '3:26' },
			opponentName: 'Halyard LLC'
		});
		const t = templates(h).find((x) => x.name === 'Letter on the matter')!;
		assert.deepEqual(asksFor(h, h.staff('okafor'), m.number, t.id)!.missing, [
			'recipient.name',
			'recipient.address',
			'purpose'
		]);
		const derived = mergeData(
			h,
			findMatter(h.db, h.staff('okafor'), { id: m.matterId })!,
			h.staff('okafor')
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
			enterEvent(h.as('okafor'), {
				matterId: m.matterId,
				eventKey: 'complaint-filed',
				date: '2026-11-02',
				time: '',
				service: '',
				name: '',
				answers: {},
				docket: ['serve-each-defendant']
			})
		);
		const made = await assembleFiles(h, h.staff('okafor'), m.number, t.id, {
			'recipient.name': 'A',
			'__proto__.polluted': 'x',
			'constructor.prototype.y': 'x'
		});
		assert.equal(({} as Record<string, unknown>).polluted, undefined);
		assert.match(made.pdf.text, /Serve each defendant/);
	});
});

describe('a signing round', () => {
	let h: TestHouse;
	let documentId: string;
	beforeEach(async () => {
		h = await testHouse();
		const m = newMatter(h);
		documentId = good(
			uploadDocument(h.as('okafor'), {
				matterId: m.matterId,
				name: 'Consent',
				folder: 'Agreements',
				mark: '',
				file: await store(h, 'Consent.pdf', await makePdf({ content: ['Please sign below.'] }))
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
		title: 'Consent',
		message: '',
		inOrder: true,
		wantedBy: null,
		expires: null,
		signers: [
			{ name: 'Ada Ö', email: 'ada@mail.example' },
			{ name: 'Ben', email: 'ben@mail.example' }
		],
		fields: [box(0), box(1), box(1, 'text')]
	});
	const start = (more: object = {}) => good(startRound(h.as('okafor'), { ...base(), ...more }));
	const guest = (): Ctx => ({ ...h, actor: { guest: 'signer' } });
	const token = (mail: string) =>
		/\/sign\/(\S+)/.exec(
			h.db
				.prepare<[string], { text: string }>(
					'SELECT text FROM mail_out WHERE recipient LIKE ? ORDER BY rowid DESC'
				)
				.get(`%${mail}%`)!.text
		)![1]!;
	const put = (t: string, over: Record<string, string> = {}) => {
		const view = signingView(guest(), { token: t })!;
		return sign(guest(), {
			door: { token: t },
			values: {
				...Object.fromEntries(
					view.fields.map((f) => [f.id, f.kind === 'text' ? 'Łódź' : view.name])
				),
				...over
			},
			consent: true,
			address: '203.0.113.9',
			agent: 'test'
		});
	};

	it('refuses what makes no sense', () => {
		const r = (more: object) =>
			Object.values(bad(startRound(h.as('okafor'), { ...base(), ...more })))[0]!;
		assert.match(r({ fields: [box(0)] }), /Place a signature for Ben/);
		assert.match(r({ signers: [], fields: [] }), /at least one signer/);
		assert.match(
			r({
				signers: [
					{ name: 'A', email: 'x@mail.example' },
					{ name: 'B', email: 'X@mail.example' }
				]
			}),
			/named twice/
		);
		assert.match(r({ wantedBy: '2026-11-01' }), /has passed/);
		start();
		assert.match(r({}), /with signers already/);
	});
	it('goes in order by links that only their hash is kept of, once each, and is sealed', async () => {
		const { roundId } = start();
		assert.equal(
			h.db.prepare("SELECT 1 FROM mail_out WHERE recipient LIKE '%ben%'").all().length,
			0,
			'Ben is not told before his turn'
		);
		const ada = token('ada');
		assert.equal(h.db.prepare('SELECT 1 FROM signer WHERE token_hash = ?').all(ada).length, 0);
		assert.match(
			bad(
				sign(guest(), { door: { token: ada }, values: {}, consent: true, address: '', agent: '' })
			)[signingView(guest(), { token: ada })!.fields[0]!.id]!,
			/signature is missing/
		);
		assert.match(
			bad(
				sign(guest(), { door: { token: ada }, values: {}, consent: false, address: '', agent: '' })
			).consent!,
			/agree/
		);
		good(put(ada));
		assert.match(bad(put(ada))['']!, /signed this already/);
		const ben = token('ben');
		assert.equal(good(put(ben)).finished, true);
		assert.deepEqual(unsealed(h), [roundId]);
		await finishRound(h, roundId);
		await finishRound(h, roundId);
		assert.deepEqual(unsealed(h), []);
		const v = h.db
			.prepare<[], { n: number; sha256: string }>(
				'SELECT n, sha256 FROM document_version ORDER BY n DESC'
			)
			.get()!;
		assert.equal(v.n, 2, 'sealed once');
		const pdf = h.files.get(v.sha256);
		assert.match(verdict(pdf), /Signature is Valid/);
		const changed = Buffer.from(pdf);
		changed[200] = changed[200]! ^ 1;
		assert.doesNotMatch(verdict(changed), /Signature is Valid/);
		const t = text(pdf);
		for (const w of ['Ada Ö', 'Łódź', 'Certificate of signing', '203.0.113.9', 'ben@mail.example'])
			assert.ok(t.includes(w), w);
		assert.equal(
			h.db.prepare("SELECT 1 FROM mail_out WHERE subject LIKE 'Signed:%'").all().length,
			3
		);
	});
	it('ends when it is withdrawn, declined or past its last day, and says so', () => {
		const first = start();
		const a = token('ada');
		good(withdrawRound(h.as('okafor'), { roundId: first.roundId }));
		assert.match(bad(put(a))['']!, /withdrew/);
		start();
		const b = token('ada');
		assert.match(
			bad(decline(guest(), { door: { token: b }, reason: '', address: '', agent: '' })).reason!,
			/missing/
		);
		good(
			decline(guest(), { door: { token: b }, reason: 'The sum is wrong.', address: '', agent: '' })
		);
		assert.match(bad(put(b))['']!, /declined/);
		start({ expires: '2026-11-24' });
		const c = token('ada');
		h.set('2026-11-25');
		assert.match(bad(put(c))['']!, /last day for signing has passed/);
	});
	it('has no door for a guessed link or for another colleague', () => {
		start({
			signers: [
				{ name: 'Tamsin Wardle', email: 'wardle@larkhaven.example', staffId: 'stf_wardle' }
			],
			fields: [box(0)]
		});
		const signerId = h.db.prepare<[], { id: string }>('SELECT id FROM signer').get()!.id;
		assert.equal(signingView(guest(), { token: 'guessed' }), undefined);
		assert.equal(signingView(h.as('quiroga'), { signerId }), undefined);
		assert.ok(signingView(h.as('wardle'), { signerId }));
		assert.equal(
			bad(
				sign(h.as('quiroga'), {
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
