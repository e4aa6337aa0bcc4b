/**
 * Files and questions that are made to be slow: while each is looked at, nobody else waits, and
 * whoever sent it reads in clear words what became of it. Runs by itself, after the others: it
 * watches how soon the server answers.
 */
import assert from 'node:assert/strict';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { after, before, describe, it } from 'node:test';
import { deflateSync, crc32 } from 'node:zlib';
import Database from 'better-sqlite3';
import PizZip from 'pizzip';
import { COOKIE } from '#server/http/cookie.ts';
import { openHouse, openSession, type House } from './house.ts';

/** No answer to somebody else may wait longer. */
const LONGEST_MS = 300;
const EVERY_MS = 25;

let house: House;
const cookies = new Map<string, string>();
const PIER = 'LF-2026-0010';

const ask = (login: string, path: string, init: RequestInit = {}) =>
	fetch(house.origin + path, {
		redirect: 'manual',
		...init,
		headers: { cookie: cookies.get(login) ?? '', ...(init.headers as Record<string, string>) }
	});

/** Sends a form as the screen does; gives what came back, as text. */
async function send(login: string, path: string, fields: Record<string, string | File>) {
	const body = new FormData();
	for (const [name, value] of Object.entries(fields)) body.set(name, value);
	const headers = {
		origin: house.origin,
		'x-sveltekit-action': 'true',
		accept: 'application/json'
	};
	return (await ask(login, path, { method: 'POST', body, headers })).text();
}

async function preview(login: string, what: string, body: unknown): Promise<string> {
	const headers = { 'content-type': 'application/json', origin: house.origin };
	const init = { method: 'POST', headers, body: JSON.stringify(body) };
	return (await ask(login, `/api/preview/${what}`, init)).text();
}

/** Pings the server until the work is done; gives what it gave. */
async function whilePinging<Value>(work: () => Promise<Value>): Promise<Value> {
	let busy = true;
	let longest = 0;
	const pinging = (async () => {
		while (busy) {
			const began = performance.now();
			const response = await ask('wardle', '/api/matters?q=pier');
			assert.equal(response.status, 200);
			await response.text();
			longest = Math.max(longest, performance.now() - began);
			await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
		}
	})();
	try {
		return await work();
	} finally {
		busy = false;
		await pinging;
		assert.ok(longest < LONGEST_MS, `somebody waited ${Math.round(longest)} ms`);
	}
}

/** A PDF with one page that is so much text when it is unpacked. */
function makePdfBomb(megabytes: number): Buffer {
	const line = '(all work and no play) Tj 0 -1 Td\n';
	const text = Buffer.from(`BT /F1 1 Tf ${line.repeat((megabytes * 1e6) / line.length)} ET`);
	const stream = deflateSync(text, { level: 9 });
	const objects = [
		'<< /Type /Catalog /Pages 2 0 R >>',
		'<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
		'<< /Type /Page /Parent 2 0 R /MediaBox [0 0 612 792] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
		`<< /Length ${stream.length} /Filter /FlateDecode >>\nstream\n`,
		'<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>'
	];
	const parts: Buffer[] = [Buffer.from('%PDF-1.7\n')];
	const offsets: number[] = [];
	const size = () => parts.reduce((sum, part) => sum + part.length, 0);
	for (const [index, object] of objects.entries()) {
		offsets.push(size());
		parts.push(Buffer.from(`${index + 1} 0 obj\n${object}`));
		if (object.endsWith('stream\n')) parts.push(stream, Buffer.from('\nendstream'));
		parts.push(Buffer.from('\nendobj\n'));
	}
	const at = size();
	const rows = offsets.map((offset) => `${String(offset).padStart(10, '0')} 00000 n \n`).join('');
	parts.push(
		Buffer.from(
			`xref\n0 6\n0000000000 65535 f \n${rows}trailer << /Size 6 /Root 1 0 R >>\nstartxref\n${at}\n%%EOF`
		)
	);
	return Buffer.concat(parts);
}

/** A DOCX of so many paragraphs, which are small when they are packed. */
function makeDocxBomb(paragraphs: number): Buffer {
	const zip = new PizZip();
	zip.file(
		'[Content_Types].xml',
		'<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>'
	);
	zip.file(
		'_rels/.rels',
		'<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>'
	);
	const paragraph = '<w:p><w:r><w:t>word</w:t></w:r></w:p>';
	zip.file(
		'word/document.xml',
		`<?xml version="1.0"?><w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraph.repeat(paragraphs)}</w:body></w:document>`
	);
	return zip.generate({ type: 'nodebuffer', compression: 'DEFLATE' });
}

/** A PNG of one color with so many points on a side. */
function makePng(side: number): string {
	const chunk = (type: string, data: Buffer) => {
		const body = Buffer.concat([Buffer.from(type), data]);
		const head = Buffer.alloc(4);
		head.writeUInt32BE(data.length);
		const tail = Buffer.alloc(4);
		tail.writeUInt32BE(crc32(body));
		return Buffer.concat([head, body, tail]);
	};
	const ihdr = Buffer.alloc(13);
	ihdr.writeUInt32BE(side, 0);
	ihdr.writeUInt32BE(side, 4);
	ihdr.set([8, 6, 0, 0, 0], 8);
	const rows = deflateSync(Buffer.alloc(side * (side * 4 + 1)), { level: 9 });
	const png = Buffer.concat([
		Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
		chunk('IHDR', ihdr),
		chunk('IDAT', rows),
		chunk('IEND', Buffer.alloc(0))
	]);
	return `data:image/png;base64,${png.toString('base64')}`;
}

/** Of a row in the house's own database. */
function valueOf<Value>(sql: string): Value {
	const db = new Database(join(house.data, 'kite-pen.db'), { readonly: true });
	try {
		return db.prepare<[], Value>(sql).pluck().get()!;
	} finally {
		db.close();
	}
}

describe('what is made to be slow', { timeout: 900_000 }, () => {
	before(async () => {
		house = await openHouse('demo');
		for (const login of ['okafor', 'wardle', 'castellan', 'haddad'])
			cookies.set(login, `${COOKIE}=${openSession(house, login)}`);
		// The first answer of a house that just started takes a quarter of a second by itself.
		for (let asked = 0; asked < 3; asked++) await ask('wardle', '/api/matters?q=pier');
	});
	after(async () => void (await house?.stop()));

	it('a calendar file whose clock changes every second is given up, in words', async () => {
		const ics = [
			'BEGIN:VCALENDAR',
			'VERSION:2.0',
			'BEGIN:VTIMEZONE',
			'TZID:X',
			'BEGIN:STANDARD',
			'DTSTART:19700101T000000',
			'TZOFFSETFROM:+0100',
			'TZOFFSETTO:+0200',
			'RRULE:FREQ=SECONDLY',
			'END:STANDARD',
			'END:VTIMEZONE',
			'BEGIN:VEVENT',
			'UID:1',
			'SUMMARY:Hearing',
			'DTSTART;TZID=X:20261210T100000',
			'END:VEVENT',
			'END:VCALENDAR'
		].join('\r\n');
		const answer = await whilePinging(() =>
			send('okafor', `/matters/${PIER}/docket?/ics`, { ics: new File([ics], 'notice.ics') })
		);
		assert.match(answer, /takes too long to read\. Nothing was brought in/);
	});

	it('a small PDF of much text is filed, and says that its words are not searched', async () => {
		const matterId = valueOf<string>(`SELECT id FROM matter WHERE number = '${PIER}'`);
		const pdf = makePdfBomb(120);
		assert.ok(pdf.length < 400_000, `${pdf.length} bytes`);
		const answer = await whilePinging(() =>
			send('okafor', `/matters/${PIER}/documents?/upload`, {
				matterId,
				folder: 'Correspondence',
				file: new File([new Uint8Array(pdf)], 'slow.pdf')
			})
		);
		assert.match(answer, /"success"/, answer);
		const id = valueOf<string>("SELECT id FROM document WHERE name = 'slow'");
		const page = await (await ask('okafor', `/documents/${id}`)).text();
		assert.match(page, /not searched/);
	});

	it('a small DOCX of much text is filed, and opens with words instead', async () => {
		const matterId = valueOf<string>(`SELECT id FROM matter WHERE number = '${PIER}'`);
		const docx = makeDocxBomb(700_000);
		assert.ok(docx.length < 200_000, `${docx.length} bytes`);
		const answer = await whilePinging(() =>
			send('okafor', `/matters/${PIER}/documents?/upload`, {
				matterId,
				folder: 'Correspondence',
				file: new File([new Uint8Array(docx)], 'long.docx')
			})
		);
		assert.match(answer, /"success"|takes too long/, answer);
		const id = valueOf<string | undefined>("SELECT id FROM document WHERE name = 'long'");
		if (id === undefined) return;
		const opened = await whilePinging(() => ask('okafor', `/documents/${id}`));
		assert.equal(opened.status, 200);
	});

	it('a long search for a person answers', async () => {
		const words = Array.from({ length: 400 }, () => randomBytes(6).toString('hex')).join(' ');
		const answer = await whilePinging(() =>
			ask('okafor', `/api/people?q=${encodeURIComponent(words)}`)
		);
		assert.ok([200, 400].includes(answer.status), String(answer.status));
	});

	it('a drawing of great size, from outside, is refused beside its field', async () => {
		const text = valueOf<string>(
			"SELECT text FROM post WHERE text LIKE '%/sign/%' ORDER BY id DESC LIMIT 1"
		);
		const token = /\/sign\/(\S+)/.exec(text)?.[1] ?? '';
		const field = valueOf<string>(
			"SELECT f.id FROM signing_field f JOIN signer s ON s.id = f.signer_id WHERE s.state = 'waiting' AND s.staff_id IS NULL AND f.kind = 'signature' ORDER BY s.id DESC LIMIT 1"
		);
		const values = JSON.stringify({ [field]: makePng(8000) });
		assert.ok(values.length < 400_000, `${values.length} bytes`);
		const answer = await whilePinging(() =>
			send('nobody', `/sign/${token}?/sign`, { values, consent: 'on' })
		);
		assert.match(answer, /"failure"/, answer.slice(0, 300));
		assert.doesNotMatch(answer, /There is no such/, answer.slice(0, 300));
	});

	it('a book of nothing but brackets is judged within its limit', async () => {
		const yaml = `book: own.deep\nevents: ${'['.repeat(190_000)}${']'.repeat(190_000)}`;
		const answer = await whilePinging(() => preview('castellan', 'book', { yaml }));
		assert.match(answer, /"line"|too long|deep/i, answer.slice(0, 300));
	});

	it('a table of twenty thousand columns is refused in words', async () => {
		const row = (value: (index: number) => string) =>
			Array.from({ length: 20_000 }, (_, index) => value(index)).join(',');
		const csv = `${row((index) => `Column ${index}`)}\n${row(String)}\n`;
		const begun = await whilePinging(async () => {
			const answer = await send('haddad', '/imports?/begin', {
				what: 'people',
				file: new File([csv], 'wide.csv')
			});
			const id = /wrk_\w+/.exec(answer)?.[0] ?? '';
			return untilImport(id, 'failed');
		});
		assert.match(begun, /columns/);
	});

	it('three thousand people come in and are taken back while others work', async () => {
		const rows = Array.from(
			{ length: 3000 },
			(_, index) => `Person No ${index} ${randomBytes(4).toString('hex')},p${index}@mail.example`
		);
		const id = await whilePinging(async () => {
			const answer = await send('haddad', '/imports?/begin', {
				what: 'people',
				file: new File([`Name,Mail\n${rows.join('\n')}\n`], 'many.csv')
			});
			const work = /wrk_\w+/.exec(answer)?.[0] ?? '';
			await untilImport(work, 'ready');
			return work;
		});
		const made = await whilePinging(() => send('haddad', `/imports/${id}?/finish`, {}));
		assert.match(made, /"success"/, made);
		const batchId = valueOf<string>('SELECT id FROM import_batch ORDER BY at DESC LIMIT 1');
		const undone = await whilePinging(() => send('haddad', '/imports?/undo', { batchId }));
		assert.match(undone, /"success"/, undone);
		assert.equal(valueOf("SELECT count(*) FROM person WHERE name LIKE 'Person No %'"), 0);
	});
});

/** The page of an import when it is in a state, as text. */
async function untilImport(id: string, state: string): Promise<string> {
	for (let tries = 0; tries < 600; tries++) {
		const page = await (await ask('haddad', `/imports/${id}`)).text();
		if (page.includes(`state:"${state}"`)) return page;
		await new Promise((resolve) => setTimeout(resolve, 200));
	}
	throw new Error(`the import did not become ${state}`);
}
