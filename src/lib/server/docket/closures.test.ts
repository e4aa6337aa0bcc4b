/** Closures by span, by file and for several courts. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { addMember } from '#server/matters/members.ts';
import { all, scalar } from '#server/db/sql.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { listWaitingChanges } from './changes.ts';
import { addClosure, previewClosure } from './closures.ts';
import { enterEvent } from './events.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

const close = (more: object) =>
	addClosure(house.as('castellan'), {
		...{ book: 'us-federal', kind: 'holiday', name: 'Flood', date: '2026-12-23' },
		...more
	} as never);
const errors = async (more: object) => {
	const result = await close(more);
	return result.ok ? {} : result.errors;
};
const closed = () =>
	all<{ book: string; date: string; name: string }>(
		house.db,
		'SELECT book, date, name FROM closure ORDER BY book, date'
	).map(({ book, date, name }) => `${book} ${date} ${name}`);

describe('a closure', () => {
	it('of a span closes its working days, in every court that is named', async () => {
		const result = good(await close({ until: '2026-12-29', also: ['us-ca-superior'] }));
		assert.equal(result.added, 10);
		assert.deepEqual(
			closed().filter((line) => line.startsWith('us-ca')),
			['23', '24', '25', '28', '29'].map((day) => `us-ca-superior 2026-12-${day} Flood`)
		);
	});
	it('moves by the whole span, and each matter is told once', async () => {
		const { matterId } = await newMatter(house, { rulebook: 'us-federal.ca-nd' });
		good(addMember(house.as('okafor'), { matterId, staffId: 'stf_wardle' }));
		// Wednesday, 2 December and 21 days: Wednesday, 23 December.
		house.set('2026-12-02');
		good(
			enterEvent(house.as('okafor'), {
				...{ matterId, date: '2026-12-02', service: 'personal' },
				eventKey: 'us-federal.ca-nd|summons-and-complaint-served-on-a-defendant'
			})
		);
		const shown = good(
			await previewClosure(house.as('castellan'), {
				...{ book: 'us-federal', kind: 'holiday', name: 'Flood' },
				...{ date: '2026-12-23', until: '2026-12-29' }
			})
		);
		assert.ok(shown.total > 0);
		assert.deepEqual(closed(), [], 'nothing is entered by looking');
		good(await close({ until: '2026-12-29' }));
		const change = listWaitingChanges(house, house.staff('okafor')).find(({ title }) =>
			title.startsWith('Answer')
		);
		assert.deepEqual([change?.was, change?.becomes], ['2026-12-23', '2026-12-30']);
		assert.match(
			change?.why ?? '',
			/Flood, Wednesday 23 December 2026 to Tuesday 29 December 2026/
		);
		assert.equal(
			scalar(
				house.db,
				"SELECT count(*) FROM mail_out WHERE subject LIKE 'Dates would change%' AND recipient LIKE '%wardle%'"
			),
			1
		);
	});
	it('comes from a file of days, each with its own reason', async () => {
		const csv = 'Date,Reason\n12/24/2026,Order 2026-41\n"December 31, 2026",Order 2026-42\n';
		good(await close({ date: '', name: '', file: new File([csv], 'closures.csv') }));
		assert.deepEqual(closed(), [
			'us-federal 2026-12-24 Order 2026-41',
			'us-federal 2026-12-31 Order 2026-42'
		]);
		const ics = [
			...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:x', 'BEGIN:VEVENT', 'UID:1'],
			...['DTSTAMP:20261101T000000Z', 'DTSTART;VALUE=DATE:20270104', 'SUMMARY:Inauguration'],
			...['END:VEVENT', 'END:VCALENDAR']
		].join('\r\n');
		good(await close({ date: '', name: '', file: new File([ics], 'court.ics') }));
		assert.ok(closed().includes('us-federal 2027-01-04 Inauguration'));
	});
	it('is refused with words beside the field, and nothing is entered', async () => {
		assert.match((await errors({ until: '2026-12-22' })).until ?? '', /before the first/);
		assert.match((await errors({ until: '2027-12-22' })).until ?? '', /60 days/);
		assert.match((await errors({ date: '' })).date ?? '', /missing/);
		assert.match((await errors({ name: '' })).name ?? '', /missing/);
		assert.match((await errors({ also: ['us-nowhere'] })).book ?? '', /Choose a court/);
		const list = new File(['Date,Reason\n12/24/2026,Order\nsoon,Order\nlater,Order'], 'x.csv');
		assert.match((await errors({ file: list })).file ?? '', /Not read: soon Order/);
		assert.deepEqual(closed(), []);
		good(await close({}));
		assert.match((await errors({})).date ?? '', /already/);
		assert.equal(good(await close({ also: ['us-ca-superior'] })).added, 1, 'only what is new');
	});
});
