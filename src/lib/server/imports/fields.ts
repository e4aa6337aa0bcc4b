/** What may be imported, the fields of each, and which column of a file goes to which field. */
import { DATE_FIELDS, DOCUMENT_FIELDS, TIME_FIELDS, type Field } from './record-fields.ts';

export const WHATS = ['units', 'people', 'matters', 'dates', 'documents', 'time'] as const;
export type What = (typeof WHATS)[number];
export type { Field };

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
			key: 'number',
			name: 'Number',
			also: ['matter number', 'own number', 'our number'],
			sample: ['OLD-2025-014', '']
		},
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
		{
			key: 'status',
			name: 'Status',
			also: ['state of the matter'],
			sample: ['open', 'closed']
		},
		{
			key: 'closed',
			name: 'Closed on',
			also: ['closed', 'close date', 'date closed'],
			sample: ['', '30 June 2026']
		},
		{ key: 'ending', name: 'How it ended', also: ['ending'], sample: ['', 'Concluded'] },
		{ key: 'restricted', name: 'Restricted', also: ['confidential'], sample: ['no', ''] },
		{
			key: 'members',
			name: 'Members',
			also: ['team', 'staff', 'colleagues'],
			sample: ['abernathy, Dorit Castellan', '']
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
		{ key: 'fact:court', name: 'Court', also: [], sample: ['N.D. Cal., San Francisco', ''] },
		{
			key: 'fact:case number',
			name: 'Case number',
			also: ['case no', 'case no.'],
			sample: ['3:25-cv-01234', '']
		},
		{
			key: 'note',
			name: 'First note',
			also: ['note', 'notes'],
			sample: ['Taken over from the old list.', '']
		}
	],
	dates: DATE_FIELDS,
	documents: DOCUMENT_FIELDS,
	time: TIME_FIELDS
};
