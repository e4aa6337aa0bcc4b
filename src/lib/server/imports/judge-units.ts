/** Judges rows of business units and cost centers. */
import type { Db } from '#server/db/open.ts';
import { all } from '#server/db/sql.ts';
import { faultOf, isFault, isKnown, isNew, type Judge } from './verdict.ts';

const NAME_LIMIT = 80;

export function judgeUnits(db: Db): Judge {
	const centers = all<{ code: string; unit: string }>(
		db,
		`SELECT c.code, u.name AS unit
		FROM cost_center c
		JOIN business_unit u ON u.id = c.unit_id`
	);
	const unitOf = new Map(centers.map(({ code, unit }) => [code, unit]));
	const units = new Set(
		all<{ name: string }>(db, 'SELECT name FROM business_unit').map(({ name }) => name)
	);
	return ({ unit = '', code, name }) => {
		const owner = code ? unitOf.get(code) : undefined;
		const faults = [
			...faultOf(
				'unit',
				unit.length > NAME_LIMIT && 'The name of the business unit is longer than 80 characters.'
			),
			...faultOf('name', code && !name && 'The cost center has a code and no name.'),
			...faultOf(
				'code',
				owner !== undefined && owner !== unit && `Cost center ${code} belongs to ${owner}.`
			)
		];
		if (faults.length) return isFault(faults);
		const fresh = !units.has(unit);
		if (!code) {
			units.add(unit);
			return fresh ? isNew('new business unit') : isKnown('The business unit is there already.');
		}
		if (owner === unit) return isKnown('The cost center is there already.');
		unitOf.set(code, unit);
		units.add(unit);
		return isNew(fresh ? 'new business unit with its cost center' : 'new cost center');
	};
}
