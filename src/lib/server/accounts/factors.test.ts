import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { hashPassword, signIn } from '#server/access/accounts.ts';
import { listFactors, needsFactor } from '#server/access/factors.ts';
import { findSessionStaff } from '#server/access/sessions.ts';
import { findStepStaff } from '#server/access/steps.ts';
import { makeCode } from '#server/access/totp.ts';
import { run, scalar } from '#server/db/sql.ts';
import { bad, good, testHouse, type TestHouse } from '#server/testing/house.ts';
import {
	addCode,
	addPasskey,
	beginCode,
	beginPasskey,
	removeFactor,
	removeFactorsOf,
	setStrictRoles
} from './factors.ts';
import { passCode, passPasskey } from './second-step.ts';

const PASSWORD = 'seven grey pilings';
const from = { address: '10.0.0.1', agent: 'test' };
let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
	run(house.db, "UPDATE staff SET password_hash = @hash WHERE login IN ('okafor', 'reyes')", {
		hash: await hashPassword(PASSWORD)
	});
});
const io = () => house.as('okafor');
async function addApp(): Promise<{ secret: string; factorId: string }> {
	const { secret } = good(await beginCode(io(), {}));
	const { factorId } = good(addCode(io(), { code: makeCode(secret, -1), label: 'Telephone' }));
	return { secret, factorId };
}
async function enter(login = 'okafor') {
	const done = await signIn(house, login, PASSWORD, from);
	assert.ok('step' in done, JSON.stringify(done));
	return { token: done.step, row: findStepStaff(house, done.step)!, from };
}

describe('an authenticator app', () => {
	it('holds from its first code on; then the password opens only a step', async () => {
		const { secret } = good(await beginCode(io(), {}));
		assert.match(bad(addCode(io(), { code: '000000', label: 'x' })).code!, /not the code of now/);
		assert.ok('token' in (await signIn(house, 'okafor', PASSWORD, from)), 'not confirmed yet');
		good(addCode(io(), { code: makeCode(secret, -1), label: 'Telephone' }));
		const step = await enter();
		assert.equal(findSessionStaff(house, step.token), undefined, 'a step is no session');
		const refused = passCode(house, step, '123456');
		assert.ok('error' in refused);
		const done = passCode(house, step, makeCode(secret));
		assert.ok('token' in done);
		assert.equal(findSessionStaff(house, done.token)?.login, 'okafor');
		assert.equal(findStepStaff(house, step.token), undefined, 'the step is over');
	});
	it('takes a code once, and so many tries', async () => {
		const { secret } = await addApp();
		const code = makeCode(secret);
		assert.ok('token' in passCode(house, await enter(), code));
		assert.ok('error' in passCode(house, await enter(), code), 'the same code again');
		for (let tries = 0; tries < 4; tries++) passCode(house, await enter(), '111111');
		assert.ok('token' in passCode(house, await enter(), makeCode(secret, 1)));
		const step = await enter();
		// What was right leaves all tries.
		for (let tries = 0; tries < 6; tries++) passCode(house, step, '111111');
		const late = passCode(house, step, makeCode(secret, 1));
		assert.match('error' in late ? late.error : '', /Too many tries/);
	});
	it('lies encrypted, and in no audit entry', async () => {
		const { secret } = await addApp();
		assert.ok(!house.db.serialize().toString('latin1').includes(secret));
	});
	it('is removed with the password, or by an administrator, who ends the sessions', async () => {
		const { factorId } = await addApp();
		const wrong = await removeFactor(io(), { factorId, password: 'nope' });
		assert.match(bad(wrong).password!, /not your password/);
		assert.match(
			bad(await removeFactor(house.as('reyes'), { factorId, password: PASSWORD }))['']!,
			/no such/
		);
		good(await removeFactor(io(), { factorId, password: PASSWORD }));
		assert.ok('token' in (await signIn(house, 'okafor', PASSWORD, from)));
		await addApp();
		assert.equal(
			good(removeFactorsOf(house.as('harrowgate'), { staffId: 'stf_okafor' })).removed,
			1
		);
		assert.equal(scalar(house.db, "SELECT count(*) FROM session WHERE staff_id = 'stf_okafor'"), 0);
		assert.match(
			bad(removeFactorsOf(house.as('reyes'), { staffId: 'stf_okafor' }))['']!,
			/role does not/
		);
	});
});

describe('a role that needs a second step', () => {
	it('opens only the setting up of one where there is none; the last one stays', async () => {
		const admin = house.as('harrowgate');
		good(setStrictRoles(admin, { roles: ['counsel'] }));
		assert.ok(needsFactor(house, house.staff('okafor')));
		const step = await enter();
		assert.deepEqual(listFactors(house, step.row.id), []);
		const { factorId } = await addApp();
		assert.match(
			bad(await removeFactor(io(), { factorId, password: PASSWORD }))['']!,
			/add another one first/
		);
		assert.match(
			bad(setStrictRoles(admin, { roles: ['administrator'] })).roles!,
			/of your own before administrator/
		);
		assert.match(bad(setStrictRoles(io(), { roles: [] }))['']!, /role does not/);
	});
});

describe('a passkey', () => {
	it('that answers nothing that was asked is refused, whatever it says', async () => {
		const none = await addPasskey(io(), { response: { id: 'x' }, label: 'Key' });
		assert.match(bad(none).passkey!, /too long/);
		good(await beginPasskey(io(), {}));
		for (const response of [{}, { id: 'x' }, { id: 'x', response: {} }, { __proto__: null }])
			assert.match(
				bad(await addPasskey(io(), { response, label: 'Key' })).passkey!,
				/not accepted/
			);
		await addApp();
		const step = await enter();
		for (const response of [null, 1, 'x', [], { id: 'x' }])
			assert.ok('error' in (await passPasskey(io(), step, response)));
	});
});
