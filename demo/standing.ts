/** How dates are written, teams, and of each open matter its origin and its stage. */
import { addDays } from '#core/dates/plain.ts';
import type { Application } from '#server/app/application.ts';
import { all } from '#server/db/sql.ts';
import { requireKind } from '#server/kinds/queries.ts';
import { editMatter } from '#server/matters/edit.ts';
import { setStage } from '#server/matters/stage.ts';
import { setDateOrder } from '#server/staff/department.ts';
import { saveTeam } from '#server/staff/teams.ts';
import type { Scene } from './scene.ts';

const TEAMS = [
	{
		name: 'Disputes',
		members: [
			{ staffId: 'stf_lindqvist', part: 'second lawyer' },
			{ staffId: 'stf_abernathy', part: 'paralegal' },
			{ staffId: 'stf_castellan', part: 'docket clerk' }
		]
	},
	{
		name: 'Contracts',
		members: [
			{ staffId: 'stf_reyes', part: 'second lawyer' },
			{ staffId: 'stf_fairweather', part: 'paralegal' }
		]
	},
	{
		name: 'Incident desk',
		members: [
			{ staffId: 'stf_wardle', part: 'supervising lawyer' },
			{ staffId: 'stf_fairweather', part: 'paralegal' },
			{ staffId: 'stf_oyelaran', part: 'legal operations', access: 'read' as const }
		]
	}
];

/** How matters of a kind mostly begin. */
const ORIGINS: Readonly<Record<string, string>> = {
	litigation: 'org_served',
	claims: 'org_insurer',
	employment: 'org_letter',
	regulatory: 'org_agency',
	'data-incident': 'org_own',
	corporate: 'org_own'
};

export function addStanding({ as, done, at, app: world, today, matters: opened }: Scene): void {
	done(setDateOrder(as('castellan'), { order: 'month' }));
	for (const team of TEAMS) done(saveTeam(as('castellan'), team));
	const matters = all<{ id: string; kind: string; login: string; age: number; asked: 0 | 1 }>(
		world.db,
		`SELECT
			m.id, m.kind, s.login, julianday(today()) - julianday(m.opened_on) AS age,
			EXISTS (SELECT 1 FROM request r WHERE r.matter_id = m.id) AS asked
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		WHERE m.status <> 'closed'
		ORDER BY m.number`
	);
	for (const { id: matterId, kind, login, age, asked } of matters) {
		at(addDays(today, -age));
		const origin = asked ? 'org_request' : (ORIGINS[kind] ?? 'org_request');
		done(editMatter(as(login), { matterId, fields: { origin } }));
		const told = opened.find(({ id }) => id === matterId)?.story?.stage;
		if (!told) continue;
		const [stage, ago] = told;
		at(addDays(today, -Math.min(ago, age)));
		done(setStage(as(login), { matterId, stage }));
	}
}

/** How a matter of the demo ended: in the first way its kind has. */
export const endingOf = (world: Application, { kind }: { kind: string }): string =>
	requireKind(world, kind).endings[0] ?? '';
