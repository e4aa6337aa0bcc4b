import assert from 'node:assert/strict';
import { it } from 'node:test';
import { addAppointment, callOffAppointment } from '#server/appointments/commands.ts';
import { good, testHouse } from '#server/testing/house.ts';
import { listHorizon } from './horizon.ts';
import { showToday } from './today.ts';

it('says what stands in one’s day and which hours of it are left', async () => {
	const house = await testHouse();
	const me = house.staff('okafor');
	const plan = { subject: 'Call', day: '2026-11-23', from: '11:00', to: '12:00' };
	const { appointmentId } = good(addAppointment(house.as('okafor'), plan));
	good(addAppointment(house.as('okafor'), { ...plan, from: '12:15', to: '18:45' }));
	good(addAppointment(house.as('wardle'), { ...plan, subject: 'Not mine' }));
	good(addAppointment(house.as('okafor'), { ...plan, subject: 'Offsite', from: '', to: '' }));
	const today = showToday(house, me);
	assert.deepEqual(
		today.items.map(({ subject }) => subject),
		['Offsite', 'Call', 'Call']
	);
	// It is nine; a quarter of an hour is no time to work in, a whole day keeps nobody.
	assert.deepEqual([today.free, today.freeMinutes], [['09:00 to 11:00'], 120]);
	const [first] = listHorizon(house, me, 'mine');
	assert.deepEqual(
		first?.marks.filter(({ kind }) => kind === 'appointment').map(({ title }) => title),
		['Offsite; 11:00 Call; 12:15 Call']
	);
	good(callOffAppointment(house.as('okafor'), { appointmentId, reason: '' }));
	assert.deepEqual(showToday(house, me).free, ['09:00 to 12:15']);
});
