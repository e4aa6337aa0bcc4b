/** The department's own words on dates, and what a date points to. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, scalar } from '#server/db/sql.ts';
import { findMatterMail, listMatterMail } from '#server/mail/queries.ts';
import { queueMail } from '#server/mail/queue.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { findTrialView } from '#server/trial/queries.ts';
import { batchDeadlines } from './batch.ts';
import { addDeadline } from './by-hand.ts';
import { dateItem, requireDated } from './calendar-items.ts';
import { listDateLinks } from './date-links.ts';
import { editDeadline } from './details.ts';
import {
	addWorkingMark,
	offerWorkingMark,
	renameWorkingMark,
	retireWorkingMark
} from './keep-working-marks.ts';
import { listDeadlines } from './list.ts';
import { markDeadlines } from './mark-deadlines.ts';
import { makeReportCsv } from './report-files.ts';
import { formatFilter } from './filter-words.ts';
import { makeReport, parseReport } from './report.ts';
import { listKeptWorkingMarks, listWorkingMarks } from './working-marks.ts';

let house: TestHouse;
let matterId: string;
let dates: string[];
beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	dates = ['First paper', 'Second paper'].map(
		(title) =>
			good(addDeadline(house.as('okafor'), { matterId, title, date: '2026-12-08' })).deadlineId
	);
});
const keep = (label: string) => good(addWorkingMark(house.as('castellan'), { label })).markId;
const rows = (filter = {}) => listDeadlines(house, house.staff('okafor'), filter).rows;
const marks = () => rows().map(({ workingMark }) => workingMark);
const mark = (markId: string, deadlineIds = [dates[0]!]) =>
	markDeadlines(house.as('okafor'), { deadlineIds, markId });
const logged = () =>
	all<{ text: string }>(
		house.db,
		"SELECT text FROM logbook WHERE kind = 'date' ORDER BY rowid DESC LIMIT 1"
	)[0]!.text;

describe('working marks', () => {
	it('stand on a date until another is put in their place or they are taken off', () => {
		const [waiting, pressing] = [keep('waiting'), keep('pressing')];
		good(mark(waiting));
		assert.deepEqual(marks(), ['waiting', null]);
		assert.match(logged(), /First paper: marked “waiting”/);
		good(mark(pressing));
		assert.deepEqual(marks(), ['pressing', null]);
		good(mark(''));
		assert.deepEqual(marks(), [null, null]);
		assert.match(logged(), /mark taken off/);
	});

	it('find their dates in lists and reports, which name them', () => {
		const waiting = keep('waiting');
		good(mark(waiting, [dates[1]!]));
		assert.deepEqual(
			rows({ mark: waiting }).map(({ title }) => title),
			['Second paper']
		);
		assert.equal(rows({ mark: 'any' }).length, 1);
		const query = new URLSearchParams({ mark: waiting, cols: 'title,workingMark', show: 'all' });
		const asked = parseReport(house, query);
		assert.match(formatFilter(house, asked.filter), /marked “waiting”/);
		const report = makeReport(house, house.staff('okafor'), asked);
		assert.equal(makeReportCsv(report).trim().split(/\r?\n/).at(-1), 'Second paper,waiting');
	});

	it('stand in the calendar', () => {
		good(mark(keep('waiting')));
		const item = dateItem(house, requireDated(house, dates[0]!));
		assert.match(item.title, /\[waiting\]$/);
		assert.match(item.description, /Marked: waiting/);
	});

	it('stand on the trial view', () => {
		good(mark(keep('waiting')));
		assert.deepEqual(
			findTrialView(house, matterId).dates.map(({ workingMark }) => workingMark),
			['waiting', null]
		);
	});

	it('are put on many dates at once', () => {
		const waiting = keep('waiting');
		const batch = { deadlineIds: dates, act: 'mark' as const, value: waiting };
		good(batchDeadlines(house.as('okafor'), batch));
		assert.deepEqual(marks(), ['waiting', 'waiting']);
	});

	it('are renamed everywhere, and retired without leaving their dates', () => {
		const waiting = keep('waiting');
		good(mark(waiting));
		good(renameWorkingMark(house.as('castellan'), { markId: waiting, label: 'on hold' }));
		assert.deepEqual(marks(), ['on hold', null]);
		good(retireWorkingMark(house.as('castellan'), { markId: waiting }));
		assert.deepEqual(marks(), ['on hold', null]);
		assert.deepEqual(listWorkingMarks(house), []);
		assert.equal(listKeptWorkingMarks(house)[0]!.dates, 1);
		assert.match(bad(mark(waiting, [dates[1]!])).markId!, /not offered any more/);
		good(offerWorkingMark(house.as('castellan'), { markId: waiting }));
		assert.equal(listWorkingMarks(house).length, 1);
	});

	it('are refused twice, empty, too long, and from who may not keep them', () => {
		keep('waiting');
		const add = (label: string, login = 'castellan') => addWorkingMark(house.as(login), { label });
		assert.match(bad(add('Waiting')).label!, /already/);
		assert.match(bad(add('  ')).label!, /missing/);
		assert.match(bad(add('x'.repeat(31))).label!, /longer than 30/);
		assert.ok(bad(add('pressing', 'okafor')));
		assert.ok(bad(mark('mrk_nothing')));
	});
});

describe('what a date points to', () => {
	const link = (more: { mails?: string[]; folders?: string[] }) =>
		editDeadline(house.as('okafor'), { deadlineId: dates[0]!, ...more });
	const send = (subject: string, text: string, matter: string | null = matterId) => {
		const to = { name: 'Ann', email: 'ann@larkhaven.example' };
		queueMail(house.as('okafor'), { matterId: matter, to, message: { subject, text } });
		return scalar<string>(house.db, 'SELECT id FROM mail_out WHERE subject = @subject', {
			subject
		});
	};

	it('is mail and folders of its matter, and can be taken off again', () => {
		const mail = send('The order came', 'It sets the hearing.');
		good(link({ mails: [mail], folders: ['Correspondence'] }));
		const links = listDateLinks(house, matterId)[dates[0]!]!;
		assert.deepEqual(links.folders, ['Correspondence']);
		assert.deepEqual(
			links.mails.map(({ subject }) => subject),
			['The order came']
		);
		good(link({}));
		assert.deepEqual(listDateLinks(house, matterId), {});
	});

	it("is nothing of another matter, and no folder that isn't there", async () => {
		const other = await newMatter(house, { title: 'Another' });
		const foreign = send('Not yours', 'x', other.matterId);
		assert.match(bad(link({ mails: [foreign] })).mails!, /mail of this matter/);
		assert.match(bad(link({ folders: ['Nowhere'] })).folders!, /folder of this matter/);
	});

	it('never shows the mail with which somebody signs', () => {
		const secret = send('Please sign', `${house.origin}/sign/abcdef`);
		assert.deepEqual(
			listMatterMail(house, matterId).filter(({ id }) => id === secret),
			[]
		);
		assert.equal(findMatterMail(house, matterId, secret), undefined);
		assert.match(bad(link({ mails: [secret] })).mails!, /mail of this matter/);
	});
});
