import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { kindFields } from '#core/kinds/fields.ts';
import { changeAccount } from '#server/accounts/commands.ts';
import { saveKind } from '#server/kinds/commands.ts';
import { kindBody, requireKind } from '#server/kinds/queries.ts';
import { listTeams, saveTeam } from '#server/staff/teams.ts';
import { bad, good, testHouse, type TestHouse } from '#server/testing/house.ts';
import { logTime, changeTime } from '#server/time/commands.ts';
import type { Result } from './errors.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

/** Of two who write the same: the fields that are asked, as each has them. */
function asked(result: Result<unknown>): [string, string, string][] {
	assert.equal(result.ok, false);
	if (result.ok) return [];
	assert.equal(result.status, 409);
	return (result.conflict?.differences ?? []).map(({ field, theirs, yours }) => [
		field,
		theirs,
		yours
	]);
}

describe('two writers of a kind', () => {
	const kind = () => kindBody(requireKind(house, 'litigation'));
	const save = (by: string, change: Partial<ReturnType<typeof kind>>, from = kind()) =>
		saveKind(house.as(by), {
			kindId: 'litigation',
			active: true,
			body: { ...from, ...change },
			base: { ...kindFields(from), active: 'true' }
		});

	it('are put together where they changed different parts', () => {
		const began = kind();
		good(save('haddad', { quietDays: 33 }));
		good(save('harrowgate', { folders: ['Pleadings'] }, began));
		assert.deepEqual([kind().quietDays, kind().folders], [33, ['Pleadings']]);
	});
	it('are shown what each wrote of the same part, and nothing is saved', () => {
		const began = kind();
		good(save('haddad', { folders: [...began.folders, 'Experts'] }));
		const second = save('harrowgate', { folders: [...began.folders, 'Jury'] }, began);
		assert.deepEqual(asked(second), [['folders', 'Experts', 'Jury']]);
		assert.ok(!kind().folders.includes('Jury'));
	});
});

describe('two writers of what an administrator keeps', () => {
	it('see each other’s change of an account', () => {
		const was = { name: 'Ines Okafor', email: 'okafor@larkhaven.example' };
		const change = (by: string, name: string) =>
			changeAccount(house.as(by), {
				...{ staffId: 'stf_okafor', role: 'counsel', level: 'lead', email: was.email, name },
				base: { ...was, name: house.staff('okafor').name, role: 'counsel', level: 'lead' }
			});
		const before = house.staff('okafor').name;
		good(change('harrowgate', 'Ines Okafor-Lund'));
		const second = changeAccount(house.as('harrowgate'), {
			...{ staffId: 'stf_okafor', role: 'counsel', level: 'lead', email: was.email },
			name: 'Ines Lund',
			base: { name: before }
		});
		assert.deepEqual(asked(second), [['name', 'Ines Okafor-Lund', 'Ines Lund']]);
	});
	it('see each other’s change of a team, and keep what only one changed', () => {
		const members = [{ staffId: 'stf_okafor' }];
		const { teamId } = good(saveTeam(house.as('harrowgate'), { name: 'Trials', members }));
		const base = {
			name: 'Trials',
			members: JSON.stringify([{ staffId: 'stf_okafor', part: '', access: 'change' }])
		};
		const save = (name: string, staffId: string) =>
			saveTeam(house.as('castellan'), { teamId, name, members: [{ staffId }], base });
		good(save('Trial teams', 'stf_okafor'));
		good(save('Trials', 'stf_reyes'));
		assert.deepEqual(
			listTeams(house).map((team) => [team.name, team.members.map(({ staffId }) => staffId)]),
			[['Trial teams', ['stf_reyes']]]
		);
		assert.equal(asked(save('Trials', 'stf_wardle'))[0]?.[0], 'members');
	});
	it('see their own change of time in another window', () => {
		const entry = { day: '2026-10-30', hours: '0.4', narrative: 'Read the order' };
		const { entryId } = good(
			logTime(house.as('okafor'), { ...entry, matterId: null, activity: 'TRAIN' })
		);
		const base = { hours: '0.4', narrative: entry.narrative };
		const change = (hours: string, narrative: string) =>
			changeTime(house.as('okafor'), { entryId, hours, narrative, base });
		good(change('0.6', 'Read the order'));
		assert.deepEqual(asked(change('0.8', 'Read the order')), [['hours', '0.6', '0.8']]);
		good(change('0.4', 'Read the order again'));
		assert.match(Object.values(bad(change('1.2', 'Read')))[0]!, /changed this while you wrote/);
	});
});
