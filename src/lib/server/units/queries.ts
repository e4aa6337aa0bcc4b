/** Business units and their cost centers. */
import type { Application } from '#server/app/application.ts';
import { all, maybeOne } from '#server/db/sql.ts';

type Has = Pick<Application, 'db'>;

/** The business units in the department's order. */
export const listUnits = ({ db }: Has): { id: string; name: string; hue: number }[] =>
	all(db, 'SELECT id, name, hue FROM business_unit ORDER BY position');

export const findUnit = ({ db }: Has, id: string): { id: string; name: string } | undefined =>
	maybeOne(db, 'SELECT id, name FROM business_unit WHERE id = @id', { id });

/** The cost centers by their code. */
export const listCostCenters = ({
	db
}: Has): { id: string; unitId: string; code: string; name: string }[] =>
	all(db, 'SELECT id, unit_id AS unitId, code, name FROM cost_center ORDER BY code');
