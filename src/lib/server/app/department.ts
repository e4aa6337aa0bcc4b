/** Facts about the department as a whole. */
import type { DateOrder } from '#core/dates/in-text.ts';
import { maybeOne } from '../db/sql.ts';
import type { Application } from './application.ts';

type Has = Pick<Application, 'db'>;

/** A setting of the department, or what holds where it was never set. */
export const findSetting = ({ db }: Has, name: string, otherwise: string): string =>
	maybeOne<{ value: string }>(db, 'SELECT value FROM setting WHERE name = @name', { name })
		?.value ?? otherwise;

/** After so many days without a decision on a proposal, somebody is told. */
export const findProposalDays = (app: Has): number =>
	Number(findSetting(app, 'proposal-days', '14'));

/** Which comes first in a date of figures; null where the department has not said. */
export function findDateOrder(app: Has): DateOrder | null {
	const order = findSetting(app, 'date-order', '');
	return order === 'month' || order === 'day' ? order : null;
}

export const departmentName = (app: Has): string =>
	findSetting(app, 'department', 'Legal department');
