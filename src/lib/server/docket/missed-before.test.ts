/** What was missed before a report's span is said by the report: on screen, on paper, by mail. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { formatDate } from '#core/format/dates.ts';
import { all } from '#server/db/sql.ts';
import { PDF } from '#server/files/media.ts';
import { extractText } from '#server/files/text.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { addDeadline } from './by-hand.ts';
import { makeReportPdf } from './report-files.ts';
import { mailReport } from './report-mail.ts';
import { mailReportOutside } from './report-outside.ts';
import { makeReport, parseReport } from './report.ts';

let house: TestHouse;
let matterId: string;
const SAID = /1 missed date before this span is not settled\./;
const report = (query: string, login = 'okafor') =>
	makeReport(house, house.staff(login), parseReport(house, new URLSearchParams(query)));
const byHand = (title: string, date: string) =>
	good(addDeadline(house.as('okafor'), { matterId, title, date, authority: 'Letter' }));
const mails = () =>
	all<{ body: string }>(
		house.db,
		"SELECT text AS body FROM mail_out WHERE subject LIKE 'Docket report%'"
	);

beforeEach(async () => {
	house = await testHouse();
	({ matterId } = await newMatter(house));
	byHand('Statement of the damage', '2026-11-24');
	byHand('List of witnesses', '2026-12-10');
	house.set('2026-11-27');
});

describe('a report that begins after a missed date', () => {
	it('counts it, where the span and the sort of dates leave it out', () => {
		assert.deepEqual(report('from=2026-11-27').missedBefore, [matterId]);
		assert.equal(report('from=2026-11-27').total, 1);
		assert.deepEqual(report('from=2026-11-20').missedBefore, [], 'it is in the span');
		assert.deepEqual(report('').missedBefore, []);
		assert.deepEqual(report('from=2026-11-27&show=hearings').missedBefore, []);
	});

	it('says so on paper', async () => {
		const pdf = await makeReportPdf({
			report: report('from=2026-11-27'),
			about: 'Docketed dates',
			printed: `Printed ${formatDate(house.clock.today())}`,
			today: house.clock.today()
		});
		assert.match(await extractText(PDF, new Uint8Array(pdf)), SAID);
	});

	it('says so by mail, and to nobody outside or beside a restricted matter', async () => {
		const to = ['stf_castellan'];
		good(mailReport(house.as('okafor'), { query: 'from=2026-11-27', to, words: '' }));
		assert.match(mails().at(-1)!.body, SAID);
		const outside = {
			query: 'from=2026-11-27',
			addresses: 'x@claims.example',
			words: 'As agreed.'
		};
		good(await mailReportOutside(house.as('okafor'), outside));
		assert.doesNotMatch(mails().at(-1)!.body, SAID);
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		const before = mails().length;
		good(
			mailReport(house.as('okafor'), { query: 'from=2026-11-27', to: ['stf_okafor'], words: '' })
		);
		const [common, own] = mails().slice(before);
		assert.doesNotMatch(common!.body, SAID);
		assert.match(own!.body, SAID);
	});
});
