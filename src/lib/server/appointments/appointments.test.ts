/** Appointments: made, changed one by one and as series, refused, taken back, told. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { listCalendarItems } from '#server/calendar-sheet/items.ts';
import { scalar } from '#server/db/sql.ts';
import { calendarsOf, PLAN } from '#server/testing/calendars.ts';
import { bad, good, testHouse, type TestHouse } from '#server/testing/house.ts';
import {
	addAppointment,
	callOffAppointment,
	changeAppointment,
	moveAppointment,
	takeBackAppointment
} from './commands.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

const WEEKLY = { ...PLAN, rule: 'FREQ=WEEKLY;BYDAY=TU' };

const { shown, add } = calendarsOf(() => house);

describe('an appointment', () => {
	it('stands in the calendar of each colleague on it', () => {
		add('okafor', { staff: ['stf_okafor', 'stf_wardle'], place: 'Pier 9' });
		add('okafor', {
			day: '2026-11-25',
			from: '',
			to: '',
			lastDay: '2026-11-26',
			subject: 'Offsite'
		});
		assert.deepEqual(shown('wardle'), ['11-24 10-11 Standing call']);
		assert.deepEqual(shown('okafor'), ['11-24 10-11 Standing call', '11-25 all day Offsite']);
	});
	it('is refused in words beside the field at fault', () => {
		const refused = (more: object) =>
			Object.entries(bad(addAppointment(house.as('okafor'), { ...PLAN, ...more }))).join();
		assert.match(refused({ to: '09:00' }), /^to,It would end before it begins/);
		assert.match(refused({ lastDay: '2026-11-20' }), /^lastDay,It would end/);
		assert.match(refused({ day: '2026-02-30' }), /^day,.*not a date that exists/);
		assert.match(refused({ to: '' }), /^to,Say when it ends/);
		assert.match(
			refused({ rule: 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30' }),
			/^rule,There is no such/
		);
		assert.match(refused({ rule: 'FREQ=SECONDLY' }), /^rule,/);
		assert.match(refused({ staff: ['stf_tarrant'] }), /^staff,Choose colleagues/);
		assert.match(refused({ subject: '' }), /^subject,/);
		assert.match(refused({ link: 'javascript:alert(1)' }), /^link,/);
		assert.match(
			refused({ guests: [{ name: 'Adjuster', email: 'nowhere' }] }),
			/^guests,.*no mail address/
		);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM appointment'), 0);
	});
	it('of a whole day never ends before midnight, and may end with the day', () => {
		add('okafor', { from: '22:00', to: '00:00' });
		assert.deepEqual(shown('okafor'), ['11-24 22-24 Standing call']);
	});
	it('begins on the first day that its rule gives', () => {
		add('okafor', { rule: 'FREQ=WEEKLY;BYDAY=TH' });
		assert.equal(shown('okafor')[0], '11-26 10-11 Standing call');
		add('wardle', { rule: 'FREQ=MONTHLY;BYMONTHDAY=31' });
		assert.deepEqual(shown('wardle'), ['12-31 10-11 Standing call']);
	});
	it('keeps its hour when the clocks change', () => {
		add('okafor', { ...WEEKLY, day: '2027-03-09' });
		const days = listCalendarItems(house, house.staff('okafor'), {
			from: plainDate('2027-03-08'),
			to: plainDate('2027-03-22'),
			staff: ['stf_okafor']
		});
		assert.deepEqual(
			days.map(({ day, from }) => `${day} ${from}`),
			['2027-03-09 600', '2027-03-16 600']
		);
	});
});

describe('a series', () => {
	const series = () => add('okafor', WEEKLY);
	const first = (id: string) => ({ appointmentId: id, onDay: '2026-12-01' });
	const WHEN = { day: '2026-12-02', from: '14:00', to: '15:00' };

	it('is moved on one day alone', () => {
		const { appointmentId } = series();
		good(moveAppointment(house.as('okafor'), { ...first(appointmentId), scope: 'this', ...WHEN }));
		assert.deepEqual(shown('okafor', 'okafor', '2026-12-08'), [
			'11-24 10-11 Standing call',
			'12-02 14-15 Standing call',
			'12-08 10-11 Standing call'
		]);
		assert.match(
			bad(moveAppointment(house.as('okafor'), { ...first(appointmentId), scope: 'this', ...WHEN }))[
				''
			]!,
			/moved or called off meanwhile/
		);
	});
	it('is moved from one day on, and what was different stays different', () => {
		const { appointmentId } = series();
		const fifteenth = { appointmentId, onDay: '2026-12-15' };
		const alone = {
			...fifteenth,
			scope: 'this' as const,
			day: '2026-12-16',
			from: '08:00',
			to: '09:00'
		};
		good(moveAppointment(house.as('okafor'), alone));
		good(moveAppointment(house.as('okafor'), { ...first(appointmentId), scope: 'later', ...WHEN }));
		const moved = [
			'11-24 10-11 Standing call',
			'12-02 14-15 Standing call',
			'12-09 14-15 Standing call',
			'12-16 8-9 Standing call',
			'12-23 14-15 Standing call',
			'12-30 14-15 Standing call'
		];
		assert.deepEqual(shown('okafor'), moved);
	});
	it('is moved as a whole, and ends when it ended', () => {
		const { appointmentId } = add('okafor', { rule: 'FREQ=WEEKLY;BYDAY=TU;COUNT=3' });
		good(moveAppointment(house.as('okafor'), { ...first(appointmentId), scope: 'all', ...WHEN }));
		assert.deepEqual(shown('okafor'), [
			'11-25 14-15 Standing call',
			'12-02 14-15 Standing call',
			'12-09 14-15 Standing call'
		]);
	});
	it('is changed and called off for one, for later ones, for all', () => {
		const { appointmentId } = series();
		const off = (onDay: string, scope: 'this' | 'later' | 'all') =>
			good(
				callOffAppointment(house.as('okafor'), { appointmentId, onDay, scope, reason: 'trial' })
			);
		off('2026-12-01', 'this');
		off('2026-12-15', 'later');
		assert.deepEqual(shown('okafor'), ['11-24 10-11 Standing call', '12-08 10-11 Standing call']);
		const other = { ...PLAN, day: '2026-12-08', subject: 'Other call', rule: '' };
		const eighth = { appointmentId, onDay: '2026-12-08', scope: 'this' as const };
		good(changeAppointment(house.as('okafor'), { ...eighth, ...other }));
		assert.deepEqual(shown('okafor'), ['11-24 10-11 Standing call', '12-08 10-11 Other call']);
		off('2026-11-24', 'all');
		assert.deepEqual(shown('okafor'), []);
	});
	it('of several days is moved within its week only', () => {
		const { appointmentId } = add('okafor', { rule: 'FREQ=WEEKLY;BYDAY=TU,TH' });
		const all_ = { appointmentId, onDay: '2026-11-24', scope: 'all' as const };
		const far = { ...all_, day: '2026-11-28', from: '10:00', to: '11:00' };
		assert.match(bad(moveAppointment(house.as('okafor'), far)).day!, /comes on several days/);
		good(moveAppointment(house.as('okafor'), { ...far, day: '2026-11-25' }));
		assert.deepEqual(shown('okafor', 'okafor', '2026-11-30'), [
			'11-25 10-11 Standing call',
			'11-27 10-11 Standing call'
		]);
	});
	it('that comes no more is the one that was looked at', () => {
		const { appointmentId } = series();
		const once = { ...PLAN, day: '2026-12-08', onDay: '2026-12-08', scope: 'all' as const };
		good(changeAppointment(house.as('okafor'), { appointmentId, ...once, rule: '' }));
		assert.deepEqual(shown('okafor'), ['12-08 10-11 Standing call']);
	});
	it('becomes one of what came once', () => {
		const { appointmentId } = add('okafor');
		good(changeAppointment(house.as('okafor'), { appointmentId, ...WEEKLY }));
		assert.equal(shown('okafor').length, 6);
	});
});

describe('a change', () => {
	it('is taken back while nothing came after it', () => {
		const { appointmentId } = add('okafor', WEEKLY);
		const before = shown('okafor');
		const when = { day: '2026-12-02', from: '14:00', to: '15:00' };
		for (const scope of ['this', 'later', 'all'] as const) {
			const one = { appointmentId, onDay: '2026-12-01', scope };
			const { changeId } = good(moveAppointment(house.as('okafor'), { ...one, ...when }));
			assert.notDeepEqual(shown('okafor'), before);
			bad(takeBackAppointment(house.as('wardle'), { changeId }));
			good(takeBackAppointment(house.as('okafor'), { changeId }));
			assert.deepEqual(shown('okafor'), before, scope);
		}
	});
	it('is not taken back over somebody else’s', () => {
		const { appointmentId } = add('okafor', { staff: ['stf_okafor', 'stf_wardle'] });
		const move = (login: string, from: string, to: string) =>
			good(moveAppointment(house.as(login), { appointmentId, day: PLAN.day, from, to }));
		const { changeId } = move('okafor', '12:00', '13:00');
		move('wardle', '13:00', '14:00');
		assert.match(bad(takeBackAppointment(house.as('okafor'), { changeId }))['']!, /changed again/);
	});
	it('by two at once is refused, with by whom', () => {
		const { appointmentId } = add('okafor', { staff: ['stf_okafor', 'stf_wardle'] });
		good(changeAppointment(house.as('wardle'), { appointmentId, ...PLAN, version: 1 }));
		const late = changeAppointment(house.as('okafor'), { appointmentId, ...PLAN, version: 1 });
		assert.equal(late.ok, false);
		assert.match(JSON.stringify(late), /Tamsin Wardle/);
	});
});
