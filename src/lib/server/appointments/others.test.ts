/** Appointments and others: rooms, colleagues who are busy, told or left out, what is private. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { plainDate } from '#core/dates/plain.ts';
import { listCalendarItems } from '#server/calendar-sheet/items.ts';
import { all, insert, scalar } from '#server/db/sql.ts';
import { calendarsOf, PLAN } from '#server/testing/calendars.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { letKeep } from './choices.ts';
import {
	addAppointment,
	callOffAppointment,
	handOverAppointment,
	moveAppointment,
	takeBackAppointment
} from './commands.ts';
import { saveResource } from './keep-lists.ts';
import type { ResourceRow } from './rows.ts';
import { tellAppointments } from './tell.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

const { items, shown, add } = calendarsOf(() => house);

describe('a room', () => {
	const book = (login: string, more: object = {}) =>
		addAppointment(house.as(login), { ...PLAN, resources: ['res_4'], ...more });
	beforeEach(() => {
		const room: ResourceRow = {
			...{ id: 'res_4', name: 'Room 4', sort: 'room', office: '' },
			...{ seats: 6, active: 1 }
		};
		insert<ResourceRow>(house.db, 'resource', room);
	});
	it('is not booked twice: who has it, and when it is free next', () => {
		good(book('okafor'));
		good(book('wardle', { from: '11:00', to: '12:00', private: true }));
		const message = bad(book('reyes', { from: '10:30', to: '11:30' })).resources!;
		assert.match(
			message,
			/Room 4 is taken for “Standing call” on Tuesday 24 November 2026 10:00|10:30/
		);
		assert.match(message, /free for as long from Tuesday 24 November 2026 12:00/);
		const hidden = bad(book('reyes', { from: '11:30', to: '12:30' })).resources!;
		assert.match(hidden, /taken by Tamsin Wardle/);
		assert.doesNotMatch(hidden, /Standing/);
	});
	it('is not booked twice by a series either, be it two years on', () => {
		good(book('okafor', { day: '2028-11-21' }));
		assert.match(
			bad(book('wardle', { rule: 'FREQ=WEEKLY;BYDAY=TU' })).resources!,
			/21 November 2028/
		);
		good(book('wardle', { rule: 'FREQ=WEEKLY;BYDAY=TU', from: '11:00', to: '12:00' }));
	});
	it('makes way for what moves within it', () => {
		const { appointmentId } = good(book('okafor'));
		const when = { day: PLAN.day, from: '10:30', to: '11:30' };
		good(moveAppointment(house.as('okafor'), { appointmentId, ...when }));
	});
	it('is kept by those who keep the calendar', () => {
		const room = { name: 'Room 9', sort: 'room' as const };
		bad(saveResource(house.as('okafor'), room));
		good(saveResource(house.as('castellan'), room));
		assert.match(
			bad(saveResource(house.as('castellan'), { ...room, name: 'room 9' })).name!,
			/already/
		);
		assert.match(bad(book('okafor', { resources: ['res_x'] })).resources!, /of the list/);
	});
});

describe('a colleague', () => {
	it('who is busy is said, by what one may read', () => {
		add('wardle', { subject: 'Board committee' });
		const { warnings } = add('okafor', { staff: ['stf_okafor', 'stf_wardle'] });
		assert.match(
			warnings.join(),
			/Tamsin Wardle has “Board committee” on Tuesday 24 November 2026 10:00/
		);
		add('reyes', { subject: 'Doctor', private: true });
		const { warnings: others } = add('lindqvist', { staff: ['stf_reyes', 'stf_lindqvist'] });
		assert.match(others.join(), /Sunniva Reyes is busy/);
		add('quiroga', { subject: 'Anniversary', from: '', to: '' });
		assert.deepEqual(add('quiroga').warnings, []);
	});
	it('keeps their calendar, or lets somebody', () => {
		const foreign = { ...PLAN, staff: ['stf_okafor'] };
		assert.match(bad(addAppointment(house.as('wardle'), foreign)).staff!, /Ines Okafor keeps/);
		const { appointmentId } = add('okafor');
		const when = { appointmentId, day: PLAN.day, from: '12:00', to: '13:00' };
		assert.match(bad(moveAppointment(house.as('wardle'), when))['']!, /keep it themselves/);
		good(moveAppointment(house.as('castellan'), when));
		good(letKeep(house.as('okafor'), { keeperId: 'stf_wardle' }));
		good(moveAppointment(house.as('wardle'), when));
		good(addAppointment(house.as('wardle'), foreign));
	});
	it('takes one over, and both are told', async () => {
		const { appointmentId } = add('okafor', { staff: ['stf_okafor', 'stf_wardle'] });
		house.set('2026-11-23', 10);
		await tellAppointments(house);
		const over = { appointmentId, fromId: 'stf_wardle', toId: 'stf_reyes' };
		good(handOverAppointment(house.as('okafor'), over));
		house.set('2026-11-23', 11);
		await tellAppointments(house);
		const mails = all<{ recipient: string; subject: string }>(
			house.db,
			'SELECT recipient, subject FROM mail_out ORDER BY id'
		).map(({ recipient, subject }) => `${recipient.split(' <')[0]}: ${subject}`);
		assert.deepEqual(mails, [
			'Tamsin Wardle: Appointment: Standing call, Tuesday 24 November 2026 10:00 to 11:00',
			'Sunniva Reyes: Appointment: Standing call, Tuesday 24 November 2026 10:00 to 11:00',
			'Tamsin Wardle: Off: Standing call, Tuesday 24 November 2026 10:00 to 11:00'
		]);
		assert.deepEqual(shown('wardle'), []);
	});
	it('is told once of many changes, and of none that was taken back', async () => {
		const { appointmentId } = add('okafor', { staff: ['stf_okafor', 'stf_wardle'] });
		house.set('2026-11-23', 10);
		await tellAppointments(house);
		const count = () => scalar<number>(house.db, 'SELECT count(*) FROM mail_out');
		assert.equal(count(), 1);
		const move = (from: string, to: string) =>
			good(moveAppointment(house.as('okafor'), { appointmentId, day: PLAN.day, from, to }));
		const { changeId } = move('12:00', '13:00');
		good(takeBackAppointment(house.as('okafor'), { changeId }));
		house.set('2026-11-23', 11);
		await tellAppointments(house);
		assert.equal(count(), 1);
		const weekly = add('okafor', {
			rule: 'FREQ=WEEKLY;BYDAY=TU',
			staff: ['stf_okafor', 'stf_wardle']
		});
		house.set('2026-11-23', 12);
		await tellAppointments(house);
		assert.equal(count(), 2);
		const one = {
			appointmentId: weekly.appointmentId,
			onDay: '2026-12-01',
			scope: 'this' as const
		};
		const away = { day: '2026-12-03', from: '09:00', to: '10:00' };
		const moved = good(moveAppointment(house.as('okafor'), { ...one, ...away }));
		good(takeBackAppointment(house.as('okafor'), moved));
		house.set('2026-11-23', 13);
		await tellAppointments(house);
		assert.equal(count(), 2);
		good(callOffAppointment(house.as('okafor'), { ...one, reason: '' }));
		house.set('2026-11-23', 14);
		await tellAppointments(house);
		assert.equal(count(), 3);
		assert.match(
			scalar<string>(house.db, 'SELECT text FROM mail_out ORDER BY id DESC LIMIT 1'),
			/Not on Tuesday 1 December 2026/
		);
		for (const hour of [12, 13, 14]) move(`${hour}:00`, `${hour + 1}:00`);
		house.set('2026-11-23', 15);
		await tellAppointments(house);
		await tellAppointments(house);
		assert.equal(count(), 4);
		assert.match(
			scalar<string>(house.db, 'SELECT text FROM mail_out ORDER BY id DESC LIMIT 1'),
			/It was: Tuesday 24 November 2026 10:00 to 11:00\.\nIt is now: Tuesday 24 November 2026 14:00 to 15:00/
		);
	});
});

describe('what is not everybody’s', () => {
	const everything = (login: string, whose: string) =>
		JSON.stringify(items(login, whose)) +
		JSON.stringify(
			listCalendarItems(house, house.staff(login), {
				from: plainDate('2026-11-23'),
				to: plainDate('2026-12-31'),
				resources: ['res_4']
			})
		);
	it('is a busy block and nothing else to others', async () => {
		add('okafor', {
			subject: 'Oncologist',
			place: 'Clinic',
			private: true,
			staff: ['stf_okafor', 'stf_wardle']
		});
		assert.match(everything('wardle', 'wardle'), /Oncologist/);
		for (const login of ['reyes', 'castellan', 'harrowgate']) {
			assert.doesNotMatch(everything(login, 'okafor'), /Oncologist|Clinic|apt_|wardle/);
			assert.deepEqual(shown(login, 'okafor'), ['11-24 10-11 busy']);
		}
		house.set('2026-11-23', 10);
		await tellAppointments(house);
		assert.doesNotMatch(
			JSON.stringify(all(house.db, 'SELECT * FROM mail_out')),
			/Oncologist|Clinic/
		);
	});
	it('cannot be changed or called off by others, though they keep calendars', () => {
		const { appointmentId } = add('okafor', { private: true });
		const when = { appointmentId, day: PLAN.day, from: '12:00', to: '13:00' };
		const refused = moveAppointment(house.as('castellan'), when);
		assert.equal(!refused.ok && refused.status, 404);
	});
	it('of a restricted matter is for those on it', async () => {
		const { matterId } = await newMatter(house, { restricted: true, title: 'Quayside whisper' });
		const plan = { ...PLAN, matterId, subject: 'Whispered talk' };
		assert.equal(bad(addAppointment(house.as('wardle'), plan))[''] !== undefined, true);
		assert.match(
			bad(addAppointment(house.as('okafor'), { ...plan, staff: ['stf_okafor', 'stf_wardle'] }))
				.staff!,
			/Tamsin Wardle is not on this restricted matter/
		);
		good(addAppointment(house.as('okafor'), plan));
		assert.match(everything('okafor', 'okafor'), /Whispered talk.*LF-2026-0001/);
		assert.doesNotMatch(everything('wardle', 'okafor'), /Whispered|LF-2026|apt_/);
		assert.deepEqual(shown('wardle', 'okafor'), ['11-24 10-11 busy']);
	});
	it('stands in the logbook of its matter, unless it is private', async () => {
		const { matterId } = await newMatter(house);
		add('okafor', { matterId, subject: 'Witness talk' });
		add('okafor', { matterId, subject: 'Own worry', private: true });
		const texts = all<{ text: string }>(house.db, 'SELECT text FROM logbook').map(
			({ text }) => text
		);
		assert.ok(texts.includes('Witness talk: Tuesday 24 November 2026 10:00 to 11:00.'));
		assert.doesNotMatch(texts.join(), /Own worry/);
		assert.doesNotMatch(JSON.stringify(all(house.db, 'SELECT detail FROM audit')), /Own worry/);
	});
});
