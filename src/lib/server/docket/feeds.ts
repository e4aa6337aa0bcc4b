/** Calendars that ordinary calendar programs subscribe to, and single dates sent to somebody outside. */
import { randomBytes } from 'node:crypto';
import { z } from 'zod';
import { addDays, date as plain, sayDate, type PlainDate } from '#core/dates/plain.ts';
import { command, NotFound, Refused, staffOf, type Staff, type World } from '../command.ts';
import { id, maybeText, text } from '../fields.ts';
import { newId, sha256 } from '../ids.ts';
import { queueMail, theMatter, visible } from '../trust/scope.ts';
import { bookIn } from './books.ts';
import { calendar, type IcsItem } from './ics.ts';
import { theDeadline } from './shared.ts';

type Sort = 'person' | 'matter' | 'department';
/** Makes a feed; its address is shown this once. Making one for the same thing again revokes the old. */
export const makeFeed = command({
	name: 'make feed',
	action: 'docket.read',
	input: z.object({
		sort: z.enum(['person', 'matter', 'department']),
		matterId: z.string().max(60).nullish()
	}),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const m = i.sort === 'matter' ? theMatter(ctx, i.matterId ?? '') : null;
		ctx.db
			.prepare(
				'UPDATE feed SET revoked_at = ? WHERE staff_id = ? AND sort = ? AND matter_id IS ? AND revoked_at IS NULL'
			)
			.run(ctx.clock.now(), me.id, i.sort, m?.id ?? null);
		const token = randomBytes(24).toString('base64url');
		const feedId = newId('fed');
		ctx.db
			.prepare(
				'INSERT INTO feed (id, digest, sort, matter_id, staff_id, made_at) VALUES (?, ?, ?, ?, ?, ?)'
			)
			.run(feedId, sha256(Buffer.from(token)), i.sort, m?.id ?? null, me.id, ctx.clock.now());
		if (m) scribe.matter(m.id);
		scribe.note({ feed: feedId, sort: i.sort });
		return { feedId, address: `${ctx.origin}/feed/${token}` };
	}
});
/** Ends a feed: its address says so from now on. One's own; an administrator any. */
export const revokeFeed = command({
	name: 'revoke feed',
	action: 'docket.read',
	input: z.object({ feedId: id('a feed') }),
	run(ctx, i, scribe) {
		const me = staffOf(ctx);
		const f = ctx.db
			.prepare<[string], { id: string; staff_id: string }>(
				'SELECT id, staff_id FROM feed WHERE id = ? AND revoked_at IS NULL'
			)
			.get(i.feedId);
		if (!f || (f.staff_id !== me.id && me.role !== 'administrator')) throw new NotFound('feed');
		ctx.db.prepare('UPDATE feed SET revoked_at = ? WHERE id = ?').run(ctx.clock.now(), f.id);
		scribe.note({ feed: f.id });
	}
});
export type FeedView = {
	id: string;
	sort: Sort;
	matterNumber: string | null;
	matterTitle: string | null;
	madeAt: string;
	readAt: string | null;
};
/** One's own feeds that are not revoked. */
export const myFeeds = (w: World, me: Staff): FeedView[] =>
	w.db
		.prepare<unknown[], FeedView>(
			`SELECT f.id, f.sort, m.number AS matterNumber, m.title AS matterTitle, f.made_at AS madeAt, f.read_at AS readAt FROM feed f LEFT JOIN matter m ON m.id = f.matter_id WHERE f.staff_id = @me AND f.revoked_at IS NULL AND (m.id IS NULL OR ${visible('m')}) ORDER BY f.made_at`
		)
		.all({ me: me.id });

type DateRow = {
	id: string;
	title: string;
	short: string;
	long: string;
	authority: string;
	date: PlainDate;
	time: string | null;
	state: string;
	version: number;
	place: string;
	link: string;
	book: string;
	number: string;
	matterTitle: string;
	status: string;
	matterVersion: number;
	internal: string | null;
	checked: number;
};
const COLUMNS = `d.id, d.title, d.short, d.long, d.authority, d.date, coalesce(d.hand_time, d.time) AS time, d.state, d.version, d.place, d.link, d.book, m.number, m.title AS matterTitle, m.status, m.version AS matterVersion, d.internal, d.checked_by IS NOT NULL AS checked`;

function item(w: World, d: DateRow): IcsItem {
	const off = d.state === 'vacated' || d.status === 'closed';
	return {
		uid: `${d.id}@kite-pen.local`,
		sequence: d.version - 1 + (d.matterVersion - 1),
		title: `${d.short || d.title}, ${d.matterTitle}${d.state === 'met' ? ' (met)' : d.checked || off ? '' : ' (not checked yet)'}`,
		date: d.date,
		time: d.time,
		zone: d.book ? bookIn(w, d.book).method.zone : w.clock.zone,
		description: [
			d.title,
			d.authority,
			d.internal ? `Our own date: ${sayDate(plain(d.internal))}` : '',
			d.long,
			`${w.origin}/matters/${d.number}/docket?count=${d.id}`
		]
			.filter(Boolean)
			.join('\n'),
		place: d.place,
		url: d.link || `${w.origin}/matters/${d.number}/docket?count=${d.id}`,
		cancelled: off,
		category: 'Deadline'
	};
}
/** Hearings and trials of matters; their own time, or all day. */
function hearings(w: World, where: string, p: Record<string, unknown>): IcsItem[] {
	return w.db
		.prepare<
			unknown[],
			{
				id: string;
				text: string;
				name: string;
				date: PlainDate;
				time: string | null;
				place: string;
				link: string;
				version: number;
				number: string;
				title: string;
				status: string;
				matterVersion: number;
				book: string;
			}
		>(
			`SELECT e.id, e.text, e.name, e.date, e.time, e.place, e.link, e.version, e.book, m.number, m.title, m.status, m.version AS matterVersion FROM event e JOIN matter m ON m.id = e.matter_id WHERE e.ahead IN ('hearing','trial') AND e.date >= @from AND ${where} ORDER BY e.date, e.id`
		)
		.all(p)
		.map((e) => ({
			uid: `${e.id}@kite-pen.local`,
			sequence: e.version - 1 + (e.matterVersion - 1),
			title: `${e.text}${e.name ? ` (${e.name})` : ''}, ${e.title}`,
			date: e.date,
			time: e.time,
			zone: e.book ? bookIn(w, e.book).method.zone : w.clock.zone,
			description: `${w.origin}/matters/${e.number}/docket`,
			place: e.place,
			url: e.link,
			cancelled: e.status === 'closed',
			category: 'Hearing'
		}));
}

/** What a feed's address answers: the calendar, or that it was revoked, or nothing. */
export function readFeed(w: World, token: string): { ics: string } | { revoked: true } | undefined {
	const f = w.db
		.prepare<
			[string],
			{
				id: string;
				sort: Sort;
				matter_id: string | null;
				staff_id: string;
				revoked_at: string | null;
				active: number;
				name: string;
			}
		>(
			'SELECT f.*, s.active, s.name FROM feed f JOIN staff s ON s.id = f.staff_id WHERE f.digest = ?'
		)
		.get(sha256(Buffer.from(token)));
	if (!f) return undefined;
	if (f.revoked_at !== null || f.active !== 1) return { revoked: true };
	w.db.prepare('UPDATE feed SET read_at = ? WHERE id = ?').run(w.clock.now(), f.id);
	const p = { me: f.staff_id, matter: f.matter_id, from: addDays(w.clock.today(), -120) };
	const where = `${visible('m')}${f.sort === 'matter' ? ' AND m.id = @matter' : f.sort === 'person' ? ' AND (m.responsible_id = @me OR EXISTS (SELECT 1 FROM matter_member x WHERE x.matter_id = m.id AND x.staff_id = @me))' : ''}`;
	const dates = w.db
		.prepare<unknown[], DateRow>(
			`SELECT ${COLUMNS} FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.state <> 'proposed' AND d.date >= @from AND ${where} ORDER BY d.date, d.id LIMIT 20000`
		)
		.all(p);
	return {
		ics: calendar([...dates.map((d) => item(w, d)), ...hearings(w, where, p)], {
			name:
				f.sort === 'person'
					? `Docket of ${f.name}`
					: f.sort === 'matter'
						? `Docket of ${dates[0]?.number ?? 'a matter'}`
						: 'Docket of the department',
			now: w.clock.now()
		})
	};
}

const said = (d: DateRow) =>
	JSON.stringify([d.date, d.time, d.state === 'vacated' || d.status === 'closed', d.place]);
/** Sends one docketed date to somebody outside as a calendar invitation; they are told when it changes or falls away. */
export const inviteToDate = command({
	name: 'invite to date',
	action: 'docket.change',
	input: z.object({
		deadlineId: id('a date'),
		name: text('The name', 120),
		email: text('The mail address', 200).refine(
			(s) => /^[^\s@<>]+@[^\s@<>]+\.[^\s@<>]+$/.test(s),
			'That is not a mail address.'
		),
		words: maybeText('The message', 1000)
	}),
	run(ctx, i, scribe) {
		const { d, m } = theDeadline(ctx, i.deadlineId);
		if (d.state !== 'docketed') throw new Refused('Only a docketed date is sent.');
		const me = staffOf(ctx);
		if (
			ctx.db
				.prepare('SELECT 1 FROM invitation WHERE deadline_id = ? AND email = ?')
				.get(d.id, i.email.toLowerCase())
		)
			throw new Refused(`${i.email} has this date already, and is told when it changes.`, 'email');
		const r = ctx.db
			.prepare<[string], DateRow>(
				`SELECT ${COLUMNS} FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.id = ?`
			)
			.get(d.id)!;
		ctx.db
			.prepare(
				'INSERT INTO invitation (id, deadline_id, name, email, words, sent_by, sent_at, said) VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
			)
			.run(
				newId('inv'),
				d.id,
				i.name,
				i.email.toLowerCase(),
				i.words,
				me.id,
				ctx.clock.now(),
				said(r)
			);
		sendInvitation(ctx, r, m.id, { name: i.name, email: i.email }, me, i.words);
		scribe.matter(m.id);
		scribe.note({ deadline: d.id, to: i.email });
		scribe.log(
			m.id,
			'date',
			`${d.title} ${sayDate(plain(d.date))} sent to ${i.name} <${i.email}> as a calendar invitation.`
		);
	}
});
/** Outside they learn the date and what the message says, not the matter's address or our own earlier date. */
function sendInvitation(
	w: World,
	r: DateRow,
	matterId: string,
	to: { name: string; email: string },
	from: { name: string; email: string },
	words: string
): void {
	const off = r.state === 'vacated' || r.status === 'closed';
	const one: IcsItem = { ...item(w, r), title: r.short || r.title, description: words, url: '' };
	const ics = calendar([one], {
		name: '',
		method: off ? 'CANCEL' : 'REQUEST',
		now: w.clock.now(),
		attendee: to,
		organizer: from
	});
	queueMail({ ...w, actor: { guest: 'invitation' } }, newId('mal'), {
		matterId,
		to: `${to.name.replace(/[<>"\r\n]/g, '')} <${to.email}>`,
		subject: `${off ? 'Cancelled: ' : ''}${one.title}, ${sayDate(r.date)}${r.time ? ` at ${r.time}` : ''}`,
		text: `${off ? 'This date no longer holds.' : `${one.title}\n${sayDate(r.date)}${r.time ? ` at ${r.time}` : ''}${r.place ? `\n${r.place}` : ''}`}\n\n${words}\n\n${from.name}\n`,
		attachment: { sha256: w.files.put(Buffer.from(ics)), name: off ? 'cancelled.ics' : 'date.ics' }
	});
}
/** Tells those outside whose date changed since they were last told; how many. */
export function updateInvitations(w: World): number {
	let n = 0;
	for (const i of w.db
		.prepare<
			[],
			{
				id: string;
				deadline_id: string;
				name: string;
				email: string;
				words: string;
				said: string;
				byName: string;
				byEmail: string;
				matter_id: string;
			}
		>(
			'SELECT i.*, s.name AS byName, s.email AS byEmail, d.matter_id FROM invitation i JOIN staff s ON s.id = i.sent_by JOIN deadline d ON d.id = i.deadline_id'
		)
		.all()) {
		const r = w.db
			.prepare<[string], DateRow>(
				`SELECT ${COLUMNS} FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.id = ?`
			)
			.get(i.deadline_id)!;
		if (said(r) === i.said) continue;
		w.db
			.transaction(() => {
				if (
					w.db
						.prepare('UPDATE invitation SET said = ?, sent_at = ? WHERE id = ? AND said = ?')
						.run(said(r), w.clock.now(), i.id, i.said).changes === 0
				)
					return;
				sendInvitation(
					w,
					r,
					i.matter_id,
					{ name: i.name, email: i.email },
					{ name: i.byName, email: i.byEmail },
					i.words
				);
				n++;
			})
			.immediate();
	}
	return n;
}
/** The dates of a report as a calendar file. */
export const datesIcs = (w: World, ids: readonly string[]): string =>
	calendar(
		ids.map((x) =>
			item(
				w,
				w.db
					.prepare<[string], DateRow>(
						`SELECT ${COLUMNS} FROM deadline d JOIN matter m ON m.id = d.matter_id WHERE d.id = ?`
					)
					.get(x)!
			)
		),
		{ name: 'Docket report', now: w.clock.now() }
	);
