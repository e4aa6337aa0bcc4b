/** The docket report: its columns, orders and papers, and what of it may go outside. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { parse } from 'csv-parse/sync';
import { extractText } from '#server/files/text.ts';
import { PDF } from '#server/files/media.ts';
import { all, one } from '#server/db/sql.ts';
import { editMatter } from '#server/matters/edit.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { assignDeadlines } from './assign.ts';
import { addDeadline } from './by-hand.ts';
import { checkDeadlines } from './deadlines.ts';
import { editDeadline } from './details.ts';
import { ORDERS } from './docket-filter.ts';
import { enterEvent } from './events.ts';
import { formatCell, formatReadable, REPORT_COLUMNS, type ReportColumn } from './report-columns.ts';
import { makeReportCsv, makeReportPdf } from './report-files.ts';
import { GROUPINGS, groupRows } from './report-groups.ts';
import { mailReportOutside } from './report-outside.ts';
import { makeReport, parseReport } from './report.ts';

let house: TestHouse;
let matterId: string;
let number: string;
const SUMMONS = 'summons-and-complaint-served-on-a-defendant';
const report = (query: string, login = 'okafor') =>
	makeReport(house, house.staff(login), parseReport(house, new URLSearchParams(query)));
const cell = (title: string, column: ReportColumn) =>
	formatCell(
		report('show=all').rows.find((row) => row.title === title)!,
		column,
		false
	);

beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house));
	const fields = { 'fact:case-number': '3:26-cv-01234', 'fact:judge': 'Hon. Ada Marsh' };
	good(editMatter(house.as('okafor'), { matterId, fields }));
	good(
		enterEvent(house.as('okafor'), {
			matterId,
			eventKey: SUMMONS,
			date: '2026-11-09',
			docket: ['answer-or-rule-12-motion']
		})
	);
});

describe('a docket report', () => {
	it('has columns for the case, its judge, its event, its people, its rulebook, its last change', () => {
		const answer = (column: ReportColumn) => cell('Answer or Rule 12 motion', column);
		assert.equal(answer('caseNumber'), '3:26-cv-01234');
		assert.equal(answer('judge'), 'Hon. Ada Marsh');
		assert.match(answer('event'), /Summons and complaint served/i);
		assert.equal(answer('eventDate'), '2026-11-09');
		assert.equal(answer('people'), 'Ines Okafor');
		assert.match(answer('rulebook'), /\d{4}/);
		assert.equal(answer('changed'), '2026-11-23');
		house.set('2026-11-25');
		const [id] = report('').rows.map((row) => row.id);
		good(checkDeadlines(house.as('castellan'), { deadlineIds: [id!] }));
		assert.equal(answer('changed'), '2026-11-25');
	});

	it('fills every column there is of every date there is', () => {
		for (const row of report('show=all').rows)
			for (const column of Object.keys(REPORT_COLUMNS) as ReportColumn[])
				assert.equal(typeof formatCell(row, column, true), 'string', column);
	});

	it('is put together by day, matter, event, lawyer, unit, kind or court, each date in one group', async () => {
		const other = await newMatter(house, { title: 'Another', unitId: 'unit_3' }, 'wardle');
		good(
			addDeadline(house.as('wardle'), {
				matterId: other.matterId,
				title: 'Paper',
				date: '2026-12-08'
			})
		);
		const answer = report('').rows.find((row) => row.title === 'Answer or Rule 12 motion')!;
		good(
			assignDeadlines(house.as('okafor'), { deadlineIds: [answer.id], assigneeId: 'stf_reyes' })
		);
		const names = (order: string) => groupRows(report(`order=${order}`)).map(({ name }) => name);
		assert.deepEqual(names('person'), ['Sunniva Reyes', 'Tamsin Wardle']);
		assert.deepEqual(names('unit'), ['Passenger', 'Engineering']);
		assert.deepEqual(names('matter').length, 2);
		assert.ok(names('event').some((name) => name.startsWith('Summons')));
		assert.deepEqual(names('kind'), ['Litigation']);
		for (const order of ORDERS) {
			const groups = groupRows(report(`order=${order}&show=all`));
			const keys = groups.map(({ key }) => key);
			assert.equal(new Set(keys).size, keys.length, `${order}: a group stands once`);
			assert.ok(GROUPINGS[order].label.startsWith('By '));
		}
	});

	it('is a PDF on letter or A4, whose pages say who printed it when and which page it is', async () => {
		const pdf = async (query: string) => {
			const made = report(query);
			const printed = 'Printed by Ines Okafor, 23 November 2026, 09:00';
			return makeReportPdf({
				report: made,
				about: 'Docketed dates',
				printed,
				today: house.clock.today()
			});
		};
		const letter = await pdf('cols=date,title,matter,caseNumber,judge');
		assert.match(letter.toString('latin1'), /MediaBox \[0 0 792 612\]/);
		assert.match((await pdf('paper=a4')).toString('latin1'), /MediaBox \[0 0 841.89 595.28\]/);
		const text = await extractText(PDF, new Uint8Array(letter));
		for (const words of [
			'3:26-cv-01234',
			'Hon. Ada Marsh',
			'Printed by Ines Okafor',
			'Page 1 of 1'
		])
			assert.ok(text.replace(/\s+/g, ' ').includes(words), words);
	});
});

describe('a docket report outside', () => {
	const send = (more: object = {}, login = 'okafor') =>
		mailReportOutside(house.as(login), {
			query: 'show=open&cols=date,title,internal,workingMark,count',
			addresses: 'counsel@example.com, clerk@example.org',
			words: 'The dates we spoke of.',
			...more
		});
	const mails = () =>
		all<{ recipient: string; text: string; attachment_sha256: string }>(
			house.db,
			"SELECT * FROM mail_out WHERE subject LIKE 'Docket report from%' ORDER BY recipient"
		);

	it('goes as a PDF with a word, without our own columns, and each logbook says so', async () => {
		const { id } = report('').rows[0]!;
		good(editDeadline(house.as('okafor'), { deadlineId: id, internal: '2026-11-27' }));
		assert.equal(good(await send()).sent, 2);
		const sent = mails();
		assert.deepEqual(
			sent.map(({ recipient }) => /<(.*)>/.exec(recipient)![1]),
			['clerk@example.org', 'counsel@example.com']
		);
		assert.ok(sent.every(({ text }) => text.includes('The dates we spoke of.')));
		assert.ok(
			sent.every(({ text }) => !text.includes(house.origin)),
			'no address of this house'
		);
		const file = house.files.get(sent[0]!.attachment_sha256);
		const text = (await extractText(PDF, new Uint8Array(file))).replace(/\s+/g, ' ');
		assert.match(text, /Answer or Rule 12 motion/);
		assert.doesNotMatch(text, /27 November|Our date|Mark\b|How it was counted/);
		const logged = one<{ text: string }>(
			house.db,
			'SELECT text FROM logbook WHERE matter_id = @matterId ORDER BY rowid DESC LIMIT 1',
			{ matterId }
		).text;
		assert.match(logged, /1 date sent to counsel@example.com, clerk@example.org/);
	});

	it('never holds a date of a restricted matter', async () => {
		const hidden = await newMatter(house, { title: 'Heron', restricted: true });
		good(
			addDeadline(house.as('okafor'), {
				matterId: hidden.matterId,
				title: 'Secret paper',
				date: '2026-12-01'
			})
		);
		good(await send());
		const file = house.files.get(mails()[0]!.attachment_sha256);
		assert.doesNotMatch(await extractText(PDF, new Uint8Array(file)), /Secret paper|Heron/);
		assert.match(
			Object.values(bad(await send({ query: `show=open&matter=${hidden.number}` }))).join(),
			/nothing to send/
		);
	});

	it('is refused without a word, without an address, and to who may not change the docket', async () => {
		assert.match(bad(await send({ words: ' ' })).words!, /missing/);
		assert.match(bad(await send({ addresses: 'not an address' })).addresses!, /not a mail address/);
		assert.match(bad(await send({ addresses: '' })).addresses!, /missing/);
		assert.ok(bad(await send({}, 'haddad')));
		assert.ok(number && mails().length === 0);
	});
});

describe('what a date is of', () => {
	const EVENT = 'Summons and complaint served on a defendant';
	it('stands with its title where no column and no group says it', () => {
		assert.equal(cell('Answer or Rule 12 motion', 'title'), `Answer or Rule 12 motion (${EVENT})`);
		const [row] = report('show=open').rows;
		assert.equal(
			formatReadable(row!, 'title', false, house.clock.today()),
			`Answer or Rule 12 motion\n${EVENT}`
		);
		for (const query of ['show=open&cols=title,event', 'show=open&order=event'])
			assert.equal(formatCell(report(query).rows[0]!, 'title', false), 'Answer or Rule 12 motion');
	});
	it('is said by no event where a date was entered by hand', () => {
		good(addDeadline(house.as('okafor'), { matterId, title: 'Call back', date: '2026-12-03' }));
		assert.equal(cell('Call back', 'title'), 'Call back');
	});
	it('leaves a table one row a date, whatever its words hold', () => {
		const all = report('show=all&long=1&cols=title');
		const csv = makeReportCsv({ ...all, rows: [{ ...all.rows[0]!, long: 'One line\nanother' }] });
		assert.equal(parse(csv, { bom: true }).length, 2);
	});
});
