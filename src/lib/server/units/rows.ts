/**
 * The rows of the tables of this area, as they are stored. A test compares them with the schema.
 */

/** Table `business_unit`. */
export type BusinessUnitRow = {
	id: string;
	name: string;
	hue: number;
	position: number;
};

/** Table `cost_center`. */
export type CostCenterRow = {
	id: string;
	unit_id: string;
	code: string;
	name: string;
};
