/** Facts about the department as a whole. */
import { maybeOne } from '../db/sql.ts';
import type { Application } from './application.ts';

type Has = Pick<Application, 'db'>;

/** A setting of the department, or what holds where it was never set. */
export const findSetting = ({ db }: Has, name: string, otherwise: string): string =>
	maybeOne<{ value: string }>(db, 'SELECT value FROM setting WHERE name = @name', { name })
		?.value ?? otherwise;

export const departmentName = (app: Has): string =>
	findSetting(app, 'department', 'Legal department');
