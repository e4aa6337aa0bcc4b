/** What may be imported, the fields of each, and which column of a file goes to which field. */
export const WHATS = ['units', 'people', 'matters'] as const;
export type What = (typeof WHATS)[number];

export type Field = {
	key: string;
	name: string;
	needed?: boolean;
	/** What else its column may be called. */
	also: string[];
	/** Values of the sample file, row by row. */
	sample: string[];
};

export const FIELDS: Readonly<Record<What, readonly Field[]>> = {
	units: [
		{
			key: 'unit',
			name: 'Business unit',
			needed: true,
			also: ['unit', 'department', 'division'],
			sample: ['Passenger', 'Passenger', 'Harbor Tours']
		},
		{
			key: 'code',
			name: 'Cost center',
			also: ['code', 'cost center code', 'center'],
			sample: ['4100', '4110', '4700']
		},
		{
			key: 'name',
			name: 'Name of the cost center',
			also: ['cost center name', 'center name', 'description'],
			sample: ['San Francisco Bay', 'New York Harbor', 'Sightseeing']
		}
	],
	people: [
		{
			key: 'name',
			name: 'Name',
			needed: true,
			also: ['full name', 'company', 'display name'],
			sample: ['Halina Ironwood', 'Quoin Staffing LLC']
		},
		{
			key: 'kind',
			name: 'Person or organization',
			also: ['kind', 'type'],
			sample: ['person', 'organization']
		},
		{
			key: 'mail',
			name: 'Mail',
			also: ['email', 'e-mail', 'mail address'],
			sample: ['halina.ironwood@mail.example', 'office@quoin.example']
		},
		{
			key: 'phone',
			name: 'Phone',
			also: ['telephone', 'tel', 'mobile'],
			sample: ['+1 415 555 0110', '']
		},
		{
			key: 'address',
			name: 'Address',
			also: ['street', 'postal address'],
			sample: ['12 Wharf Street, Harborview', '']
		},
		{
			key: 'former',
			name: 'Former names',
			also: ['former name', 'maiden name', 'previously'],
			sample: ['Halina Brightwater', '']
		},
		{
			key: 'aliases',
			name: 'Also known as',
			also: ['alias', 'aliases', 'trading as'],
			sample: ['', 'Quoin Crew']
		},
		{
			key: 'parent',
			name: 'Parent organization',
			also: ['parent', 'parent company', 'belongs to'],
			sample: ['', '']
		},
		{
			key: 'categories',
			name: 'Categories',
			also: ['category', 'tags'],
			sample: ['expert', 'supplier, crew']
		},
		{ key: 'note', name: 'Note', also: ['notes', 'comment'], sample: ['', ''] }
	],
	matters: [
		{
			key: 'title',
			name: 'Title',
			needed: true,
			also: ['matter', 'matter title', 'caption'],
			sample: ['Berth 6 dredging claim', 'Crew training agreement']
		},
		{
			key: 'kind',
			name: 'Kind',
			needed: true,
			also: ['matter kind', 'type'],
			sample: ['Litigation', 'Agreement review']
		},
		{
			key: 'unit',
			name: 'Business unit',
			needed: true,
			also: ['unit', 'client'],
			sample: ['Terminals', 'Corporate']
		},
		{
			key: 'lawyer',
			name: 'Responsible lawyer',
			needed: true,
			also: ['lawyer', 'responsible', 'attorney', 'login'],
			sample: ['okafor', 'Tamsin Wardle']
		},
		{
			key: 'opened',
			name: 'Opened on',
			also: ['opened', 'open date', 'date opened'],
			sample: ['2025-03-14', '2 June 2026']
		},
		{ key: 'priority', name: 'Priority', also: [], sample: ['high', ''] },
		{
			key: 'party',
			name: 'Other side',
			also: ['opponent', 'counterparty', 'party', 'agency'],
			sample: ['Sablewood Dredging Co.', 'Quoin Staffing LLC']
		},
		{
			key: 'partyKind',
			name: 'Other side is',
			also: ['party kind', 'party type'],
			sample: ['organization', 'organization']
		},
		{
			key: 'counsel',
			name: 'Opposing counsel',
			also: ['their counsel'],
			sample: ['Gannet Advocates LLP', '']
		},
		{
			key: 'reference',
			name: 'Their number',
			also: ['reference', 'external number', 'claim number'],
			sample: ['INS-44-2025', '']
		},
		{ key: 'court', name: 'Court', also: [], sample: ['N.D. Cal., San Francisco', ''] },
		{
			key: 'case-number',
			name: 'Case number',
			also: ['case no', 'case no.'],
			sample: ['3:25-cv-01234', '']
		},
		{
			key: 'note',
			name: 'First note',
			also: ['note', 'notes', 'description'],
			sample: ['Taken over from the old list.', '']
		}
	]
};

/** By field, the column that goes to it. */
export type Mapping = Record<string, string>;

/** Which column goes to which field: as remembered, else by the names of the columns. */
export function guessMapping(
	what: What,
	head: readonly string[],
	remembered: Mapping | null
): Mapping {
	const mapping: Mapping = {};
	for (const field of FIELDS[what]) {
		const kept = remembered?.[field.key];
		const column = kept === undefined ? findColumn(field, head) : kept;
		const taken = kept === undefined && Object.values(mapping).includes(column);
		if (column && head.includes(column) && !taken) mapping[field.key] = column;
	}
	return mapping;
}

function findColumn({ key, name, also }: Field, head: readonly string[]): string {
	const names = [name, key, ...also].map((other) => other.toLowerCase());
	return head.find((column) => names.includes(column.toLowerCase())) ?? '';
}

/** A mapping as a form sends it: only fields and columns that there are. */
export const cleanMapping = (what: What, head: readonly string[], mapping: Mapping): Mapping =>
	Object.fromEntries(
		Object.entries(mapping).filter(
			([key, column]) => FIELDS[what].some((field) => field.key === key) && head.includes(column)
		)
	);

/** A row by field. */
export type Values = Record<string, string>;

/** The values of a row of cells; a field without a column is empty. */
export const readValues = (
	what: What,
	head: readonly string[],
	mapping: Mapping,
	cells: readonly string[]
): Values =>
	Object.fromEntries(
		FIELDS[what].map(({ key }) => {
			const column = mapping[key];
			const at = column === undefined ? -1 : head.indexOf(column);
			return [key, cells[at] ?? ''];
		})
	);
