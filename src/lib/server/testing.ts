/** A house in memory for the server's tests: the demo's people, a clock that can be set, no jobs. */
import { date, type PlainDate } from '#core/dates/plain.ts';
import { instantOf } from '#core/dates/zone.ts';
import { makeHouse, PEOPLE } from '../../../demo/house.ts';
import type { Ctx, Result, Staff, World } from './command.ts';
import { openDb } from './db/open.ts';
import { openMatter } from './matters/commands.ts';
import { makeSealKey } from './signing/seal.ts';
import { memoryFiles } from './trust/files.ts';

export type TestHouse = World & {
	set(day: string, hour?: number): void;
	as(login: string): Ctx;
	staff(login: string): Staff;
};

let seal: { p12: Buffer; password: string } | undefined;

/** In memory, or in a file where its size in memory would be counted with what is measured. */
export async function testHouse(today = '2026-11-23', path = ':memory:'): Promise<TestHouse> {
	const zone = 'America/Los_Angeles';
	let day: PlainDate = date(today);
	let hour = 9;
	let tick = 0;
	const world: World = {
		db: openDb(path),
		files: memoryFiles(),
		origin: 'http://localhost:3000',
		clock: {
			zone,
			today: () => day,
			now: () => new Date(instantOf(day, hour * 60, zone) + tick++).toISOString()
		},
		seal: () => Promise.resolve((seal ??= makeSealKey('Larkhaven Ferries', Date.now())))
	};
	await makeHouse(world, false);
	const staff = (login: string): Staff => {
		const p = PEOPLE.find((x) => x[0] === login)!;
		return {
			id: `stf_${login}`,
			login,
			name: p[1],
			initials: 'XX',
			email: `${login}@larkhaven.example`,
			role: p[2],
			level: p[3]
		};
	};
	return {
		...world,
		set: (d, at = 9) => {
			day = date(d);
			hour = at;
		},
		staff,
		as: (login) => ({ ...world, actor: { staff: staff(login) } })
	};
}

/** The value of a result that must be good. */
export function good<T>(r: Result<T>): T {
	if (!r.ok) throw new Error(JSON.stringify(r.errors));
	return r.value;
}
/** The errors of a result that must be bad. */
export function bad<T>(r: Result<T>): Record<string, string> {
	if (r.ok) throw new Error('was not refused');
	return r.errors;
}

export const newMatter = (
	h: TestHouse,
	more: Partial<Parameters<typeof openMatter>[1]> = {},
	by = 'okafor'
) =>
	good(
		openMatter(h.as(by), {
			kind: 'litigation',
			title: 'Pier 9 passenger fall',
			unitId: 'unit_0',
			responsibleId: `stf_${by}`,
			rulebook: 'us-federal.ca-nd',
			opponentName: '',
			restricted: false,
			...more
		})
	);
