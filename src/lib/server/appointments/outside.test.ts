/** Appointments outside the house: feeds, and invitations to those who are at them. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import ICAL from 'ical.js';
import { makeFeed, readFeed } from '#server/docket/feeds.ts';
import { all } from '#server/db/sql.ts';
import { plainDate } from '#core/dates/plain.ts';
import { listCalendarItems } from '#server/calendar-sheet/items.ts';
import { checkInterest } from '#server/interest/commands.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { closeMatter, reopenMatter } from '#server/matters/status.ts';
import { search } from '#server/search/queries.ts';
import { ended, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addAppointment, callOffAppointment, moveAppointment } from './commands.ts';
import { inviteGuests } from './invite.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});
const PLAN = { subject: 'Standing call', day: '2026-11-24', from: '10:00', to: '11:00' };
const GUESTS = [{ name: 'Ada Lindqvist', email: 'ada@adjuster.example' }];
const add = (more: object = {}, login = 'okafor') =>
	good(addAppointment(house.as(login), { ...PLAN, ...more })).appointmentId;
const eventsOf = (text: string) =>
	new ICAL.Component(ICAL.parse(text) as never)
		.getAllSubcomponents('vevent')
		.map((component) => new ICAL.Event(component));

async function readOwn(input: Parameters<typeof makeFeed>[1], login = 'okafor'): Promise<string> {
	const { address } = good(makeFeed(house.as(login), input));
	const answer = await readFeed(house, address.split('/').at(-1)!);
	assert.ok(answer && 'ics' in answer);
	return answer.ics;
}

describe('a feed', () => {
	it('has one’s appointments, as they come again, with the days on which they do not', async () => {
		const id = add({ rule: 'FREQ=WEEKLY;UNTIL=20261222;BYDAY=TU' });
		const off = { appointmentId: id, onDay: '2026-12-01', scope: 'this' as const, reason: '' };
		good(callOffAppointment(house.as('okafor'), off));
		add({ subject: 'Offsite', from: '', to: '', lastDay: '2026-11-25' });
		add({ subject: 'Not hers' }, 'wardle');
		const events = eventsOf(await readOwn({ sort: 'person' }));
		assert.deepEqual(events.map(({ summary }) => summary).sort(), ['Offsite', 'Standing call']);
		const series = events.find(({ summary }) => summary === 'Standing call')!;
		const days: string[] = [];
		const each = series.iterator();
		for (let next = each.next(); next; next = each.next()) days.push(next.toString());
		assert.deepEqual(days, [
			'2026-11-24T10:00:00',
			'2026-12-08T10:00:00',
			'2026-12-15T10:00:00',
			'2026-12-22T10:00:00'
		]);
		assert.equal(series.duration.toSeconds(), 3600);
		const offsite = events.find(({ summary }) => summary === 'Offsite')!;
		assert.equal(offsite.endDate.toString(), '2026-11-26');
		assert.equal(offsite.component.getFirstPropertyValue('transp'), 'TRANSPARENT');
	});
	it('and a calendar say nothing of a matter that was restricted since, to those at it', async () => {
		const { matterId } = await newMatter(house);
		add({ matterId, subject: 'Talk', staff: ['stf_okafor', 'stf_wardle'] });
		good(restrictMatter(house.as('okafor'), { matterId, restricted: true }));
		const day = plainDate('2026-11-24');
		const shown = (login: string) =>
			JSON.stringify(
				listCalendarItems(house, house.staff(login), {
					...{ from: day, to: day },
					staff: [`stf_${login}`]
				})
			);
		assert.match(shown('okafor'), /Talk.*LF-2026-0001/);
		assert.match(shown('wardle'), /Talk/);
		const feed = await readOwn({ sort: 'person' }, 'wardle');
		assert.match(feed, /SUMMARY:Talk/);
		assert.doesNotMatch(shown('wardle') + feed, /LF-2026-0001/);
	});
	it('of a matter has what may be read of it, and nothing private of others', async () => {
		const { matterId } = await newMatter(house);
		add({ matterId, subject: 'Site visit' });
		add({ matterId, subject: 'Own worry', private: true });
		const text = await readOwn({ sort: 'matter', matterId }, 'wardle');
		assert.match(text, /SUMMARY:Site visit\\, LF-2026-0001/);
		assert.doesNotMatch(text, /Own worry/);
	});
});

describe('an invitation', () => {
	const sent = () =>
		all<{ recipient: string; subject: string; text: string; sha: string }>(
			house.db,
			`SELECT recipient, subject, text, attachment_sha256 AS sha
			FROM mail_out
			WHERE attachment_sha256 IS NOT NULL
			ORDER BY id`
		).map(({ sha, ...mail }) => ({ ...mail, ics: house.files.get(sha).toString() }));
	const at = async (hour: number) => {
		house.set('2026-11-23', hour);
		await inviteGuests(house);
	};
	const part = (ics: string, name: string) =>
		new RegExp(`^${name}:(.*)$`, 'm').exec(ics)?.[1]?.trim();

	it('is sent once it is at rest, again with a higher number, and called off', async () => {
		const id = add({ guests: GUESTS, notes: 'What we think of her', place: 'Pier 9' });
		await inviteGuests(house);
		assert.equal(sent().length, 0);
		await at(10);
		await at(11);
		const when = { appointmentId: id, day: PLAN.day, from: '14:00', to: '15:00' };
		good(moveAppointment(house.as('okafor'), when));
		await at(12);
		good(callOffAppointment(house.as('okafor'), { appointmentId: id, reason: '' }));
		await at(13);
		await at(14);
		const mails = sent();
		assert.deepEqual(
			mails.map(({ ics }) => [part(ics, 'METHOD'), part(ics, 'SEQUENCE'), part(ics, 'UID')]),
			[
				['REQUEST', '0', `${id}@kite-pen.local`],
				['REQUEST', '1', `${id}@kite-pen.local`],
				['CANCEL', '2', `${id}@kite-pen.local`]
			]
		);
		assert.match(mails[0]!.ics, /ATTENDEE;.*ada@adjuster\.example/s);
		for (const { text, ics } of mails) assert.doesNotMatch(text + ics, /What we think|LF-2026/);
		assert.match(mails[2]!.text, /does not take place/);
	});
	it('is not sent of what is private', async () => {
		add({ guests: GUESTS, private: true });
		await at(10);
		assert.equal(sent().length, 0);
	});
});

describe('what is written of an appointment', () => {
	const found = (login: string, words: string) =>
		search(house, house.staff(login), words).map(({ kind, title }) => `${kind} ${title}`);
	it('is found, with who comes from outside; what is private is found by nobody', async () => {
		const { matterId } = await newMatter(house, { restricted: true, title: 'Whisper' });
		add({ subject: 'Barnacle survey', guests: [{ name: 'Thaddeus Plank' }] });
		add({ subject: 'Barnacle secret', private: true });
		add({ subject: 'Barnacle whisper', matterId });
		assert.deepEqual(found('wardle', 'barnacle'), ['appointment Barnacle survey']);
		assert.deepEqual(found('wardle', 'thaddeus'), ['appointment Barnacle survey']);
		assert.equal(found('okafor', 'barnacle').length, 2);
		const { checkId } = good(await checkInterest(house.as('wardle'), { names: 'Thadeus Plank' }));
		assert.match(
			JSON.stringify(
				all(house.db, 'SELECT * FROM interest_check WHERE id = @checkId', { checkId })
			),
			/Barnacle survey/
		);
	});
	it('goes from the calendars when its matter is closed, and comes back', async () => {
		const { matterId } = await newMatter(house);
		add({ matterId, rule: 'FREQ=WEEKLY;BYDAY=TU' });
		const count = () =>
			listCalendarItems(house, house.staff('okafor'), {
				from: plainDate('2026-11-23'),
				to: plainDate('2026-12-31'),
				staff: ['stf_okafor']
			}).length;
		assert.equal(count(), 6);
		house.set('2026-12-02');
		good(
			await closeMatter(house.as('okafor'), {
				...ended({ matterId }),
				reason: 'Settled',
				tasks: Object.fromEntries(
					all<{ id: string }>(house.db, 'SELECT id FROM task').map(({ id }) => [id, 'done'])
				)
			})
		);
		assert.equal(count(), 2);
		good(reopenMatter(house.as('okafor'), { matterId, reason: 'Appeal' }));
		assert.equal(count(), 6);
	});
});
