import { z } from 'zod';
import { date as plain, sayDate } from '#core/dates/plain.ts';
import { roundState, turn, type SignerState } from '#core/signing/round.ts';
import {
	command,
	NotFound,
	Refused,
	staffOf,
	type Ctx,
	type Scribe,
	type World
} from '../command.ts';
import { addVersionRow, store } from '../documents/commands.ts';
import { flag, id, maybeDay, maybeText, text } from '../fields.ts';
import { departmentName } from '../house.ts';
import { newId, newToken, sha256 } from '../ids.ts';
import { findMatter, queueMail, theMatter, type MatterRow } from '../trust/scope.ts';
import { certify, seal, stamp, type CertificateRound, type StampField } from './seal.ts';

export const CONSENT =
	'I agree to sign this document electronically, and that my signature here binds me as one on paper would.';
export const FIELD_KINDS = ['signature', 'initials', 'name', 'date', 'text', 'check'] as const;

const part = z.number().min(0).max(1);
const fieldSchema = z.object({
	signer: z.int().min(0),
	kind: z.enum(FIELD_KINDS),
	page: z.int().min(0).max(2000),
	x: part,
	y: part,
	w: part,
	h: part,
	label: maybeText('The label', 80)
});
const signerSchema = z.object({
	name: text('The name of a signer', 120),
	email: text('The mail address', 200).refine(
		(s) => /^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(s),
		'This is not a mail address.'
	),
	staffId: z.string().nullish()
});

type RoundRow = {
	id: string;
	document_id: string;
	version_n: number;
	matter_id: string;
	title: string;
	message: string;
	in_order: number;
	wanted_by: string | null;
	expires: string | null;
	withdrawn_at: string | null;
	finished_version: number | null;
	created_by: string;
	created_at: string;
};
type SignerRow = {
	id: string;
	round_id: string;
	position: number;
	name: string;
	email: string;
	staff_id: string | null;
	token_hash: string | null;
	state: SignerState;
	told_at: string | null;
	opened_at: string | null;
	ended_at: string | null;
	address: string | null;
	agent: string | null;
	consent: string | null;
	reason: string | null;
};

const roundOf = (w: World, roundId: string) =>
	w.db.prepare<[string], RoundRow>('SELECT * FROM signing_round WHERE id = ?').get(roundId);
const signersOf = (w: World, roundId: string) =>
	w.db
		.prepare<[string], SignerRow>('SELECT * FROM signer WHERE round_id = ? ORDER BY position, id')
		.all(roundId);
const facts = (r: RoundRow, signers: SignerRow[]) => ({
	withdrawn: r.withdrawn_at !== null,
	expires: r.expires,
	inOrder: r.in_order === 1,
	signers
});

/** Sends one PDF to signers. A signer who is the sender alone signs at once: no mail is sent. */
export const startRound = command({
	name: 'start signing round',
	action: 'sign.request',
	input: z.object({
		documentId: id('a document'),
		title: text('The title', 200),
		message: maybeText('The message', 2000),
		inOrder: flag,
		wantedBy: maybeDay('Wanted by'),
		expires: maybeDay('The last day'),
		signers: z
			.array(signerSchema)
			.min(1, 'Name at least one signer.')
			.max(20, 'At most 20 signers.'),
		fields: z.array(fieldSchema).max(300)
	}),
	run(ctx, i, scribe) {
		const { d, m } = theDocument(ctx, i.documentId);
		const me = staffOf(ctx);
		if (d.media_type !== 'application/pdf')
			throw new Refused(
				'Only a PDF can be sent for signing. Assemble it as PDF first.',
				'documentId'
			);
		if (i.wantedBy && i.wantedBy < ctx.clock.today())
			throw new Refused('That day has passed.', 'wantedBy');
		if (new Set(i.signers.map((s) => s.email.toLowerCase())).size < i.signers.length)
			throw new Refused('A mail address is named twice.', 'signers');
		i.signers.forEach((s, n) => {
			if (!i.fields.some((f) => f.signer === n && f.kind === 'signature'))
				throw new Refused(`Place a signature for ${s.name} on the page.`, 'fields');
			if (
				s.staffId &&
				!ctx.db.prepare('SELECT 1 FROM staff WHERE id = ? AND active = 1').get(s.staffId)
			)
				throw new Refused('Choose a colleague.', 'signers');
		});
		if (
			ctx.db
				.prepare(
					"SELECT 1 FROM signing_round r WHERE r.document_id = ? AND r.withdrawn_at IS NULL AND r.finished_version IS NULL AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'waiting') AND NOT EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'declined')"
				)
				.get(d.id)
		)
			throw new Refused('This document is with signers already. Withdraw that round first.', '');
		const roundId = newId('rnd');
		ctx.db
			.prepare(
				'INSERT INTO signing_round (id, document_id, version_n, matter_id, title, message, in_order, wanted_by, expires, created_by, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				roundId,
				d.id,
				d.n,
				m.id,
				i.title,
				i.message,
				i.inOrder ? 1 : 0,
				i.wantedBy,
				i.expires,
				me.id,
				ctx.clock.now()
			);
		const ids = i.signers.map((s, n) => {
			const signerId = newId('sgr');
			ctx.db
				.prepare(
					"INSERT INTO signer (id, round_id, position, name, email, staff_id, state) VALUES (?, ?, ?, ?, ?, ?, 'waiting')"
				)
				.run(signerId, roundId, n, s.name, s.email, s.staffId ?? null);
			return signerId;
		});
		const add = ctx.db.prepare(
			'INSERT INTO signing_field (id, signer_id, kind, page, x, y, w, h, label) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)'
		);
		for (const f of i.fields) {
			const signerId = ids[f.signer];
			if (!signerId) throw new Refused('A field belongs to no signer.', 'fields');
			add.run(
				newId('fld'),
				signerId,
				f.kind,
				f.page,
				f.x,
				f.y,
				Math.min(f.w, 1 - f.x),
				Math.min(f.h, 1 - f.y),
				f.label
			);
		}
		scribe.matter(m.id);
		scribe.note({
			round: roundId,
			document: d.id,
			version: d.n,
			signers: i.signers.map((s) => s.email)
		});
		const alone = i.signers.length === 1 && i.signers[0]!.staffId === me.id;
		if (!alone) {
			scribe.log(
				m.id,
				'signing',
				`${i.title} sent to ${i.signers.map((s) => s.name).join(', ')} for signing.`,
				`/documents/${d.id}`
			);
			tellTurn(ctx, roundId);
		}
		return { roundId, signerIds: ids };
	}
});

type DocRow = {
	id: string;
	number: string;
	name: string;
	matter_id: string;
	n: number;
	sha256: string;
	media_type: string;
	base_sha256: string | null;
};
function documentRow(w: World, documentId: string): DocRow | undefined {
	return w.db
		.prepare<[string], DocRow>(
			'SELECT d.id, d.number, d.name, d.matter_id, v.n, v.sha256, v.media_type, v.base_sha256 FROM document d JOIN document_version v ON v.document_id = d.id WHERE d.id = ? ORDER BY v.n DESC LIMIT 1'
		)
		.get(documentId);
}
function theDocument(ctx: Ctx, documentId: string): { d: DocRow; m: MatterRow } {
	const d = documentRow(ctx, documentId);
	const m = d && findMatter(ctx.db, staffOf(ctx), { id: d.matter_id });
	if (!d || !m) throw new NotFound('document');
	return { d, m };
}

/** Mails whoever's turn it is and has not been told; an outside signer's link is made here and only its hash is kept. */
function tellTurn(ctx: Ctx, roundId: string): void {
	const r = roundOf(ctx, roundId)!;
	const sender = ctx.db
		.prepare<[string], { name: string }>('SELECT name FROM staff WHERE id = ?')
		.get(r.created_by)!;
	for (const { id: signerId } of turn(facts(r, signersOf(ctx, roundId)), ctx.clock.today())) {
		const s = ctx.db
			.prepare<[string], SignerRow>('SELECT * FROM signer WHERE id = ?')
			.get(signerId)!;
		if (s.told_at) continue;
		let link = `${ctx.origin}/signing/${s.id}`;
		let tokenHash: string | null = null;
		if (!s.staff_id) {
			const token = newToken();
			tokenHash = sha256(token);
			link = `${ctx.origin}/sign/${token}`;
		}
		ctx.db
			.prepare('UPDATE signer SET token_hash = ?, told_at = ? WHERE id = ?')
			.run(tokenHash, ctx.clock.now(), s.id);
		queueMail(ctx, newId('mal'), {
			matterId: r.matter_id,
			to: `${s.name} <${s.email}>`,
			subject: `Please sign: ${r.title}`,
			text: `${s.name},\n\n${sender.name} asks you to sign “${r.title}”.${r.wanted_by ? ` It is wanted by ${sayDate(plain(r.wanted_by))}.` : ''}\n${r.message ? `\n${r.message}\n` : ''}\n${s.staff_id ? `Open it here:\n${link}\n` : `Open it here; you need no account:\n${link}\n\nThe link is yours alone. Do not pass it on.\n`}`
		});
	}
}

/** Who signs, and through which door. */
export type Door = { token: string } | { signerId: string };
function throughDoor(ctx: Ctx, door: Door): { s: SignerRow; r: RoundRow } {
	let s: SignerRow | undefined;
	if ('token' in door)
		s = ctx.db
			.prepare<[string], SignerRow>('SELECT * FROM signer WHERE token_hash = ?')
			.get(sha256(door.token));
	else {
		s = ctx.db.prepare<[string], SignerRow>('SELECT * FROM signer WHERE id = ?').get(door.signerId);
		if (s && s.staff_id !== staffOf(ctx).id) s = undefined;
	}
	const r = s && roundOf(ctx, s.round_id);
	if (!s || !r) throw new NotFound('signing link');
	return { s, r };
}

export type SigningView = {
	signerId: string;
	name: string;
	email: string;
	state: SignerState;
	round: string;
	title: string;
	message: string;
	sentBy: string;
	endedAt: string | null;
	myTurn: boolean;
	wantedBy: string | null;
	documentName: string;
	sha256: string;
	fields: {
		id: string;
		kind: string;
		page: number;
		x: number;
		y: number;
		w: number;
		h: number;
		label: string;
	}[];
	documentId: string;
	matterNumber: string | null;
};
/** What a signer sees; undefined for a link that was never made. */
export function signingView(ctx: Ctx, door: Door): SigningView | undefined {
	let found: { s: SignerRow; r: RoundRow };
	try {
		found = throughDoor(ctx, door);
	} catch (e) {
		if (e instanceof NotFound) return undefined;
		throw e;
	}
	const { s, r } = found;
	const f = facts(r, signersOf(ctx, r.id));
	const today = ctx.clock.today();
	return {
		signerId: s.id,
		name: s.name,
		email: s.email,
		state: s.state,
		round: roundState(f, today),
		title: r.title,
		message: r.message,
		sentBy: ctx.db
			.prepare<[string], { name: string }>('SELECT name FROM staff WHERE id = ?')
			.get(r.created_by)!.name,
		endedAt: s.ended_at,
		myTurn: turn(f, today).some((t) => t.id === s.id),
		wantedBy: r.wanted_by,
		documentId: r.document_id,
		documentName: ctx.db
			.prepare<[string], { name: string }>('SELECT name FROM document WHERE id = ?')
			.get(r.document_id)!.name,
		sha256: ctx.db
			.prepare<[string, number], { sha256: string }>(
				'SELECT sha256 FROM document_version WHERE document_id = ? AND n = ?'
			)
			.get(r.document_id, r.version_n)!.sha256,
		fields: ctx.db
			.prepare<[string], SigningView['fields'][number]>(
				'SELECT id, kind, page, x, y, w, h, label FROM signing_field WHERE signer_id = ? ORDER BY page, y, x'
			)
			.all(s.id),
		matterNumber:
			'signerId' in door
				? ctx.db
						.prepare<[string], { number: string }>('SELECT number FROM matter WHERE id = ?')
						.get(r.matter_id)!.number
				: null
	};
}

const doorSchema = z.union([
	z.object({ token: z.string().max(100) }),
	z.object({ signerId: z.string().max(60) })
]);

/** Notes that a signer opened the document, once. */
export const openSigning = command({
	name: 'open for signing',
	action: null,
	input: z.object({ door: doorSchema }),
	run(ctx, i, scribe) {
		const { s, r } = throughDoor(ctx, i.door);
		if (s.opened_at || s.state !== 'waiting') return;
		ctx.db.prepare('UPDATE signer SET opened_at = ? WHERE id = ?').run(ctx.clock.now(), s.id);
		scribe.matter(r.matter_id);
		scribe.note({ signer: s.id });
	}
});

function refuseUnlessTurn(ctx: Ctx, s: SignerRow, r: RoundRow): void {
	if (s.state === 'signed')
		throw new Refused('You signed this already. A copy was sent to you when everyone had signed.');
	if (s.state === 'declined')
		throw new Refused('You declined this. Ask the sender for a new link.');
	const f = facts(r, signersOf(ctx, r.id));
	const state = roundState(f, ctx.clock.today());
	if (state === 'withdrawn')
		throw new Refused('The sender withdrew this. There is nothing left to sign.');
	if (state === 'expired')
		throw new Refused('The last day for signing has passed. Ask the sender for a new link.');
	if (state === 'declined') throw new Refused('Another signer declined, so this round has ended.');
	if (!turn(f, ctx.clock.today()).some((t) => t.id === s.id))
		throw new Refused('Others sign before you. You get a mail when it is your turn.');
}

const PNG = /^data:image\/png;base64,[A-Za-z0-9+/=]+$/;

/** Signs: every field filled, consent given, once. */
export const sign = command({
	name: 'sign',
	action: null,
	input: z.object({
		door: doorSchema,
		values: z.record(z.string(), z.string().max(400_000, 'The drawing is too large.')),
		consent: flag,
		address: maybeText('The address', 100),
		agent: maybeText('The program', 400)
	}),
	run(ctx, i, scribe) {
		const { s, r } = throughDoor(ctx, i.door);
		refuseUnlessTurn(ctx, s, r);
		if (!i.consent) throw new Refused('Tick that you agree to sign electronically.', 'consent');
		const fields = ctx.db
			.prepare<[string], { id: string; kind: string; label: string }>(
				'SELECT id, kind, label FROM signing_field WHERE signer_id = ?'
			)
			.all(s.id);
		const set = ctx.db.prepare('UPDATE signing_field SET value = ? WHERE id = ?');
		for (const f of fields) {
			const value =
				f.kind === 'date'
					? ctx.clock.today()
					: f.kind === 'name'
						? s.name
						: (i.values[f.id] ?? '').trim();
			if (f.kind !== 'check' && value === '')
				throw new Refused(
					f.kind === 'signature'
						? 'Your signature is missing.'
						: f.kind === 'initials'
							? 'Your initials are missing.'
							: `${f.label || 'A text'} is missing.`,
					f.id
				);
			if (value.startsWith('data:') && !PNG.test(value))
				throw new Refused('The drawing cannot be read. Draw it again.', f.id);
			if (!value.startsWith('data:') && value.length > 200)
				throw new Refused('This text is longer than 200 characters.', f.id);
			set.run(value, f.id);
		}
		const now = ctx.clock.now();
		ctx.db
			.prepare(
				"UPDATE signer SET state = 'signed', ended_at = ?, opened_at = coalesce(opened_at, ?), address = ?, agent = ?, consent = ? WHERE id = ?"
			)
			.run(now, now, i.address, i.agent, CONSENT, s.id);
		scribe.matter(r.matter_id);
		scribe.note({ round: r.id, signer: s.id, name: s.name });
		scribe.log(
			r.matter_id,
			'signing',
			`${s.name} signed ${r.title}.`,
			`/documents/${r.document_id}`
		);
		tellTurn(ctx, r.id);
		return {
			roundId: r.id,
			finished: roundState(facts(r, signersOf(ctx, r.id)), ctx.clock.today()) === 'finished'
		};
	}
});

export const decline = command({
	name: 'decline to sign',
	action: null,
	input: z.object({
		door: doorSchema,
		reason: text('The reason', 500),
		address: maybeText('The address', 100),
		agent: maybeText('The program', 400)
	}),
	run(ctx, i, scribe) {
		const { s, r } = throughDoor(ctx, i.door);
		refuseUnlessTurn(ctx, s, r);
		ctx.db
			.prepare(
				"UPDATE signer SET state = 'declined', ended_at = ?, address = ?, agent = ?, reason = ? WHERE id = ?"
			)
			.run(ctx.clock.now(), i.address, i.agent, i.reason, s.id);
		scribe.matter(r.matter_id);
		scribe.note({ round: r.id, signer: s.id, reason: i.reason });
		scribe.log(
			r.matter_id,
			'signing',
			`${s.name} declined to sign ${r.title}: ${i.reason}`,
			`/documents/${r.document_id}`
		);
		const sender = ctx.db
			.prepare<[string], { name: string; email: string }>(
				'SELECT name, email FROM staff WHERE id = ?'
			)
			.get(r.created_by)!;
		queueMail(ctx, newId('mal'), {
			matterId: r.matter_id,
			to: `${sender.name} <${sender.email}>`,
			subject: `Declined: ${r.title}`,
			text: `${s.name} declined to sign: ${i.reason}\n`
		});
	}
});

export const withdrawRound = command({
	name: 'withdraw signing round',
	action: 'sign.request',
	input: z.object({ roundId: id('a signing round') }),
	run(ctx, i, scribe: Scribe) {
		const r = roundOf(ctx, i.roundId);
		if (!r) throw new NotFound('signing round');
		const m = theMatter(ctx, r.matter_id);
		if (roundState(facts(r, signersOf(ctx, r.id)), ctx.clock.today()) !== 'with signers')
			throw new Refused('This round has ended already.');
		ctx.db
			.prepare('UPDATE signing_round SET withdrawn_at = ? WHERE id = ?')
			.run(ctx.clock.now(), r.id);
		scribe.matter(m.id);
		scribe.note({ round: r.id });
		scribe.log(
			m.id,
			'signing',
			`${r.title} withdrawn from signing.`,
			`/documents/${r.document_id}`
		);
	}
});

/** Files the sealed PDF as a new version and sends everyone a copy. */
const fileSealed = command({
	name: 'seal document',
	action: null,
	input: z.object({
		roundId: z.string(),
		file: z.object({
			sha256: z.string(),
			type: z.string(),
			fileName: z.string(),
			size: z.int(),
			text: z.string()
		}),
		baseSha256: z.string()
	}),
	run(ctx, i, scribe) {
		const r = roundOf(ctx, i.roundId)!;
		if (r.finished_version !== null) return;
		const n = addVersionRow(ctx, r.document_id, i.file, `signed: ${r.title}`, r.created_by);
		ctx.db
			.prepare('UPDATE document_version SET base_sha256 = ? WHERE document_id = ? AND n = ?')
			.run(i.baseSha256, r.document_id, n);
		ctx.db.prepare('UPDATE signing_round SET finished_version = ? WHERE id = ?').run(n, r.id);
		scribe.matter(r.matter_id);
		scribe.note({ round: r.id, version: n, sha256: i.file.sha256 });
		scribe.log(
			r.matter_id,
			'signing',
			`${r.title} is signed by everyone and sealed (version ${n}).`,
			`/documents/${r.document_id}`
		);
		const signers = signersOf(ctx, r.id);
		const sender = ctx.db
			.prepare<[string], { id: string; name: string; email: string }>(
				'SELECT id, name, email FROM staff WHERE id = ?'
			)
			.get(r.created_by)!;
		if (signers.length === 1 && signers[0]!.staff_id === sender.id) return;
		const people = new Map([
			...signers.map((s) => [s.email.toLowerCase(), s.name] as const),
			[sender.email.toLowerCase(), sender.name] as const
		]);
		for (const [email, name] of people)
			queueMail(ctx, newId('mal'), {
				matterId: r.matter_id,
				to: `${name} <${email}>`,
				subject: `Signed: ${r.title}`,
				text: `Everyone has signed “${r.title}”. Your copy is attached; its last page is the certificate.\n`,
				attachment: { sha256: i.file.sha256, name: i.file.fileName }
			});
	}
});

/** Makes and files the sealed PDF of a finished round. Safe to call again: a job does, should the program stop in between. */
export async function finishRound(w: World, roundId: string): Promise<void> {
	const r = roundOf(w, roundId);
	if (!r || r.finished_version !== null) return;
	const d = w.db
		.prepare<
			[string, number],
			{
				number: string;
				name: string;
				sha256: string;
				base_sha256: string | null;
				file_name: string;
			}
		>(
			'SELECT d.number, d.name, v.sha256, v.base_sha256, v.file_name FROM document d JOIN document_version v ON v.document_id = d.id WHERE d.id = ? AND v.n = ?'
		)
		.get(r.document_id, r.version_n)!;
	const fields = w.db
		.prepare<[string], StampField>(
			'SELECT f.kind, f.page, f.x, f.y, f.w, f.h, f.value FROM signing_field f JOIN signer s ON s.id = f.signer_id WHERE s.round_id = ?'
		)
		.all(roundId);
	const base = await stamp(w.files.get(d.base_sha256 ?? d.sha256), fields);
	const department = departmentName(w);
	const rounds = w.db
		.prepare<[string, string], RoundRow & { sender: string; shown: string }>(
			`SELECT r.*, s.name AS sender, v.sha256 AS shown FROM signing_round r JOIN staff s ON s.id = r.created_by JOIN document_version v ON v.document_id = r.document_id AND v.n = r.version_n
		 WHERE r.document_id = ? AND (r.finished_version IS NOT NULL OR r.id = ?) ORDER BY r.created_at`
		)
		.all(r.document_id, roundId);
	const certificate: CertificateRound[] = rounds.map((x) => ({
		title: x.title,
		sentBy: x.sender,
		sentAt: x.created_at,
		documentSha256: x.shown,
		signers: signersOf(w, x.id).map((s) => ({
			name: s.name,
			email: s.email,
			state: s.state,
			openedAt: s.opened_at,
			endedAt: s.ended_at,
			address: s.address,
			agent: s.agent,
			consent: s.consent
		}))
	}));
	const sealed = await seal(
		await certify(base, certificate, department, d.number),
		await w.seal(),
		department,
		`Signed: ${r.title}`
	);
	const file = await store(w, d.file_name.replace(/( signed)?\.pdf$/i, '') + ' signed.pdf', sealed);
	const done = fileSealed(
		{ ...w, actor: { guest: 'the department' } },
		{ roundId, file, baseSha256: w.files.put(base) }
	);
	if (!done.ok) throw new Error(Object.values(done.errors).join(' '));
}

/** Rounds that everyone signed but that were not sealed yet. */
export const unsealed = (w: World): string[] =>
	w.db
		.prepare<[], { id: string }>(
			"SELECT r.id FROM signing_round r WHERE r.finished_version IS NULL AND r.withdrawn_at IS NULL AND NOT EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state <> 'signed') AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id)"
		)
		.all()
		.map((r) => r.id);
