/** The house before its first matter: people of the department, business units, cost centers, rates. Used by the demo and the browser tests. */
import type { Actor, World } from '#server/command.ts';
import { addStaff, hashPassword } from '#server/trust/accounts.ts';
import { setUp } from '#server/setup.ts';

export const PASSWORD = 'larkhaven';
export const PEOPLE = [
	['okafor', 'Ines Okafor', 'counsel', 'lead'],
	['wardle', 'Tamsin Wardle', 'counsel', 'senior'],
	['quiroga', 'Mateo Quiroga', 'counsel', 'senior'],
	['lindqvist', 'Priya Lindqvist', 'counsel', 'junior'],
	['reyes', 'Sunniva Reyes', 'counsel', 'junior'],
	['abernathy', 'Joss Abernathy', 'paralegal', 'paralegal'],
	['fairweather', 'Lena Fairweather', 'paralegal', 'paralegal'],
	['castellan', 'Dorit Castellan', 'docket-clerk', 'paralegal'],
	['haddad', 'Noor Haddad', 'legal-operations', 'operations'],
	['oyelaran', 'Bram Oyelaran', 'legal-operations', 'operations'],
	['harrowgate', 'Kit Harrowgate', 'administrator', 'operations'],
	['tarrant', 'Wes Tarrant', 'business-partner', 'partner']
] as const;
export const UNITS = [
	'Passenger',
	'Freight',
	'Terminals',
	'Engineering',
	'Onboard Retail',
	'Corporate'
] as const;
export const LEVELS: Record<string, number> = {
	lead: 48_000,
	senior: 41_500,
	junior: 29_500,
	paralegal: 18_500,
	operations: 16_000
};

/** Ids are plain words here, so that the demo reads well in the audit trail. */
export async function makeHouse(w: World, demo: boolean): Promise<void> {
	const hash = await hashPassword(PASSWORD);
	const setup: Actor = { guest: 'setup' };
	for (const [login, name, role, level] of PEOPLE) {
		const r = addStaff(
			{ ...w, actor: setup },
			{
				id: `stf_${login}`,
				login,
				name,
				initials: name
					.split(' ')
					.map((n) => n[0])
					.join(''),
				email: `${login}@larkhaven.example`,
				role,
				level,
				passwordHash: hash,
				demo
			}
		);
		if (!r.ok) throw new Error(JSON.stringify(r.errors));
	}
	w.db
		.prepare(
			"INSERT INTO setting (name, value) VALUES ('department', 'Larkhaven Ferries · Legal'), ('matter number', 'LF-{year}-{0000}'), ('time increment', '6')"
		)
		.run();
	UNITS.forEach((name, i) => {
		w.db
			.prepare('INSERT INTO business_unit (id, name, hue, position) VALUES (?, ?, ?, ?)')
			.run(`unit_${i}`, name, i, i);
		for (const [k, place] of ['San Francisco Bay', 'New York Harbor', 'Galveston Bay'].entries())
			w.db
				.prepare('INSERT INTO cost_center (id, unit_id, code, name) VALUES (?, ?, ?, ?)')
				.run(`cc_${i}${k}`, `unit_${i}`, `${4100 + i * 100 + k * 10}`, place);
	});
	for (const [level, cents] of Object.entries(LEVELS))
		for (const [y, more] of [
			['2020-01-01', 0],
			['2026-01-01', 1500]
		] as const)
			w.db
				.prepare('INSERT INTO rate (id, level, from_day, cents_per_hour) VALUES (?, ?, ?, ?)')
				.run(`rate_${level}_${y}`, level, y, cents + more);
	setUp(w);
}
