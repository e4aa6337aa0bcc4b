/** The house of the demo and of the tests: its people, business units and rates. */
import { formatInitials } from '#core/people/names.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { hashPassword } from '#server/access/accounts.ts';
import type { Application, Context } from '#server/app/application.ts';
import type { RateRow } from '#server/costs/rows.ts';
import { insert } from '#server/db/sql.ts';
import { setUp } from '#server/setup.ts';
import { addStaff } from '#server/staff/commands.ts';
import type { StaffRow } from '#server/staff/rows.ts';
import type { BusinessUnitRow, CostCenterRow } from '#server/units/rows.ts';

const PASSWORD = 'larkhaven';

export type Person = Pick<StaffRow, 'login' | 'name' | 'role' | 'level'>;
/** Where people sit; all others in San Francisco. */
const OFFICES: Readonly<Record<string, string>> = {
	quiroga: 'New York',
	reyes: 'New York',
	oyelaran: 'New York',
	fairweather: 'Galveston'
};
const USUAL_OFFICE = 'San Francisco';
export const PEOPLE: readonly Person[] = [
	{ login: 'okafor', name: 'Ines Okafor', role: 'counsel', level: 'lead' },
	{ login: 'wardle', name: 'Tamsin Wardle', role: 'counsel', level: 'senior' },
	{ login: 'quiroga', name: 'Mateo Quiroga', role: 'counsel', level: 'senior' },
	{ login: 'lindqvist', name: 'Priya Lindqvist', role: 'counsel', level: 'junior' },
	{ login: 'reyes', name: 'Sunniva Reyes', role: 'counsel', level: 'junior' },
	{ login: 'abernathy', name: 'Joss Abernathy', role: 'paralegal', level: 'paralegal' },
	{ login: 'fairweather', name: 'Lena Fairweather', role: 'paralegal', level: 'paralegal' },
	{ login: 'castellan', name: 'Dorit Castellan', role: 'docket-clerk', level: 'paralegal' },
	{ login: 'haddad', name: 'Noor Haddad', role: 'legal-operations', level: 'operations' },
	{ login: 'oyelaran', name: 'Bram Oyelaran', role: 'legal-operations', level: 'operations' },
	{ login: 'harrowgate', name: 'Kit Harrowgate', role: 'administrator', level: 'operations' },
	{ login: 'tarrant', name: 'Wes Tarrant', role: 'business-partner', level: 'partner' }
];
export const UNITS = [
	'Passenger',
	'Freight',
	'Terminals',
	'Engineering',
	'Onboard Retail',
	'Corporate'
] as const;
const PLACES = ['San Francisco Bay', 'New York Harbor', 'Galveston Bay'];

/** Cents an hour by level; from the second day on, so much more. */
const RATES: Readonly<Record<string, number>> = {
	lead: 48_000,
	senior: 41_500,
	junior: 29_500,
	paralegal: 18_500,
	operations: 16_000
};
const RAISES: readonly [from: string, more: number][] = [
	['2020-01-01', 0],
	['2026-01-01', 1500]
];

const SETTINGS: Readonly<Record<string, string>> = {
	department: 'Larkhaven Ferries · Legal',
	'matter number': 'LF-{year}-{0000}',
	'time increment': '6'
};

export const initialsOf = formatInitials;

/** Makes the house. Ids are plain words here, so that the demo reads well in the audit trail. */
export async function makeHouse(app: Application, demo: boolean): Promise<void> {
	const passwordHash = await hashPassword(PASSWORD);
	const setup: Context = { ...app, actor: { guest: 'setup' } };
	for (const person of PEOPLE) {
		const result = addStaff(setup, {
			...person,
			id: `stf_${person.login}`,
			initials: initialsOf(person.name),
			email: `${person.login}@larkhaven.example`,
			office: OFFICES[person.login] ?? USUAL_OFFICE,
			passwordHash,
			demo
		});
		if (!result.ok) throw new Error(JSON.stringify(result.errors));
	}
	for (const [name, value] of Object.entries(SETTINGS)) insert(app.db, 'setting', { name, value });
	for (const [position, name] of UNITS.entries()) addUnit(app, name, position);
	for (const [level, cents] of Object.entries(RATES))
		for (const [from, more] of RAISES)
			insert<RateRow>(app.db, 'rate', {
				id: `rate_${level}_${from}`,
				level,
				from_day: from as PlainDate,
				cents_per_hour: cents + more
			});
	setUp(app);
}

function addUnit({ db }: Application, name: string, position: number): void {
	const id = `unit_${position}`;
	insert<BusinessUnitRow>(db, 'business_unit', { id, name, hue: position, position });
	for (const [index, place] of PLACES.entries())
		insert<CostCenterRow>(db, 'cost_center', {
			id: `cc_${position}${index}`,
			unit_id: id,
			code: String(4100 + position * 100 + index * 10),
			name: place
		});
}
