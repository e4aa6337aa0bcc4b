/** What a business partner asks of the department, before there is a matter. */
import { z } from 'zod';
import { command, NotFound, Refused, staffOf, type Ctx } from '../command.ts';
import type { Stored } from '../documents/commands.ts';
import { flag, id, maybeDay, maybeId, maybeText, text } from '../fields.ts';
import { newId } from '../ids.ts';
import { takeOver } from '../matters/open.ts';
import { findMatter, onMatter, queueMail } from '../trust/scope.ts';

export const URGENCY = { normal: 'no hurry', soon: 'soon', urgent: 'urgent' } as const;
type Row = {
	id: string;
	number: string | null;
	staff_id: string;
	unit_id: string | null;
	about: string;
	words: string;
	counterparty: string;
	state: string;
	taken_by: string | null;
	matter_id: string | null;
	version: number;
};

/** One's own request. */
function mine(ctx: Ctx, requestId: string): Row {
	const r = ctx.db
		.prepare<[string, string], Row>('SELECT * FROM request WHERE id = ? AND staff_id = ?')
		.get(requestId, staffOf(ctx).id);
	if (!r) throw new NotFound('request');
	return r;
}
/** A request that was sent, for the department. */
function sent(ctx: Ctx, requestId: string): Row & { number: string; staff: string; email: string } {
	const r = ctx.db
		.prepare<[string], Row & { number: string; staff: string; email: string }>(
			"SELECT r.*, s.name AS staff, s.email FROM request r JOIN staff s ON s.id = r.staff_id WHERE r.id = ? AND r.state <> 'draft'"
		)
		.get(requestId);
	if (!r) throw new NotFound('request');
	return r;
}
const OPEN = ['sent', 'taken', 'asked'];
const word = (ctx: Ctx, requestId: string, kind: 'question' | 'answer' | 'state', words: string) =>
	void ctx.db
		.prepare(
			'INSERT INTO request_word (id, request_id, at, staff_id, kind, text) VALUES (?, ?, ?, ?, ?, ?)'
		)
		.run(newId('rqw'), requestId, ctx.clock.now(), staffOf(ctx).id, kind, words);
const tell = (
	ctx: Ctx,
	r: { id: string; number: string; staff: string; email: string },
	subject: string,
	words: string
) =>
	queueMail(ctx, newId('mal'), {
		matterId: null,
		to: `${r.staff} <${r.email}>`,
		subject: `${r.number}: ${subject}`,
		text: `${words}\n\n${ctx.origin}/requests/${r.id}\n`
	});
function tellTriage(
	ctx: Ctx,
	r: { id: string; number: string; taken_by: string | null },
	subject: string,
	words: string
): void {
	const to = ctx.db
		.prepare<[string], { name: string; email: string }>(
			'SELECT name, email FROM staff WHERE active = 1 AND id = ?'
		)
		.all(r.taken_by ?? '');
	const who = to.length
		? to
		: ctx.db
				.prepare<[], { name: string; email: string }>(
					"SELECT name, email FROM staff WHERE active = 1 AND role IN ('paralegal')"
				)
				.all();
	for (const s of who)
		queueMail(ctx, newId('mal'), {
			matterId: null,
			to: `${s.name} <${s.email}>`,
			subject: `${r.number}: ${subject}`,
			text: `${words}\n\n${ctx.origin}/requests/${r.id}\n`
		});
}
function addFiles(ctx: Ctx, requestId: string, files: readonly Stored[]): void {
	const had = ctx.db
		.prepare<[string], { n: number }>('SELECT count(*) AS n FROM request_file WHERE request_id = ?')
		.get(requestId)!.n;
	if (had + files.length > 20) throw new Refused('At most 20 files with a request.', 'files');
	for (const f of files)
		ctx.db
			.prepare(
				'INSERT INTO request_file (id, request_id, sha256, media_type, file_name, size, text, at, staff_id) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				newId('rqf'),
				requestId,
				f.sha256,
				f.type,
				f.fileName,
				f.size,
				f.text,
				ctx.clock.now(),
				staffOf(ctx).id
			);
}
const storedFiles = z
	.array(
		z.object({
			sha256: z.string().length(64),
			type: z.string(),
			fileName: z.string().max(200),
			size: z.int(),
			text: z.string()
		})
	)
	.max(20, 'At most 20 files with a request.')
	.default([]);

/** Keeps a draft, or sends it. A draft is seen by nobody else. */
export const writeRequest = command({
	name: 'write request',
	action: 'request.own',
	input: z.object({
		requestId: maybeId,
		send: flag,
		about: text('What it is about', 300),
		words: maybeText('The description', 8000),
		unitId: maybeId,
		counterparty: maybeText('The counterparty', 200),
		urgency: z
			.enum(['normal', 'soon', 'urgent'], { error: 'Choose how urgent it is.' })
			.default('normal'),
		wantedBy: maybeDay('The day'),
		files: storedFiles
	}),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const old = i.requestId ? mine(ctx, i.requestId) : null;
		if (old && old.state !== 'draft')
			throw new Refused('This request was sent already. Add to it with an answer.');
		if (i.unitId && !ctx.db.prepare('SELECT 1 FROM business_unit WHERE id = ?').get(i.unitId))
			throw new Refused('Choose a business unit.', 'unitId');
		if (i.send && !i.unitId) throw new Refused('Choose the business unit it is for.', 'unitId');
		if (i.send && i.wantedBy && i.wantedBy < ctx.clock.today())
			throw new Refused('That day has passed already.', 'wantedBy');
		const requestId = old?.id ?? newId('req');
		if (old)
			ctx.db
				.prepare(
					'UPDATE request SET about = ?, words = ?, unit_id = ?, counterparty = ?, urgency = ?, wanted_by = ?, version = version + 1 WHERE id = ?'
				)
				.run(i.about, i.words, i.unitId, i.counterparty, i.urgency, i.wantedBy, requestId);
		else
			ctx.db
				.prepare(
					"INSERT INTO request (id, staff_id, about, words, unit_id, counterparty, urgency, wanted_by, state, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, 'draft', ?)"
				)
				.run(
					requestId,
					me.id,
					i.about,
					i.words,
					i.unitId,
					i.counterparty,
					i.urgency,
					i.wantedBy,
					ctx.clock.now()
				);
		addFiles(ctx, requestId, i.files);
		let number: string | null = null;
		if (i.send) {
			const year = Number(ctx.clock.today().slice(0, 4));
			const n = ctx.db
				.prepare<[number], { last: number }>(
					'INSERT INTO request_series (year, last) VALUES (?, 1) ON CONFLICT (year) DO UPDATE SET last = last + 1 RETURNING last'
				)
				.get(year)!.last;
			number = `RQ-${year}-${String(n).padStart(4, '0')}`;
			ctx.db
				.prepare("UPDATE request SET number = ?, state = 'sent', sent_at = ? WHERE id = ?")
				.run(number, ctx.clock.now(), requestId);
			word(ctx, requestId, 'state', 'Sent to the legal department.');
			tellTriage(
				ctx,
				{ id: requestId, number, taken_by: null },
				'a new request',
				`${me.name} asks: ${i.about}`
			);
		}
		scribe.note({ request: requestId, number, sent: i.send, files: i.files.length });
		return { requestId, number };
	}
});

export const dropDraft = command({
	name: 'drop request draft',
	action: 'request.own',
	input: z.object({ requestId: id('a request') }),
	run(ctx, i, scribe) {
		const r = mine(ctx, i.requestId);
		if (r.state !== 'draft')
			throw new Refused('This request was sent already: withdraw it instead.');
		ctx.db.prepare('DELETE FROM request_file WHERE request_id = ?').run(r.id);
		ctx.db.prepare('DELETE FROM request WHERE id = ?').run(r.id);
		scribe.note({ request: r.id });
	}
});

/** An answer to the department's question, or a word more. */
export const answerRequest = command({
	name: 'answer request',
	action: 'request.own',
	input: z.object({
		requestId: id('a request'),
		words: text('Your words', 8000),
		files: storedFiles
	}),
	run(ctx, i, scribe) {
		const r = mine(ctx, i.requestId);
		if (!OPEN.includes(r.state))
			throw new Refused(
				r.state === 'draft'
					? 'Send the request first.'
					: 'This request is finished. Send a new one.'
			);
		word(ctx, r.id, 'answer', i.words);
		addFiles(ctx, r.id, i.files);
		if (r.state === 'asked')
			ctx.db
				.prepare("UPDATE request SET state = 'taken', version = version + 1 WHERE id = ?")
				.run(r.id);
		tellTriage(
			ctx,
			{ id: r.id, number: r.number!, taken_by: r.taken_by },
			'an answer',
			`${staffOf(ctx).name}: ${i.words}`
		);
		scribe.note({ request: r.id });
	}
});
export const withdrawRequest = command({
	name: 'withdraw request',
	action: 'request.own',
	input: z.object({ requestId: id('a request'), reason: maybeText('The reason', 1000) }),
	run(ctx, i, scribe) {
		const r = mine(ctx, i.requestId);
		if (!OPEN.includes(r.state))
			throw new Refused(
				r.state === 'draft'
					? 'A draft is not sent yet: drop it instead.'
					: r.state === 'matter'
						? 'The department is at work on it already. Ask them to stop.'
						: 'This request is finished.'
			);
		ctx.db
			.prepare(
				"UPDATE request SET state = 'withdrawn', reason = ?, ended_at = ?, version = version + 1 WHERE id = ?"
			)
			.run(i.reason, ctx.clock.now(), r.id);
		word(ctx, r.id, 'state', `Withdrawn${i.reason ? `: ${i.reason}` : '.'}`);
		if (r.taken_by)
			tellTriage(
				ctx,
				{ id: r.id, number: r.number!, taken_by: r.taken_by },
				'withdrawn',
				`${staffOf(ctx).name} withdrew it${i.reason ? `: ${i.reason}` : '.'}`
			);
		scribe.note({ request: r.id });
	}
});

export const takeRequest = command({
	name: 'take request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request') }),
	run(ctx, i, scribe) {
		const r = sent(ctx, i.requestId),
			me = staffOf(ctx);
		if (!OPEN.includes(r.state)) throw new Refused('This request is finished.');
		if (r.taken_by === me.id) throw new Refused('You have it already.');
		ctx.db
			.prepare(
				"UPDATE request SET taken_by = ?, state = CASE state WHEN 'sent' THEN 'taken' ELSE state END, version = version + 1 WHERE id = ?"
			)
			.run(me.id, r.id);
		word(ctx, r.id, 'state', `${me.name} looks at it.`);
		if (!r.taken_by)
			tell(
				ctx,
				r,
				'someone looks at it',
				`${me.name} of the legal department looks at your request: ${r.about}`
			);
		scribe.note({ request: r.id });
	}
});
export const askBack = command({
	name: 'ask back on request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), words: text('The question', 4000) }),
	run(ctx, i, scribe) {
		const r = sent(ctx, i.requestId),
			me = staffOf(ctx);
		if (!OPEN.includes(r.state)) throw new Refused('This request is finished.');
		ctx.db
			.prepare(
				"UPDATE request SET state = 'asked', taken_by = coalesce(taken_by, ?), version = version + 1 WHERE id = ?"
			)
			.run(me.id, r.id);
		word(ctx, r.id, 'question', i.words);
		tell(ctx, r, 'a question for you', `${me.name} asks: ${i.words}`);
		scribe.note({ request: r.id });
	}
});
export const turnDown = command({
	name: 'turn down request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), reason: text('The reason', 2000) }),
	run(ctx, i, scribe) {
		const r = sent(ctx, i.requestId),
			me = staffOf(ctx);
		if (!OPEN.includes(r.state)) throw new Refused('This request is finished.');
		ctx.db
			.prepare(
				"UPDATE request SET state = 'turned down', reason = ?, taken_by = coalesce(taken_by, ?), ended_at = ?, version = version + 1 WHERE id = ?"
			)
			.run(i.reason, me.id, ctx.clock.now(), r.id);
		word(ctx, r.id, 'state', `Turned down: ${i.reason}`);
		tell(ctx, r, 'turned down', `${me.name} turned your request down: ${i.reason}`);
		scribe.note({ request: r.id });
	}
});
/** Puts a request to a matter that exists: its words and files go into the matter. */
export const mergeRequest = command({
	name: 'merge request',
	action: 'request.triage',
	input: z.object({ requestId: id('a request'), number: text('The number of the matter', 40) }),
	run(ctx, i, scribe) {
		const r = sent(ctx, i.requestId),
			me = staffOf(ctx);
		if (!OPEN.includes(r.state)) throw new Refused('This request is finished.');
		const m = findMatter(ctx.db, me, { number: i.number });
		if (!m) throw new Refused(`There is no matter ${i.number} that you may see.`, 'number');
		if (m.status === 'closed')
			throw new Refused('That matter is closed: reopen it first.', 'number');
		takeOver(ctx, m.id, r, scribe);
		ctx.db
			.prepare(
				"UPDATE request SET state = 'matter', matter_id = ?, taken_by = coalesce(taken_by, ?), ended_at = ?, version = version + 1 WHERE id = ?"
			)
			.run(m.id, me.id, ctx.clock.now(), r.id);
		word(ctx, r.id, 'state', 'In work, with something the department is at already.');
		tell(ctx, r, 'in work', `The legal department has begun to work on your request: ${r.about}`);
		for (const s of onMatter(ctx.db, m.id))
			if (s.id === m.responsible_id && s.id !== me.id)
				queueMail(ctx, newId('mal'), {
					matterId: m.id,
					to: `${s.name} <${s.email}>`,
					subject: `${m.number}: a request joins it`,
					text: `${r.number} of ${r.staff}: ${r.about}\n\n${ctx.origin}/matters/${m.number}/logbook\n`
				});
		scribe.matter(m.id);
		scribe.note({ request: r.id, matter: m.number });
		return { number: m.number };
	}
});
