/** What leaves the docket: reminders that are told once also through a kill, feeds and invitations, reports. */
import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { beforeEach, describe, it } from 'node:test';
import Database from 'better-sqlite3';
import ExcelJS from 'exceljs';
import { convertIcsCalendar } from 'ts-ics';
import { readLadder, rungAt } from '#core/docket/ladder.ts';
import { addDays, date } from '#core/dates/plain.ts';
import {
	addDate,
	bringCalendar,
	checkDeadline,
	editDeadline,
	enterEvent,
	inviteToDate,
	mailReport,
	makeFeed,
	moveDeadline,
	revokeFeed,
	vacateDeadline
} from './docket/commands.ts';
import { readFeed, updateInvitations } from './docket/feeds.ts';
import { readCalendar } from './docket/ics.ts';
import {
	readDocketFilter,
	readReport,
	report,
	reportCsv,
	reportIcs,
	reportPdf,
	reportXlsx
} from './docket/report.ts';
import {
	digest,
	muteMatter,
	myReminders,
	remind,
	seeReminder,
	setLadder,
	setSupervisor
} from './jobs/reminders.ts';
import { addMember } from './matters/commands.ts';
import { closeMatter, reopenMatter } from './matters/status.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from './testing.ts';

let h: TestHouse;
let matterId: string, number: string;
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
beforeEach(async () => {
	h = await testHouse();
	({ matterId, number } = newMatter(h));
	good(addMember(h.as('okafor'), { matterId, staffId: 'stf_castellan' }));
	good(
		enterEvent(h.as('okafor'), {
			matterId,
			eventKey: SUMMONS,
			date: '2026-11-09',
			service: 'mail',
			docket: ['answer-or-rule-12-motion']
		})
	);
});
const due = () =>
	h.db
		.prepare<[], { id: string; date: string; version: number }>(
			"SELECT id, date, version FROM deadline WHERE title LIKE 'Answer%'"
		)
		.get()!;
const mails = (like: string) =>
	h.db
		.prepare<
			[string],
			{
				recipient: string;
				subject: string;
				text: string;
				matter_id: string | null;
				attachment_sha256: string | null;
			}
		>('SELECT * FROM mail_out WHERE subject LIKE ? ORDER BY id')
		.all(like);

describe('the reminder ladder', () => {
	it('is read from what one types, and stands on the nearest rung reached', () => {
		assert.deepEqual(readLadder('30, 14 7;1 0 +1'), { ladder: [30, 14, 7, 1, 0, -1] });
		assert.deepEqual(readLadder(' '), { ladder: null });
		for (const wrong of ['soon', '400, 1', '30, 14', '-3'])
			assert.ok('error' in readLadder(wrong), wrong);
		assert.deepEqual(
			[31, 30, 20, 14, 0, -1, -5].map((left) => rungAt([30, 14, 7, 0, -1], left)),
			[undefined, 30, 30, 14, 0, -1, -1]
		);
	});
	it('goes by kind, then matter, then date', () => {
		const told = (from: string, to: string) => {
			const days: string[] = [];
			for (let d = date(from); d <= to; d = addDays(d, 1)) {
				h.set(d);
				if (remind(h)) days.push(d);
			}
			return days;
		};
		good(setLadder(h.as('okafor'), { matterId, ladder: '5, 0' }));
		assert.deepEqual(
			told('2026-11-24', '2026-11-26'),
			['2026-11-25'],
			'due on the 30th: five days before'
		);
		good(setLadder(h.as('okafor'), { matterId, deadlineId: due().id, ladder: '3, 0' }));
		assert.deepEqual(
			told('2026-11-26', '2026-11-27'),
			['2026-11-27'],
			'the date has a ladder of its own'
		);
		assert.match(
			bad(setLadder(h.as('okafor'), { matterId, ladder: 'now' }))['ladder']!,
			/days before/
		);
		assert.match(
			bad(setLadder(h.as('okafor'), { matterId, ladder: '60, 30' }))['ladder']!,
			/last week/
		);
	});
	it('tells the first rung of a date that was docketed the evening before, when it was that day already in UTC', () => {
		good(setLadder(h.as('okafor'), { matterId, ladder: '5, 0' }));
		h.set('2026-11-26', 20);
		good(
			addDate(h.as('okafor'), {
				matterId,
				title: 'Evening filing',
				date: '2026-12-02',
				authority: 'Order of 26 November'
			})
		);
		h.set('2026-11-27');
		assert.ok(remind(h));
		assert.equal(
			mails('%Evening filing%').filter((m) => m.subject.startsWith(number)).length > 0,
			true
		);
	});
	it('can be muted, but for the last rungs', () => {
		good(setLadder(h.as('okafor'), { matterId, ladder: '5, 1, 0' }));
		good(muteMatter(h.as('castellan'), { matterId, mute: true }));
		h.set('2026-11-25');
		remind(h);
		const to = () => mails(`${number}: Answer%`).map((m) => m.recipient.split(' ')[0]);
		assert.ok(to().includes('Ines') && !to().includes('Dorit'));
		h.set('2026-11-29');
		remind(h);
		assert.ok(to().includes('Dorit'));
	});
	it('is seen, and what nobody has seen on its last rung goes to the supervisor once', () => {
		good(setSupervisor(h.as('castellan'), { staffId: 'stf_okafor', supervisorId: 'stf_wardle' }));
		assert.match(
			bad(setSupervisor(h.as('castellan'), { staffId: 'stf_wardle', supervisorId: 'stf_okafor' }))[
				'supervisorId'
			]!,
			/circle/
		);
		assert.equal(
			setSupervisor(h.as('okafor'), { staffId: 'stf_okafor', supervisorId: null }).ok,
			false
		);
		good(setLadder(h.as('okafor'), { matterId, ladder: '3, 1, 0' }));
		h.set('2026-11-29');
		remind(h);
		assert.equal(mails('Nobody has seen%').length, 0, 'the day it is told is theirs');
		const mine = myReminders(h, h.staff('okafor'));
		assert.deepEqual(
			mine.map((r) => [r.title, r.rung, r.last]),
			[['Answer or Rule 12 motion', 1, true]]
		);
		h.set('2026-11-30');
		remind(h);
		remind(h);
		assert.deepEqual(
			mails('Nobody has seen%').map((m) => m.recipient.split(' ')[0]),
			['Tamsin']
		);
		good(seeReminder(h.as('okafor'), { deadlineId: due().id }));
		assert.equal(myReminders(h, h.staff('okafor')).length, 0);
		assert.match(
			bad(seeReminder(h.as('okafor'), { deadlineId: due().id }))['']!,
			/no such reminder/
		);
	});
	it('does not go to the supervisor where one has seen it', () => {
		h.db.prepare("UPDATE staff SET supervisor_id = 'stf_wardle' WHERE id = 'stf_okafor'").run();
		good(setLadder(h.as('okafor'), { matterId, ladder: '1, 0' }));
		h.set('2026-11-29');
		remind(h);
		good(seeReminder(h.as('castellan'), { deadlineId: due().id }));
		h.set('2026-11-30');
		remind(h);
		assert.equal(mails('Nobody has seen%').length, 0);
	});
	it(
		'tells each person once though the process is killed again and again',
		{ timeout: 120_000 },
		async () => {
			const folder = mkdtempSync(join(tmpdir(), 'kite-kill-'));
			const file = join(folder, 'kill.db');
			good(setLadder(h.as('okafor'), { matterId, ladder: '7, 1, 0' }));
			for (let i = 0; i < 12; i++)
				good(addDate(h.as('okafor'), { matterId, title: `Paper ${i}`, date: '2026-11-30' }));
			h.db.prepare("UPDATE deadline SET docketed_at = '2026-11-01T17:00:00.000Z'").run();
			const people = h.db
				.prepare<[string], { n: number }>(
					'SELECT count(*) + 1 AS n FROM matter_member WHERE matter_id = ? AND staff_id <> (SELECT responsible_id FROM matter WHERE id = matter_id)'
				)
				.get(matterId)!.n;
			await h.db.backup(file);
			let kills = 0;
			for (let round = 0; round < 16; round++) {
				const child = spawn(
					process.execPath,
					[
						'--import',
						'tsx',
						new URL('./jobs/remind-once.ts', import.meta.url).pathname,
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
							setTimeout(() => child.kill('SIGKILL'), round * round * 2)
						);
					child.once('exit', (code) => resolve(code === 0));
				});
				if (done) break;
				kills++;
			}
			assert.ok(kills >= 3, `killed ${kills} times`);
			const db = new Database(file, { readonly: true });
			const count = (sql: string) => db.prepare<[], { n: number }>(sql).get()!.n;
			assert.deepEqual(
				db.prepare('SELECT DISTINCT error FROM mail_out WHERE sent_at IS NULL').all(),
				[]
			);
			assert.equal(count('SELECT count(*) AS n FROM reminder'), 13);
			assert.equal(
				count(`SELECT count(*) AS n FROM mail_out WHERE subject LIKE '${number}: %in 7 days'`),
				13 * people
			);
			assert.equal(
				count(
					`SELECT count(DISTINCT recipient || subject) AS n FROM mail_out WHERE subject LIKE '${number}: %in 7 days'`
				),
				13 * people
			);
			assert.equal(
				count("SELECT count(*) AS n FROM post WHERE subject LIKE '%in 7 days'"),
				13 * people,
				'and each came to the Post room once'
			);
			db.close();
		}
	);
	it('comes with a digest in the morning, once a day, restricted matters apart', () => {
		const hidden = newMatter(h, { title: 'Heron', restricted: true });
		good(
			enterEvent(h.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		h.set('2026-11-24');
		const sent = digest(h);
		assert.ok(sent >= 2);
		assert.equal(digest(h), 0);
		const mine = mails('Your day%').filter((m) => m.recipient.startsWith('Ines'));
		assert.deepEqual(
			mine.map((m) => m.matter_id),
			[null, hidden.matterId]
		);
		assert.doesNotMatch(mine[0]!.text, /Heron/);
		assert.match(mine[0]!.text, /The next seven days\n {2}Mon 30 Nov {2}Answer or Rule 12 motion/);
	});
});

/** RFC 5545 as another library reads it, and the lines as the standard asks: CRLF, at most 75 octets, what must be there. */
function readIcs(ics: string) {
	assert.ok(ics.endsWith('\r\n'));
	for (const line of ics.split('\r\n')) {
		assert.ok(Buffer.byteLength(line) <= 75, line);
		assert.ok(!line.includes('\n'));
	}
	assert.match(ics, /^BEGIN:VCALENDAR\r\nPRODID:.*\r\nVERSION:2\.0\r\n/);
	for (const e of ics.split('BEGIN:VEVENT').slice(1))
		for (const p of ['UID:', 'DTSTAMP:', 'DTSTART', 'SEQUENCE:', 'STATUS:', 'SUMMARY:'])
			assert.equal(e.split(new RegExp(`\r\n${p}`)).length, 2, p);
	return convertIcsCalendar(undefined, ics);
}
describe('calendars', () => {
	const token = (address: string) => address.split('/').at(-1)!;
	const read = (address: string) => {
		const f = readFeed(h, token(address));
		assert.ok(f && 'ics' in f);
		return readIcs(f.ics);
	};
	it('carry all-day and timed dates with their zone, and a higher SEQUENCE after each change', () => {
		const { address } = good(makeFeed(h.as('okafor'), { sort: 'matter', matterId }));
		good(
			addDate(h.as('okafor'), {
				matterId,
				what: 'hearing',
				title: 'Mediation, day one; with “quotes”',
				date: '2026-12-10',
				time: '09:30',
				place: 'Pier 1'
			})
		);
		const first = read(address).events!;
		const answer = (all: typeof first) => all.find((e) => e.summary.startsWith('Answer'))!;
		assert.deepEqual(
			[
				answer(first).start.type,
				answer(first).start.date.toISOString().slice(0, 10),
				answer(first).status,
				answer(first).sequence ?? 0
			],
			['DATE', '2026-11-30', 'CONFIRMED', 0]
		);
		const hearing = first.find((e) => e.summary.startsWith('Mediation'))!;
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
		good(
			editDeadline(h.as('okafor'), { deadlineId: due().id, time: '16:00', version: due().version })
		);
		const timed = answer(read(address).events!);
		assert.deepEqual(
			[timed.start.date.toISOString(), timed.sequence],
			['2026-12-01T00:00:00.000Z', 1]
		);
		good(vacateDeadline(h.as('okafor'), { deadlineId: due().id, reason: 'Dismissed' }));
		const off = answer(read(address).events!);
		assert.deepEqual([off.status, off.sequence, off.uid], ['CANCELLED', 2, timed.uid]);
	});
	it('are read with the rights of who made them, until they are revoked or made anew', () => {
		const hidden = newMatter(h, { title: 'Heron', restricted: true });
		good(
			enterEvent(h.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		const mine = good(makeFeed(h.as('okafor'), { sort: 'department' })),
			theirs = good(makeFeed(h.as('castellan'), { sort: 'department' })),
			person = good(makeFeed(h.as('reyes'), { sort: 'person' }));
		const heron = (a: string) => read(a).events!.some((e) => e.summary.includes('Heron'));
		assert.deepEqual(
			[heron(mine.address), heron(theirs.address), read(person.address).events?.length ?? 0],
			[true, false, 0]
		);
		assert.equal(
			h.db
				.prepare<[], { n: number }>(
					`SELECT count(*) AS n FROM feed WHERE digest LIKE '%${token(mine.address)}%'`
				)
				.get()!.n,
			0,
			'the address itself is not kept'
		);
		const again = good(makeFeed(h.as('okafor'), { sort: 'department' }));
		assert.deepEqual(readFeed(h, token(mine.address)), { revoked: true });
		bad(revokeFeed(h.as('castellan'), { feedId: again.feedId }));
		good(revokeFeed(h.as('okafor'), { feedId: again.feedId }));
		assert.deepEqual(readFeed(h, token(again.address)), { revoked: true });
		assert.equal(readFeed(h, 'guess'), undefined);
	});
	it('lose a closed matter’s dates and get them back', () => {
		const { address } = good(makeFeed(h.as('okafor'), { sort: 'department' }));
		const status = () => read(address).events!.map((e) => [e.status, e.sequence ?? 0] as const)[0]!;
		const open = status();
		const all = (sql: string, as: string) =>
			Object.fromEntries(
				h.db
					.prepare<[string], { id: string }>(sql)
					.all(matterId)
					.map((x) => [x.id, as])
			);
		good(
			closeMatter(h.as('okafor'), {
				matterId,
				reason: 'Settled',
				deadlines: all('SELECT id FROM deadline WHERE matter_id = ?', 'vacate') as never,
				tasks: all("SELECT id FROM task WHERE matter_id = ? AND state = 'open'", 'drop')
			})
		);
		const closed = status();
		good(reopenMatter(h.as('okafor'), { matterId, reason: 'Not settled' }));
		const back = status();
		assert.deepEqual([open[0], closed[0], back[0]], ['CONFIRMED', 'CANCELLED', 'CONFIRMED']);
		assert.ok(open[1]! < closed[1]! && closed[1]! < back[1]!);
	});
	it('send one date outside, say when it moves or falls away, and no more of the matter than asked', () => {
		good(
			inviteToDate(h.as('okafor'), {
				deadlineId: due().id,
				name: 'Vera Stone',
				email: 'vera@mediator.example',
				words: 'As agreed'
			})
		);
		assert.match(
			bad(
				inviteToDate(h.as('okafor'), {
					deadlineId: due().id,
					name: 'V',
					email: 'VERA@mediator.example'
				})
			)['email']!,
			/has this date already/
		);
		assert.equal(updateInvitations(h), 0);
		good(
			moveDeadline(h.as('okafor'), {
				deadlineId: due().id,
				how: 'agreement',
				by: '+7d',
				reason: 'x',
				version: due().version
			})
		);
		assert.equal(updateInvitations(h), 1);
		good(vacateDeadline(h.as('okafor'), { deadlineId: due().id, reason: 'x' }));
		assert.equal(updateInvitations(h), 1);
		assert.equal(updateInvitations(h), 0);
		const sent = h.db
			.prepare<[], { attachment_sha256: string; text: string; subject: string }>(
				"SELECT * FROM mail_out WHERE recipient LIKE '%vera@%' ORDER BY id"
			)
			.all()
			.map((m) => ({ ...m, ics: h.files.get(m.attachment_sha256).toString() }));
		assert.deepEqual(
			sent.map((m) => [
				/METHOD:(\w+)/.exec(m.ics)![1],
				readIcs(m.ics).events![0]!.status,
				readIcs(m.ics).events![0]!.sequence ?? 0
			]),
			[
				['REQUEST', 'CONFIRMED', 0],
				['REQUEST', 'CONFIRMED', 1],
				['CANCEL', 'CANCELLED', 2]
			]
		);
		for (const m of sent)
			assert.doesNotMatch(
				m.text + m.ics.replace(/\r\n /g, ''),
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
		const r = readCalendar(
			ics(
				...event('DTSTART:20261210T173000Z', 'SUMMARY:Status conference', 'LOCATION:Courtroom 4'),
				...event('DTSTART;VALUE=DATE:20261201', 'SUMMARY:Trial readiness'),
				...event('DTSTART:20261202T100000', 'RRULE:FREQ=DAILY', 'SUMMARY:Daily'),
				...event('DTSTART:20261203T100000', 'STATUS:CANCELLED', 'SUMMARY:Off')
			),
			'America/Los_Angeles'
		);
		assert.deepEqual(r, {
			events: [
				{ title: 'Trial readiness', date: '2026-12-01', time: null, place: '' },
				{ title: 'Status conference', date: '2026-12-10', time: '09:30', place: 'Courtroom 4' }
			],
			left: 2
		});
		assert.ok('events' in r);
		good(bringCalendar(h.as('okafor'), { matterId, from: 'notice.ics', items: r.events }));
		assert.equal(
			h.db
				.prepare<[], { n: number }>(
					"SELECT count(*) AS n FROM event WHERE event_key = 'by-hand' AND ahead = 'hearing'"
				)
				.get()!.n,
			2
		);
		const own = readIcs(
			ics(...event('DTSTART;VALUE=DATE:20261201', 'SUMMARY:x', 'SEQUENCE:1', 'STATUS:CONFIRMED'))
				.toString()
				.replace('VERSION:2.0\r\nPRODID:-//Court//EN', 'PRODID:-//Court//EN\r\nVERSION:2.0')
		);
		assert.equal(own.events!.length, 1);
	});
	it('is refused in plain words where it is too large, no calendar, or empty', () => {
		const fault = (b: Buffer) => {
			const r = readCalendar(b, 'America/Los_Angeles');
			return 'error' in r ? r.error : '';
		};
		assert.match(fault(Buffer.alloc(20 * 1024 * 1024, 'x')), /20\.0 MB.*at most 1 MB/);
		assert.match(fault(Buffer.from('<html>')), /not a calendar file/);
		assert.match(fault(ics()), /no event/);
		assert.match(
			fault(ics(...event('DTSTART:20261203T100000', 'STATUS:CANCELLED', 'SUMMARY:Off'))),
			/recurs or is cancelled/
		);
		assert.equal(bringCalendar(h.as('okafor'), { matterId, items: [] }).ok, false);
	});
});

describe('the docket report', () => {
	const read = (q: string) => readReport(new URLSearchParams(q));
	it('says what was rolled and how service counted, in the columns one chose', () => {
		good(
			enterEvent(h.as('okafor'), {
				matterId,
				eventKey: 'interrogatories-served',
				date: '2026-10-30',
				service: 'mail',
				docket: ['answers-and-objections']
			})
		);
		const r = report(h, h.staff('okafor'), read('show=open&cols=date,title,count'));
		assert.deepEqual(r.columns, ['date', 'title', 'count']);
		assert.match(r.rows.map((x) => x.count).join(' '), /Service by mail adds 3 days after that/);
		const csv = reportCsv(r);
		assert.match(
			csv,
			/^\uFEFFDate,What,How it was counted\r\n2026-11-30,Answer or Rule 12 motion,/
		);
	});
	it('has typed dates, filters and a frozen head as XLSX, and is PDF and ICS', async () => {
		good(checkDeadline(h.as('castellan'), { deadlineId: due().id }));
		const r = report(h, h.staff('okafor'), read('from=2026-11-01&to=2026-12-31'));
		const book = new ExcelJS.Workbook();
		await book.xlsx.load((await reportXlsx(r)) as never);
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
		assert.equal((await reportPdf(h, r, 'x')).subarray(0, 5).toString(), '%PDF-');
		assert.equal(readIcs(reportIcs(h, r)).events!.length, 1);
	});
	it('is harmless in a table program, and says which day is none', () => {
		h.db.prepare("UPDATE deadline SET short = '=cmd()'").run();
		assert.match(reportCsv(report(h, h.staff('okafor'), read('cols=title'))), /'=cmd\(\)/);
		assert.match(readDocketFilter(new URLSearchParams('from=2026-02-30')).bad, /not a date/);
		assert.match(
			readDocketFilter(new URLSearchParams('from=2026-05-01&to=2026-04-01')).bad,
			/after the last/
		);
	});
	it('goes by mail to each as they may see it, with links; a restricted matter by itself', () => {
		const hidden = newMatter(h, { title: 'Heron', restricted: true });
		good(
			enterEvent(h.as('okafor'), {
				matterId: hidden.matterId,
				eventKey: SUMMONS,
				date: '2026-11-05',
				docket: ['answer-or-rule-12-motion']
			})
		);
		assert.equal(
			good(mailReport(h.as('okafor'), { query: 'show=open', to: ['stf_castellan', 'stf_okafor'] }))
				.sent,
			2
		);
		const all = mails('Docket report%');
		assert.deepEqual(
			all.map((m) => [m.recipient.split(' ')[0], m.matter_id, /Heron/.test(m.text)]),
			[
				['Dorit', null, false],
				['Ines', null, false],
				['Ines', hidden.matterId, true]
			]
		);
		assert.match(all[0]!.text, new RegExp(`/matters/${number}/docket\\?count=`));
		assert.match(
			bad(mailReport(h.as('okafor'), { query: '', to: ['stf_tarrant'] }))['to']!,
			/colleagues/
		);
		assert.match(bad(mailReport(h.as('okafor'), { query: '', to: [] }))['to']!, /whom/);
	});
});
