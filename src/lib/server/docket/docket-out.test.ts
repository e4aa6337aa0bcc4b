/**
 * What leaves the docket: reminders that are told once also through a kill, feeds and invitations,
 * reports.
 */
import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeEach, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import ExcelJS from 'exceljs';
import { convertIcsCalendar } from 'ts-ics';
import { addDays, plainDate } from '#core/dates/plain.ts';
import { parseLadder, rungAt } from '#core/reminders/ladder.ts';
import { readCalendarFile } from '#server/calendar/file.ts';
import { parseCalendar } from '#server/calendar/read.ts';
import { addMember } from '#server/matters/members.ts';
import { sendDigests } from '#server/reminders/digests.ts';
import { muteMatter, seeReminder, setLadder } from '#server/reminders/commands.ts';
import { listMyReminders } from '#server/reminders/queries.ts';
import { sendReminders } from '#server/reminders/send.ts';
import { setSupervisor } from '#server/staff/commands.ts';
import { checkDeadlines, vacateDeadline } from './deadlines.ts';
import { editDeadline } from './details.ts';
import { moveDeadline } from './reschedule.ts';
import { addDeadline, bringCalendar } from './by-hand.ts';
import { enterEvent } from './events.ts';
import { makeFeed, readFeed, revokeFeed } from './feeds.ts';
import { listJobs } from '#server/jobs/registry.ts';
import { inviteToDate } from './invitations.ts';
import { parseDocketFilter } from './filter-words.ts';
import { parseReport, makeReport } from './report.ts';
import { makeWorkbook } from '#server/files/workbook.ts';
import { makeReportCsv, makeReportPdf, makeReportSheet } from './report-files.ts';
import { makeReportCalendar } from './report-calendar.ts';
import { mailReport } from './report-mail.ts';
import { all, one, run, scalar } from '#server/db/sql.ts';

import { closeMatter, reopenMatter } from '#server/matters/status.ts';

import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';

let house: TestHouse;
let matterId: string, number: string;
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house));
	good(addMember(house.as('okafor'), { matterId, staffId: 'stf_castellan' }));
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: SUMMONS,
			date: '2026-11-09',
			service: 'mail',
			docket: ['answer-or-rule-12-motion']
		})
	);
});
const due = () =>
	one<{ id: string; date: string; version: number }>(
		house.db,
		"SELECT id, date, version FROM deadline WHERE title LIKE 'Answer%'"
	);
/** One pass of the job; how many were told. */
const updateInvitations = async (): Promise<number> => {
	const job = listJobs({ transport: null as never, from: '', heads: '' }).find(
		({ name }) => name === 'invitations'
	)!;
	return (await job.run(house)).worked;
};
const mails = (like: string) =>
	all<{
		recipient: string;
		subject: string;
		text: string;
		matter_id: string | null;
		attachment_sha256: string | null;
	}>(house.db, 'SELECT * FROM mail_out WHERE subject LIKE @like ORDER BY id', { like });

describe('the reminder ladder', () => {
	it('is read from what one types, and stands on the nearest rung reached', () => {
		assert.deepEqual(parseLadder('30, 14 7;1 0 +1'), { ladder: [30, 14, 7, 1, 0, -1] });
		assert.deepEqual(parseLadder(' '), { ladder: null });
		for (const wrong of ['soon', '400, 1', '30, 14', '-3'])
			assert.ok('error' in parseLadder(wrong), wrong);
		assert.deepEqual(
			[31, 30, 20, 14, 0, -1, -5].map((left) => rungAt([30, 14, 7, 0, -1], left)),
			[undefined, 30, 30, 14, 0, -1, -1]
		);
	});
	it('goes by kind, then matter, then date', async () => {
		const told = async (from: string, to: string) => {
			const days: string[] = [];
			for (let day = plainDate(from); day <= to; day = addDays(day, 1)) {
				house.set(day);
				if ((await sendReminders(house)).worked) days.push(day);
			}
			return days;
		};
		good(setLadder(house.as('okafor'), { matterId, ladder: '5, 0' }));
		assert.deepEqual(
			await told('2026-11-24', '2026-11-26'),
			['2026-11-25'],
			'due on the 30th: five days before'
		);
		good(setLadder(house.as('okafor'), { matterId, deadlineId: due().id, ladder: '3, 0' }));
		assert.deepEqual(
			await told('2026-11-26', '2026-11-27'),
			['2026-11-27'],
			'the date has a ladder of its own'
		);
		assert.match(
			bad(setLadder(house.as('okafor'), { matterId, ladder: 'now' }))['ladder']!,
			/days before/
		);
		assert.match(
			bad(setLadder(house.as('okafor'), { matterId, ladder: '60, 30' }))['ladder']!,
			/last week/
		);
	});
	it('tells the first rung of a date that was docketed the evening before, when it was that day already in UTC', async () => {
		good(setLadder(house.as('okafor'), { matterId, ladder: '5, 0' }));
		house.set('2026-11-26', 20);
		good(
			addDeadline(house.as('okafor'), {
				matterId,
				title: 'Evening filing',
				date: '2026-12-02',
				authority: 'Order of 26 November'
			})
		);
		house.set('2026-11-27');
		assert.ok((await sendReminders(house)).worked);
		assert.equal(
			mails('%Evening filing%').filter((mail) => mail.subject.startsWith(number)).length > 0,
			true
		);
	});
	it('can be muted, but for the last rungs', async () => {
		good(setLadder(house.as('okafor'), { matterId, ladder: '5, 1, 0' }));
		good(muteMatter(house.as('castellan'), { matterId }));
		house.set('2026-11-25');
		await sendReminders(house);
		const to = () => mails(`${number}: Answer%`).map((mail) => mail.recipient.split(' ')[0]);
		assert.ok(to().includes('Ines') && !to().includes('Dorit'));
		house.set('2026-11-29');
		await sendReminders(house);
		assert.ok(to().includes('Dorit'));
	});
	it('is seen, and what nobody has seen on its last rung goes to the supervisor once', async () => {
		good(
			setSupervisor(house.as('castellan'), { staffId: 'stf_okafor', supervisorId: 'stf_wardle' })
		);
		assert.match(
			bad(
				setSupervisor(house.as('castellan'), { staffId: 'stf_wardle', supervisorId: 'stf_okafor' })
			)['supervisorId']!,
			/circle/
		);
		assert.equal(
			setSupervisor(house.as('okafor'), { staffId: 'stf_okafor', supervisorId: null }).ok,
			false
		);
		good(setLadder(house.as('okafor'), { matterId, ladder: '3, 1, 0' }));
		house.set('2026-11-29');
		await sendReminders(house);
		assert.equal(mails('Nobody has seen%').length, 0, 'the day it is told is theirs');
		const mine = listMyReminders(house, house.staff('okafor'));
		assert.deepEqual(
			mine.map((reminder) => [reminder.title, reminder.rung, reminder.last]),
			[['Answer or Rule 12 motion', 1, true]]
		);
		house.set('2026-11-30');
		await sendReminders(house);
		await sendReminders(house);
		assert.deepEqual(
			mails('Nobody has seen%').map((mail) => mail.recipient.split(' ')[0]),
			['Tamsin']
		);
		good(seeReminder(house.as('okafor'), { deadlineId: due().id }));
		assert.equal(listMyReminders(house, house.staff('okafor')).length, 0);
		assert.match(
			bad(seeReminder(house.as('okafor'), { deadlineId: due().id }))['']!,
			/no such reminder/
		);
	});
	it('does not go to the supervisor where one has seen it', async () => {
		run(house.db, "UPDATE staff SET supervisor_id = 'stf_wardle' WHERE id = 'stf_okafor'");
		good(setLadder(house.as('okafor'), { matterId, ladder: '1, 0' }));
		house.set('2026-11-29');
		await sendReminders(house);
		good(seeReminder(house.as('castellan'), { deadlineId: due().id }));
		house.set('2026-11-30');
		await sendReminders(house);
		assert.equal(mails('Nobody has seen%').length, 0);
	});
	it(
		'tells each person once though the process is killed again and again',
		{ timeout: 120_000 },
		async () => {
			const folder = mkdtempSync(join(tmpdir(), 'kite-kill-'));
			const file = join(folder, 'kill.db');
			good(setLadder(house.as('okafor'), { matterId, ladder: '7, 1, 0' }));
			for (let i = 0; i < 6; i++)
				good(
					addDeadline(house.as('okafor'), { matterId, title: `Paper ${i}`, date: '2026-11-30' })
				);
			run(house.db, "UPDATE deadline SET docketed_at = '2026-11-01T17:00:00.000Z'");
			const people = scalar(
				house.db,
				`SELECT count(*) + 1 AS n
				FROM matter_member
				WHERE matter_id = @matterId
					AND staff_id <> (SELECT responsible_id FROM matter WHERE id = matter_id)`,
				{ matterId }
			);
			await house.db.backup(file);
			let kills = 0;
			for (let round = 0; round < 16; round++) {
				const child = spawn(
					process.execPath,
					[
						'--import',
						'tsx',
						new URL('../testing/remind-once.ts', import.meta.url).pathname,
						file,
						'2026-11-23T10:00',
						folder
					],
					{ stdio: ['ignore', 'pipe', 'inherit'] }
				);
				// Killed while it works: after its first word, a little later each time.
				const done = await new Promise<boolean>((resolve) => {
					if (round < 15)
						child.stdout.once('data', () =>
							setTimeout(() => child.kill('SIGKILL'), round * round * 60)
						);
					child.once('exit', (code) => resolve(code === 0));
				});
				if (done) break;
				kills++;
			}
			assert.ok(kills >= 3, `killed ${kills} times`);
			const db = new Database(file, { readonly: true });
			const count = (sql: string) => scalar(db, sql);
			assert.deepEqual(all(db, 'SELECT DISTINCT error FROM mail_out WHERE sent_at IS NULL'), []);
			assert.equal(count('SELECT count(*) AS n FROM reminder'), 7);
			assert.equal(
				count(`SELECT count(*) AS n FROM mail_out WHERE subject LIKE '${number}: %in 7 days'`),
				7 * people
			);
			assert.equal(
				count(
					`SELECT count(DISTINCT recipient || subject) AS n
					FROM mail_out
					WHERE subject LIKE '${number}: %in 7 days'`
				),
				7 * people
			);
			assert.equal(
				count("SELECT count(*) AS n FROM post WHERE subject LIKE '%in 7 days'"),
				7 * people,
				'and each came to the Post room once'
			);
			db.close();
		}
	);
	it('comes with a digest in the morning, once a day, restricted matters apart', async () => {
		const hidden = await newMatter(house, { title: 'Heron', restricted: true });
		good(
			enterEvent(house.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		house.set('2026-11-24');
		const sent = await sendDigests(house);
		assert.ok(sent.worked >= 2);
		assert.equal((await sendDigests(house)).worked, 0);
		const mine = mails('Your day%').filter((mail) => mail.recipient.startsWith('Ines'));
		assert.deepEqual(
			mine.map((item) => item.matter_id),
			[null, hidden.matterId]
		);
		assert.doesNotMatch(mine[0]!.text, /Heron/);
		assert.match(mine[0]!.text, /The next seven days\n {2}Mon 30 Nov {2}Answer or Rule 12 motion/);
	});
});

/**
 * RFC 5545 as another library reads it, and the lines as the standard asks: CRLF, at most 75
 * octets, what must be there.
 */
function readIcs(ics: string) {
	assert.ok(ics.endsWith('\r\n'));
	for (const line of ics.split('\r\n')) {
		assert.ok(Buffer.byteLength(line) <= 75, line);
		assert.ok(!line.includes('\n'));
	}
	assert.match(ics, /^BEGIN:VCALENDAR\r\nPRODID:.*\r\nVERSION:2\.0\r\n/);
	for (const part of ics.split('BEGIN:VEVENT').slice(1))
		for (const text of ['UID:', 'DTSTAMP:', 'DTSTART', 'SEQUENCE:', 'STATUS:', 'SUMMARY:'])
			assert.equal(part.split(new RegExp(`\r\n${text}`)).length, 2, text);
	return convertIcsCalendar(undefined, ics);
}
describe('calendars', () => {
	const token = (address: string) => address.split('/').at(-1)!;
	const read = async (address: string) => {
		const item = await readFeed(house, token(address));
		assert.ok(item && 'ics' in item);
		return readIcs(item.ics);
	};
	it('carry all-day and timed dates with their zone, and a higher SEQUENCE after each change', async () => {
		const { address } = good(makeFeed(house.as('okafor'), { sort: 'matter', matterId }));
		good(
			addDeadline(house.as('okafor'), {
				matterId,
				what: 'hearing',
				title: 'Mediation, day one; with “quotes”',
				date: '2026-12-10',
				time: '09:30',
				place: 'Pier 1'
			})
		);
		const first = (await read(address)).events!;
		const answer = (all: typeof first) => all.find((each) => each.summary.startsWith('Answer'))!;
		assert.deepEqual(
			[
				answer(first).start.type,
				answer(first).start.date.toISOString().slice(0, 10),
				answer(first).status,
				answer(first).sequence ?? 0
			],
			['DATE', '2026-11-30', 'CONFIRMED', 0]
		);
		const hearing = first.find((event) => event.summary.startsWith('Mediation'))!;
		assert.equal(
			hearing.summary,
			'Mediation, day one; with “quotes”, Harbor claim'.replace(
				'Harbor claim',
				hearing.summary.split(', ').at(-1)!
			)
		);
		assert.deepEqual(
			[hearing.start.local?.timezone, hearing.start.date.toISOString(), hearing.location],
			['America/Los_Angeles', '2026-12-10T17:30:00.000Z', 'Pier 1']
		);
		good(editDeadline(house.as('okafor'), { deadlineId: due().id, time: '16:00' }));
		const timed = answer((await read(address)).events!);
		assert.deepEqual(
			[timed.start.date.toISOString(), timed.sequence],
			['2026-12-01T00:00:00.000Z', 1]
		);
		good(vacateDeadline(house.as('okafor'), { deadlineId: due().id, reason: 'Dismissed' }));
		const off = answer((await read(address)).events!);
		assert.deepEqual([off.status, off.sequence, off.uid], ['CANCELLED', 2, timed.uid]);
	});
	it('are read with the rights of who made them, until they are revoked or made anew', async () => {
		const hidden = await newMatter(house, { title: 'Heron', restricted: true });
		good(
			enterEvent(house.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		const mine = good(makeFeed(house.as('okafor'), { sort: 'department' })),
			theirs = good(makeFeed(house.as('castellan'), { sort: 'department' })),
			person = good(makeFeed(house.as('reyes'), { sort: 'person' }));
		const heron = async (a: string) =>
			(await read(a)).events!.some((event) => event.summary.includes('Heron'));
		assert.deepEqual(
			[
				await heron(mine.address),
				await heron(theirs.address),
				(await read(person.address)).events?.length ?? 0
			],
			[true, false, 0]
		);
		assert.equal(
			scalar(
				house.db,
				`SELECT count(*) AS n FROM feed WHERE digest LIKE '%${token(mine.address)}%'`
			),
			0,
			'the address itself is not kept'
		);
		const again = good(makeFeed(house.as('okafor'), { sort: 'department' }));
		assert.deepEqual(await readFeed(house, token(mine.address)), { revoked: true });
		bad(revokeFeed(house.as('castellan'), { feedId: again.feedId }));
		good(revokeFeed(house.as('okafor'), { feedId: again.feedId }));
		assert.deepEqual(await readFeed(house, token(again.address)), { revoked: true });
		assert.equal(await readFeed(house, 'guess'), undefined);
	});
	it('lose a closed matter’s dates and get them back', async () => {
		const { address } = good(makeFeed(house.as('okafor'), { sort: 'department' }));
		const status = async () =>
			(await read(address)).events!.map(
				(event) => [event.status, event.sequence ?? 0] as const
			)[0]!;
		const open = await status();
		const choose = (sql: string, as: string) =>
			Object.fromEntries(
				all<{ id: string }>(house.db, sql, { matterId }).map((row) => [row.id, as])
			);
		good(
			closeMatter(house.as('okafor'), {
				...{ matterId, ending: 'Settled', reason: 'Settled' },
				deadlines: choose('SELECT id FROM deadline WHERE matter_id = @matterId', 'vacate'),
				tasks: choose("SELECT id FROM task WHERE matter_id = @matterId AND state = 'open'", 'drop')
			})
		);
		const closed = await status();
		good(reopenMatter(house.as('okafor'), { matterId, reason: 'Not settled' }));
		const back = await status();
		assert.deepEqual([open[0], closed[0], back[0]], ['CONFIRMED', 'CANCELLED', 'CONFIRMED']);
		assert.ok(open[1]! < closed[1]! && closed[1]! < back[1]!);
	});
	it('send one date outside, say when it moves or falls away, and no more of the matter than asked', async () => {
		good(
			inviteToDate(house.as('okafor'), {
				deadlineId: due().id,
				name: 'Vera Stone',
				email: 'vera@mediator.example',
				words: 'As agreed'
			})
		);
		assert.match(
			bad(
				inviteToDate(house.as('okafor'), {
					deadlineId: due().id,
					name: 'V',
					email: 'VERA@mediator.example'
				})
			)['email']!,
			/has this date already/
		);
		assert.equal(await updateInvitations(), 0);
		good(
			moveDeadline(house.as('okafor'), {
				deadlineId: due().id,
				how: 'agreement',
				by: '+7d',
				reason: 'x',
				version: due().version
			})
		);
		assert.equal(await updateInvitations(), 1);
		good(vacateDeadline(house.as('okafor'), { deadlineId: due().id, reason: 'x' }));
		assert.equal(await updateInvitations(), 1);
		assert.equal(await updateInvitations(), 0);
		const sent = all<{ attachment_sha256: string; text: string; subject: string }>(
			house.db,
			"SELECT * FROM mail_out WHERE recipient LIKE '%vera@%' ORDER BY id"
		).map((row) => ({ ...row, ics: house.files.get(row.attachment_sha256).toString() }));
		assert.deepEqual(
			sent.map((item) => [
				/METHOD:(\w+)/.exec(item.ics)![1],
				readIcs(item.ics).events![0]!.status,
				readIcs(item.ics).events![0]!.sequence ?? 0
			]),
			[
				['REQUEST', 'CONFIRMED', 0],
				['REQUEST', 'CONFIRMED', 1],
				['CANCEL', 'CANCELLED', 2]
			]
		);
		for (const item of sent)
			assert.doesNotMatch(
				item.text + item.ics.replace(/\r\n /g, ''),
				new RegExp(`${number}|/matters/|Harbor`)
			);
	});
});

describe('a calendar file brought in', () => {
	const ics = (...lines: string[]) =>
		Buffer.from(
			['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Court//EN', ...lines, 'END:VCALENDAR', ''].join(
				'\r\n'
			)
		);
	const event = (...lines: string[]) => [
		'BEGIN:VEVENT',
		'UID:1',
		'DTSTAMP:20261101T000000Z',
		...lines,
		'END:VEVENT'
	];
	it('gives its events on the department’s clock, and leaves recurring and cancelled ones', () => {
		const item = parseCalendar({
			zone: 'America/Los_Angeles',
			data: ics(
				...event('DTSTART:20261210T173000Z', 'SUMMARY:Status conference', 'LOCATION:Courtroom 4'),
				...event('DTSTART;VALUE=DATE:20261201', 'SUMMARY:Trial readiness'),
				...event('DTSTART:20261202T100000', 'RRULE:FREQ=DAILY', 'SUMMARY:Daily'),
				...event('DTSTART:20261203T100000', 'STATUS:CANCELLED', 'SUMMARY:Off')
			)
		});
		assert.deepEqual(item, {
			events: [
				{ title: 'Trial readiness', date: '2026-12-01', time: null, place: '' },
				{ title: 'Status conference', date: '2026-12-10', time: '09:30', place: 'Courtroom 4' }
			],
			left: 2
		});
		assert.ok('events' in item);
		good(bringCalendar(house.as('okafor'), { matterId, from: 'notice.ics', items: item.events }));
		assert.equal(
			scalar(
				house.db,
				"SELECT count(*) AS n FROM event WHERE event_key = 'by-hand' AND ahead = 'hearing'"
			),
			2
		);
		const own = readIcs(
			ics(...event('DTSTART;VALUE=DATE:20261201', 'SUMMARY:x', 'SEQUENCE:1', 'STATUS:CONFIRMED'))
				.toString()
				.replace('VERSION:2.0\r\nPRODID:-//Court//EN', 'PRODID:-//Court//EN\r\nVERSION:2.0')
		);
		assert.equal(own.events!.length, 1);
	});
	it('is refused in plain words where it is too large, no calendar, or empty', async () => {
		const fault = (b: Buffer) => {
			const item = parseCalendar({ data: b, zone: 'America/Los_Angeles' });
			return 'error' in item ? item.error : '';
		};
		const large = new File([Buffer.alloc(20 * 1024 * 1024, 'x')], 'a.ics');
		await assert.rejects(
			readCalendarFile.run(house.as('okafor'), { ics: large }),
			/20\.0 MB.*at most 1 MB/
		);
		assert.match(fault(Buffer.from('<html>')), /not a calendar file/);
		assert.match(fault(ics()), /no event/);
		assert.match(
			fault(ics(...event('DTSTART:20261203T100000', 'STATUS:CANCELLED', 'SUMMARY:Off'))),
			/recurs or is cancelled/
		);
		assert.equal(bringCalendar(house.as('okafor'), { matterId, items: [] }).ok, false);
	});
});

describe('the docket report', () => {
	const read = (query: string) => parseReport(house, new URLSearchParams(query));
	it('says what was rolled and how service counted, in the columns one chose', async () => {
		good(
			enterEvent(house.as('okafor'), {
				matterId,
				eventKey: 'interrogatories-served',
				date: '2026-10-30',
				service: 'mail',
				docket: ['answers-and-objections']
			})
		);
		const report = makeReport(
			house,
			house.staff('okafor'),
			await read('show=open&cols=date,title,count')
		);
		assert.deepEqual(report.columns, ['date', 'title', 'count']);
		assert.match(
			report.rows.map((x) => x.count).join(' '),
			/Service by mail adds 3 days after that/
		);
		const csv = makeReportCsv(report);
		assert.match(
			csv,
			/^\uFEFFDate,What,How it was counted\r\n2026-11-30,Answer or Rule 12 motion \(Summons and complaint served on a defendant\),/
		);
	});
	it('has typed dates, filters and a frozen head as XLSX, and is PDF and ICS', async () => {
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [due().id] }));
		const report = makeReport(
			house,
			house.staff('okafor'),
			await read('from=2026-11-01&to=2026-12-31')
		);
		const book = new ExcelJS.Workbook();
		await book.xlsx.load((await makeWorkbook(makeReportSheet(report))) as never);
		const sheet = book.worksheets[0]!;
		assert.deepEqual(
			[
				sheet.getCell('A2').value instanceof Date,
				(sheet.getCell('A2').value as Date).toISOString().slice(0, 10),
				sheet.views[0]!.state,
				sheet.autoFilter !== undefined
			],
			[true, '2026-11-30', 'frozen', true]
		);
		assert.equal(
			(await makeReportPdf({ report, about: 'x', printed: 'x', today: house.clock.today() }))
				.subarray(0, 5)
				.toString(),
			'%PDF-'
		);
		assert.equal(readIcs(await makeReportCalendar(house, report)).events!.length, 1);
	});
	it('is harmless in a table program, and says which day is none', async () => {
		run(house.db, "UPDATE deadline SET short = '=cmd()'");
		assert.match(
			makeReportCsv(makeReport(house, house.staff('okafor'), await read('cols=title'))),
			/'=cmd\(\)/
		);
		assert.match(
			parseDocketFilter(house, new URLSearchParams('from=2026-05-01&to=2026-04-01')).bad,
			/after the last/
		);
	});
	it('goes by mail to each as they may see it, with links; a restricted matter by itself', async () => {
		const hidden = await newMatter(house, { title: 'Heron', restricted: true });
		good(
			enterEvent(house.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		assert.equal(
			good(
				mailReport(house.as('okafor'), { query: 'show=open', to: ['stf_castellan', 'stf_okafor'] })
			).sent,
			2
		);
		const all = mails('Docket report%');
		assert.deepEqual(
			all.map((each) => [each.recipient.split(' ')[0], each.matter_id, /Heron/.test(each.text)]),
			[
				['Dorit', null, false],
				['Ines', null, false],
				['Ines', hidden.matterId, true]
			]
		);
		assert.match(all[0]!.text, new RegExp(`/matters/${number}/docket\\?deadline=`));
		assert.match(
			bad(mailReport(house.as('okafor'), { query: '', to: ['stf_tarrant'] }))['to']!,
			/colleagues/
		);
		assert.match(bad(mailReport(house.as('okafor'), { query: '', to: [] }))['to']!, /whom/);
	});
});
