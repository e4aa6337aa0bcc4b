import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { scalar } from '#server/db/sql.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { moveEvent } from '#server/docket/move-event.ts';
import { addReference } from '#server/matters/relations.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { setDateOrder } from '#server/staff/department.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { reconcile } from './commands.ts';
import { findReconciliation, listReconciliations } from './queries.ts';

let house: TestHouse;
let matter: { matterId: string; number: string };
beforeEach(async () => {
	house = await testHouse();
	good(setDateOrder(house.as('castellan'), { order: 'month' }));
	matter = await newMatter(house, { title: 'Pier 9' });
	good(
		addReference(house.as('okafor'), {
			...{ matterId: matter.matterId, whose: 'court', number: '4:26-cv-01422' }
		})
	);
});

const hearing = (title: string, date: string, time = '') =>
	good(
		addDeadline(house.as('okafor'), {
			...{ matterId: matter.matterId, what: 'hearing' as const, title, date, time }
		})
	);
const compare = async (text: string, more: object = {}, by = 'castellan') =>
	good(await reconcile(house.as(by), { text, ...more })).reconciliationId;
const linesOf = (id: string, by = 'castellan') =>
	findReconciliation(house, house.staff(by), id)!.lines.map((line) =>
		[line.state, line.ourTitle, line.ourDate, line.theirTitle, line.theirDate]
			.filter(Boolean)
			.join(' | ')
	);

describe("a court's list", () => {
	it('is compared by the number of the case: agrees, differs, missing here and there', async () => {
		hearing('Hearing on the motion to strike', '2026-12-01', '10:00');
		hearing('Mediation', '2026-12-17');
		hearing('Status conference', '2026-12-08');
		const id = await compare(
			[
				'Case,Date,Time,Event',
				'4:26-cv-01422,12/01/2026,10:00 AM,Motion Hearing - motion to strike',
				'4:26-cv-01422,12/10/2026,9:00 AM,Status Conference',
				'4:26-cv-01422,12/20/2026,,Settlement Conference',
				'9:99-cv-99999,12/20/2026,,Motion Hearing'
			].join('\n')
		);
		assert.deepEqual(linesOf(id).sort(), [
			'agrees | Hearing on the motion to strike | 2026-12-01 | Motion Hearing - motion to strike | 2026-12-01',
			'differs | Status conference | 2026-12-08 | Status Conference | 2026-12-10',
			'missing here | Settlement Conference | 2026-12-20',
			'missing there | Mediation | 2026-12-17',
			'no matter | Motion Hearing | 2026-12-20'
		]);
		const [past] = listReconciliations(house, house.staff('castellan'));
		assert.deepEqual([past?.agrees, past?.open], [1, 4]);
	});
	it('is found by any number that others have for a matter, and only by the ones that fit', async () => {
		hearing('Mediation', '2026-12-17', '09:30');
		good(
			addReference(house.as('okafor'), {
				...{ matterId: matter.matterId, whose: 'insurer', number: 'HM 26-40918' }
			})
		);
		const id = await compare(
			[
				'Thu 12/17/2026 9:00 AM HM-26-40918 Mediation',
				'12/22/2026 HM 26-40919 Motion to compel'
			].join('\n')
		);
		assert.deepEqual(linesOf(id), [
			'differs | Mediation | 2026-12-17 | Mediation | 2026-12-17',
			'no matter | HM 26-40919 Motion to compel | 2026-12-22'
		]);
	});
	it('may be plain lines for one matter, and says what it could not read', async () => {
		hearing('Status conference', '2026-12-08');
		const id = await compare('Calendar\nDecember 8, 2026 Status Conference\nsee order', {
			number: matter.number
		});
		assert.deepEqual(linesOf(id), [
			'agrees | Status conference | 2026-12-08 | Status Conference | 2026-12-08'
		]);
		const view = findReconciliation(house, house.staff('castellan'), id)!;
		assert.deepEqual(view.unread, ['Calendar', 'see order']);
	});
	it('may be a calendar file', async () => {
		hearing('Status conference', '2026-12-08', '09:00');
		const ics = [
			...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'BEGIN:VEVENT', 'UID:1'],
			...['DTSTAMP:20261101T000000Z', 'DTSTART:20261208T090000'],
			...['SUMMARY:4:26-cv-01422 Status Conference', 'END:VEVENT', 'END:VCALENDAR']
		].join('\r\n');
		const id = good(
			await reconcile(house.as('castellan'), { file: new File([ics], 'court.ics') })
		).reconciliationId;
		assert.equal(
			findReconciliation(house, house.staff('castellan'), id)?.lines[0]?.state,
			'agrees'
		);
	});
	it('is refused with words where nothing can be read', async () => {
		const errors = async (input: object) => {
			const result = await reconcile(house.as('castellan'), input);
			return result.ok ? {} : result.errors;
		};
		assert.match((await errors({ text: 'nothing here' })).text ?? '', /No day was found/);
		assert.match((await errors({})).text ?? '', /Paste the court's list/);
		assert.match((await errors({ text: 'x', number: 'LF-0000-0000' })).number ?? '', /Choose/);
		const binary = new File([new Uint8Array([0, 1, 2])], 'x.csv');
		assert.match((await errors({ file: binary })).file ?? '', /no text/);
		good(setDateOrder(house.as('castellan'), { order: '' }));
		const unclear = await errors({ text: '12/10/2026 Status conference' });
		assert.match(unclear.text ?? '', /“12\/10\/2026”: does the day or the month come first/);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM reconciliation'), 0);
	});
});

describe('a comparison', () => {
	it('stays as it was, and says what was put right since', async () => {
		const { eventId } = hearing('Status conference', '2026-12-08');
		const id = await compare('12/10/2026 Status Conference', { number: matter.number });
		const settled = () =>
			findReconciliation(house, house.staff('castellan'), id)!.lines.map((line) => line.settled);
		assert.deepEqual(settled(), [false]);
		good(
			moveEvent(house.as('okafor'), {
				...{ eventId, to: '2026-12-10', reason: 'as the court has it', version: 1 }
			})
		);
		assert.deepEqual(settled(), [true]);
		assert.deepEqual(linesOf(id), [
			'differs | Status conference | 2026-12-08 | Status Conference | 2026-12-10'
		]);
		assert.throws(() => house.db.exec("UPDATE reconciliation_entry SET state = 'agrees'"), /stays/);
		assert.throws(() => house.db.exec('DELETE FROM reconciliation_entry'), /not deleted/);
	});
	it('is put right by the time too, and by what is entered under the same name', async () => {
		hearing('Mediation', '2026-12-17', '09:30');
		const id = await compare('12/17/2026 9:00 AM Mediation\n12/22/2026 Pretrial conference', {
			number: matter.number
		});
		const settled = () =>
			findReconciliation(house, house.staff('castellan'), id)!.lines.map((line) => line.settled);
		assert.deepEqual(settled(), [false, false]);
		hearing('Deposition of the master', '2026-12-22');
		assert.deepEqual(settled(), [false, false]);
		hearing('Pretrial conference', '2026-12-22');
		assert.deepEqual(settled(), [false, true]);
	});
	it('shows nothing of a restricted matter, nor of entries of none, to others', async () => {
		hearing('Secret conference', '2026-12-08');
		const id = await compare(
			'4:26-cv-01422 12/08/2026 Secret Conference\n12/09/2026 Hidden hearing matters',
			{},
			'okafor'
		);
		good(restrictMatter(house.as('okafor'), { matterId: matter.matterId, restricted: true }));
		assert.equal(linesOf(id, 'okafor').length, 2);
		assert.deepEqual(linesOf(id, 'castellan'), []);
		assert.deepEqual(listReconciliations(house, house.staff('castellan')), []);
	});
});
