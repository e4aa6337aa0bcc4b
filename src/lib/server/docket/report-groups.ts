/** The dates of a report put together as its order says. */
import { formatDate } from '#core/format/dates.ts';
import type { Order } from './docket-filter.ts';
import type { ReportColumn, ReportRow } from './report-columns.ts';
import type { Report } from './report.ts';

type Grouping = {
	/** As one chooses it. */
	label: string;
	key: (row: ReportRow) => string;
	name: (row: ReportRow) => string;
	/** Columns that say what the heading says already. */
	said: readonly ReportColumn[];
};

const WITHOUT_COURT = 'No court';
export const GROUPINGS: Readonly<Record<Order, Grouping>> = {
	day: {
		label: 'By day',
		key: ({ date }) => date,
		name: ({ date }) => formatDate(date),
		said: ['date']
	},
	matter: {
		label: 'By matter',
		key: ({ matterNumber }) => matterNumber,
		name: ({ matterNumber, matterTitle }) => `${matterNumber} ${matterTitle}`,
		said: ['matter', 'number']
	},
	event: {
		label: 'By event',
		key: ({ eventId }) => eventId,
		name: ({ event, eventDate, matterNumber, matterTitle }) =>
			`${event}, ${formatDate(eventDate)}: ${matterNumber} ${matterTitle}`,
		said: ['matter', 'number', 'event', 'eventDate']
	},
	person: {
		label: 'By lawyer',
		key: ({ responsibleId }) => responsibleId,
		name: ({ responsibleName }) => responsibleName,
		said: ['responsible']
	},
	unit: {
		label: 'By business unit',
		key: ({ unit }) => unit,
		name: ({ unit }) => unit,
		said: ['unit']
	},
	kind: { label: 'By kind', key: ({ kind }) => kind, name: ({ kindName }) => kindName, said: [] },
	court: {
		label: 'By court',
		key: ({ court }) => court,
		name: ({ court }) => court || WITHOUT_COURT,
		said: ['court']
	}
};

export const groupingOf = ({ filter }: Pick<Report, 'filter'>): Grouping =>
	GROUPINGS[filter.order ?? 'day'];

export type ReportGroup = { key: string; name: string; rows: ReportRow[] };
/** One group after another, in the order of the rows. */
export function groupRows(report: Report): ReportGroup[] {
	const { key: keyOf, name } = groupingOf(report);
	const groups: ReportGroup[] = [];
	for (const row of report.rows) {
		const key = keyOf(row);
		let group = groups.at(-1);
		if (group?.key !== key) {
			group = { key, name: name(row), rows: [] };
			groups.push(group);
		}
		group.rows.push(row);
	}
	return groups;
}
