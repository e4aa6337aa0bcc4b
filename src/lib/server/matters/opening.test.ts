/** Opening with everyone who belongs to it, members and teams, stages, endings, origins. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, scalar } from '#server/db/sql.ts';
import { saveKind } from '#server/kinds/commands.ts';
import { kindBody, requireKind } from '#server/kinds/queries.ts';
import { listRoles } from '#server/people/queries.ts';
import { addPerson } from '#server/people/commands.ts';
import { listTeams, removeTeam, saveTeam } from '#server/staff/teams.ts';
import { bad, good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { findCaption } from './caption.ts';
import { editMatter } from './edit.ts';
import { listMatters } from './list.ts';
import { addMember, addTeam } from './members.ts';
import { openMatter } from './open.ts';
import { listOrigins, saveOrigin } from './origins.ts';
import { setStage } from './stage.ts';
import { closeMatter, reopenMatter } from './status.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

const opening = {
	...{ kind: 'litigation', title: 'Gangway collapse', unitId: 'unit_0', rulebook: '' },
	...{ responsibleId: 'stf_wardle', restricted: false }
};
const caption = (number: string, login = 'okafor') =>
	findCaption(house, house.staff(login), number)!;
const team = (more: object = {}) => ({
	name: 'Harbor trials',
	members: [
		{ staffId: 'stf_lindqvist', part: 'second lawyer' },
		{ staffId: 'stf_fairweather', part: 'paralegal', access: 'read' as const }
	],
	...more
});
const words = (matterId: string) =>
	all<{ text: string }>(house.db, 'SELECT text FROM logbook WHERE matter_id = @matterId', {
		matterId
	})
		.map(({ text }) => text)
		.join('\n');

describe('opening a matter', () => {
	it('takes parties in their roles, members in their parts, a team, who brought it, its origin', async () => {
		const { personId } = good(
			await addPerson(house.as('okafor'), {
				...{ kind: 'person', name: 'Hon. Ada Merriweather', sure: true }
			})
		);
		const { teamId } = good(saveTeam(house.as('castellan'), team()));
		const { number, matterId, checkId } = good(
			await openMatter(house.as('abernathy'), {
				...opening,
				opponentName: 'Corbel Marine Inc.',
				parties: [
					{ role: 'judge', personId },
					{ role: 'opposing counsel', name: 'Sorrel Vane', kind: 'person' },
					{ role: '', name: '' }
				],
				members: [
					{ staffId: 'stf_castellan', part: 'docket clerk' },
					{ staffId: '', part: '' }
				],
				teamId,
				originatingId: 'stf_okafor',
				originId: 'org_served',
				description: 'The gangway at Pier 9 gave way.'
			})
		);
		assert.deepEqual(
			listRoles(house, matterId)
				.map((one) => `${one.role}: ${one.name}`)
				.sort(),
			[
				'judge: Hon. Ada Merriweather',
				'opponent: Corbel Marine Inc.',
				'opposing counsel: Sorrel Vane'
			]
		);
		const { members, originating, origin, missing } = caption(number);
		assert.deepEqual(
			members.map(({ name, part, access, role }) => [name, part, access, role].join('/')),
			[
				'Dorit Castellan/docket clerk/change/member',
				'Joss Abernathy//change/owner',
				'Lena Fairweather/paralegal/read/member',
				'Priya Lindqvist/second lawyer/change/member',
				'Tamsin Wardle//change/responsible'
			]
		);
		assert.deepEqual([originating, origin], ['Ines Okafor', 'Papers served on the company']);
		assert.ok(!missing.includes('opposing counsel'));
		const names = scalar<string>(house.db, 'SELECT names FROM interest_check WHERE id = @checkId', {
			checkId
		});
		assert.match(names, /Corbel[\s\S]*Merriweather[\s\S]*Vane/);
		const told = all<{ recipient: string }>(
			house.db,
			"SELECT recipient FROM mail_out WHERE subject LIKE '%you are on it'"
		).map(({ recipient }) => recipient.split(' <')[0]);
		assert.deepEqual(told.sort(), ['Dorit Castellan', 'Lena Fairweather', 'Priya Lindqvist']);
		assert.equal(
			scalar(house.db, "SELECT count(*) FROM search WHERE search MATCH 'gangway AND gave'"),
			1,
			'a matter is found by what it is about'
		);
	});
	it('says all that is wrong at once, each beside its field, and keeps nothing', async () => {
		const result = await openMatter(house.as('abernathy'), {
			...opening,
			responsibleId: 'stf_castellan',
			parties: [
				{ role: '', name: 'Sorrel Vane' },
				{ role: 'judge', personId: 'per_none' }
			],
			members: [{ staffId: 'stf_tarrant', part: '' }],
			...{ teamId: 'team_none', originatingId: 'stf_none', originId: 'org_none' }
		});
		assert.deepEqual(Object.keys(bad(result)).sort(), [
			'members.0.staffId',
			'originId',
			'originatingId',
			'parties.0.role',
			'parties.1.personId',
			'responsibleId',
			'teamId'
		]);
		assert.equal(scalar(house.db, 'SELECT count(*) FROM matter'), 0);
	});
	it('counts a wanted role that nobody fills as missing', async () => {
		const { number } = await newMatter(house, {});
		assert.ok(caption(number).missing.includes('opposing counsel'));
	});
});

describe('a team', () => {
	it('is put on a matter in one act; who is on it already stays what they are', async () => {
		const { matterId, number } = await newMatter(house, {});
		good(addMember(house.as('okafor'), { matterId, staffId: 'stf_lindqvist', owner: true }));
		const { teamId } = good(saveTeam(house.as('castellan'), team()));
		assert.equal(good(addTeam(house.as('okafor'), { matterId, teamId })).joined, 1);
		assert.match(
			words(matterId),
			/Harbor trials joined the matter: Lena Fairweather, as paralegal/
		);
		assert.equal(caption(number).members.find(({ owner }) => owner)?.name, 'Priya Lindqvist');
		assert.match(bad(addTeam(house.as('okafor'), { matterId, teamId })).teamId!, /already/);
	});
	it('is changed by its version, has a name of its own and at least one colleague, each once', () => {
		const { teamId } = good(saveTeam(house.as('castellan'), team()));
		const say = (more: object) => bad(saveTeam(house.as('castellan'), { ...team(), ...more }));
		assert.match(say({}).name!, /already/);
		assert.match(say({ name: 'B', members: [] }).members!, /at least one/);
		const twice = [{ staffId: 'stf_reyes' }, { staffId: 'stf_reyes' }];
		assert.match(say({ name: 'B', members: twice }).members!, /twice/);
		assert.match(say({ name: 'B', members: [{ staffId: 'stf_tarrant' }] }).members!, /Choose/);
		good(saveTeam(house.as('castellan'), { ...team(), teamId, name: 'Trials' }));
		assert.deepEqual(
			listTeams(house).map(({ name, version }) => [name, version]),
			[['Trials', 2]]
		);
		good(removeTeam(house.as('castellan'), { teamId }));
		assert.equal(listTeams(house).length, 0);
		assert.equal(bad(saveTeam(house.as('reyes'), team()))[''] !== undefined, true);
	});
});

describe('who may only read a matter', () => {
	it('sees a restricted one, changes nothing of it, and may leave', async () => {
		const { matterId, number } = await newMatter(house, { restricted: true });
		const member = { matterId, staffId: 'stf_reyes' };
		good(addMember(house.as('okafor'), { ...member, part: 'paralegal', access: 'read' }));
		assert.equal(caption(number, 'reyes').mayChange, false);
		const change = { matterId, fields: { title: 'x' } };
		assert.match(bad(editMatter(house.as('reyes'), change))['']!, /to read it/);
		assert.match(
			bad(addMember(house.as('okafor'), { ...member, owner: true, access: 'read' })).access!,
			/may also change it/
		);
		good(addMember(house.as('okafor'), { ...member, part: 'second lawyer' }));
		assert.match(words(matterId), /Sunniva Reyes is now on the matter, as second lawyer\./);
		good(editMatter(house.as('reyes'), change));
	});
});

describe('the stage and the end of a matter', () => {
	it('are words of its kind; stages stand beside the status, are listed and grouped in order', async () => {
		const { matterId, number } = await newMatter(house, {});
		const other = await newMatter(house, { title: 'Other' });
		good(setStage(house.as('okafor'), { matterId, stage: 'Discovery' }));
		good(setStage(house.as('okafor'), { matterId: other.matterId, stage: 'Pleadings' }));
		assert.match(
			bad(setStage(house.as('okafor'), { matterId, stage: 'Limbo' })).stage!,
			/no stage “Limbo”/
		);
		good(setStage(house.as('okafor'), { matterId, stage: 'Trial' }));
		assert.match(words(matterId), /Stage: Trial, after Discovery\./);
		assert.deepEqual([caption(number).stage, caption(number).stageFrom], ['Trial', '2026-11-23']);
		const me = house.staff('okafor');
		const list = listMatters(house, me, { who: 'all', group: 'stage', cols: ['stage'] });
		assert.deepEqual(
			list.rows.map((row) => row.cells.stage),
			['Pleadings', 'Trial']
		);
		assert.equal(listMatters(house, me, { who: 'all', stage: 'Trial' }).total, 1);
	});
	it('are kept where the kind has other words meanwhile', async () => {
		const { matterId, number } = await newMatter(house, {});
		good(setStage(house.as('okafor'), { matterId, stage: 'Discovery' }));
		const kind = requireKind(house, 'litigation');
		const body = { ...kindBody(kind), stages: ['Early', 'Late'] };
		good(saveKind(house.as('haddad'), { kindId: kind.id, body, active: true }));
		assert.equal(caption(number).stage, 'Discovery');
		assert.match(bad(setStage(house.as('okafor'), { matterId, stage: 'Pleadings' })).stage!, /any/);
	});
	it('closing asks how it ended, on a day that has come; reopening takes it back', async () => {
		house.set('2026-11-02');
		const { matterId, number } = await newMatter(house, {});
		house.set('2026-11-23');
		const close = (more: object) => {
			const tasks = Object.fromEntries(
				all<{ id: string }>(house.db, "SELECT id FROM task WHERE state = 'open'").map(({ id }) => [
					id,
					'drop'
				])
			);
			return closeMatter(house.as('okafor'), { matterId, reason: 'Paid', tasks, ...more });
		};
		assert.match(bad(close({})).ending!, /Choose how it ended/);
		assert.match(bad(close({ ending: 'Vanished' })).ending!, /Choose how it ended/);
		assert.match(bad(close({ ending: 'Settled', closedOn: '2026-12-01' })).closedOn!, /to come/);
		assert.match(bad(close({ ending: 'Settled', closedOn: '2026-10-01' })).closedOn!, /later/);
		good(close({ ending: 'Settled', closedOn: '2026-11-20' }));
		const { closedOn, ending, retainUntil } = caption(number);
		assert.deepEqual([closedOn, ending, retainUntil], ['2026-11-20', 'Settled', '2033-11-20']);
		assert.match(words(matterId), /Closed, settled: Paid[\s\S]*It ended on Friday 20 November/);
		const me = house.staff('okafor');
		assert.equal(listMatters(house, me, { who: 'all', ending: 'Settled' }).total, 1);
		good(reopenMatter(house.as('okafor'), { matterId, reason: 'Appeal' }));
		assert.equal(caption(number).ending, '');
	});
});

describe('an origin', () => {
	it('is kept by the department, reported by, and stays on its matters when it is offered no more', async () => {
		const { matterId, number } = await newMatter(house, {});
		const { originId } = good(
			saveOrigin(house.as('castellan'), { originId: '', label: 'A union' })
		);
		const fields = { origin: originId, originating: 'stf_reyes', description: 'About the berth.' };
		good(editMatter(house.as('okafor'), { matterId, fields }));
		assert.match(words(matterId), /origin to “A union”.*opened by from “Ines Okafor”|opened by/i);
		good(saveOrigin(house.as('castellan'), { originId, label: 'The union', retired: true }));
		assert.equal(caption(number).origin, 'The union');
		const me = house.staff('okafor');
		assert.equal(listMatters(house, me, { who: 'all', origin: originId }).total, 1);
		assert.equal(listOrigins(house).find(({ id }) => id === originId)?.matters, 1);
		assert.match(
			bad(saveOrigin(house.as('castellan'), { originId: '', label: 'the union' })).label!,
			/already/
		);
	});
});
