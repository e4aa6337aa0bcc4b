/** The fields of what lies on matters that are there already: dates, documents, time. */
export type Field = {
	key: string;
	name: string;
	needed?: boolean;
	/** What else its column may be called. */
	also: string[];
	/** Values of the sample file, row by row. */
	sample: string[];
};

export const DATE_FIELDS: readonly Field[] = [
	{
		key: 'matter',
		name: 'Matter number',
		needed: true,
		also: ['matter', 'number'],
		sample: ['LF-2026-0001', 'LF-2026-0001']
	},
	{
		key: 'title',
		name: 'Title',
		needed: true,
		also: ['what', 'description of the date', 'event'],
		sample: ['Answer to the complaint', 'Case management conference']
	},
	{
		key: 'date',
		name: 'Date',
		needed: true,
		also: ['due', 'due date', 'day'],
		sample: ['2027-02-05', '12 March 2027']
	},
	{
		key: 'time',
		name: 'Time',
		also: ['at', 'hour'],
		sample: ['', '14:30']
	},
	{
		key: 'sort',
		name: 'What it is',
		also: ['sort', 'type', 'kind'],
		sample: ['deadline', 'conference']
	},
	{
		key: 'authority',
		name: 'Authority',
		also: ['rule', 'source', 'ordered by'],
		sample: ['FRCP 12(a)(1)(A)(i)', 'Order of January 4, 2027']
	},
	{
		key: 'place',
		name: 'Place',
		also: ['location', 'room'],
		sample: ['', 'Courtroom 6']
	},
	{
		key: 'person',
		name: 'Responsible person',
		also: ['person', 'responsible', 'lawyer', 'login'],
		sample: ['okafor', '']
	},
	{
		key: 'state',
		name: 'How it stands',
		also: ['state', 'status'],
		sample: ['open', 'open']
	},
	{
		key: 'on',
		name: 'Met on',
		also: ['met', 'done on', 'completed'],
		sample: ['', '']
	},
	{
		key: 'reason',
		name: 'Reason or outcome',
		also: ['reason', 'outcome', 'why'],
		sample: ['', '']
	},
	{
		key: 'long',
		name: 'Description',
		also: ['description', 'note', 'notes'],
		sample: ['', '']
	}
];

export const DOCUMENT_FIELDS: readonly Field[] = [
	{
		key: 'matter',
		name: 'Matter number',
		needed: true,
		also: ['matter', 'number'],
		sample: ['LF-2026-0001', 'LF-2026-0001']
	},
	{
		key: 'file',
		name: 'File',
		needed: true,
		also: ['path', 'file name', 'filename', 'file path'],
		sample: ['Pleadings/complaint.pdf', 'Letters/2026-03-02 adjuster.pdf']
	},
	{
		key: 'name',
		name: 'Name',
		also: ['title', 'document'],
		sample: ['Complaint', 'Letter of the adjuster']
	},
	{
		key: 'folder',
		name: 'Folder',
		also: ['into folder'],
		sample: ['Pleadings', '']
	},
	{
		key: 'mark',
		name: 'Mark',
		also: ['privilege', 'confidentiality'],
		sample: ['', 'privileged']
	},
	{
		key: 'filed',
		name: 'Filed on',
		also: ['filed', 'date', 'document date'],
		sample: ['2026-02-11', '2 March 2026']
	}
];

export const TIME_FIELDS: readonly Field[] = [
	{
		key: 'day',
		name: 'Day',
		needed: true,
		also: ['date', 'worked on'],
		sample: ['2026-03-02', '3 Mar 2026']
	},
	{
		key: 'person',
		name: 'Timekeeper',
		needed: true,
		also: ['person', 'lawyer', 'login', 'staff'],
		sample: ['okafor', 'Lena Fairweather']
	},
	{
		key: 'matter',
		name: 'Matter number',
		also: ['matter', 'number'],
		sample: ['', '']
	},
	{
		key: 'hours',
		name: 'Hours',
		needed: true,
		also: ['time', 'duration', 'quantity'],
		sample: ['1.5', '0:45']
	},
	{
		key: 'narrative',
		name: 'What was done',
		needed: true,
		also: ['narrative', 'description', 'text'],
		sample: ['Training on the new rules of evidence', 'Training of new colleagues']
	},
	{
		key: 'activity',
		name: 'Activity',
		also: ['activity code', 'code'],
		sample: ['TRAIN', 'TRAIN']
	},
	{ key: 'released', name: 'Released', also: [], sample: ['yes', 'no'] }
];
