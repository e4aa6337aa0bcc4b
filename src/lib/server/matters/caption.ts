/** The caption of a matter: what stands over each of its sections, and the counts beside them. */
import { daysBetween, type PlainDate } from '#core/dates/plain.ts';
import { formatDay } from '#core/format/dates.ts';
import { plural } from '#core/format/words.ts';
import type { DerivedKey } from '#core/kinds/kind.ts';
import { DERIVED_KEYS } from '#core/kinds/kind.ts';
import { listTeam, mayOnlyRead, type TeamMember } from '#server/access/team.ts';
import { findMatter } from '#server/access/visibility.ts';
import type { Application, Staff } from '#server/app/application.ts';
import { all, exists, maybeOne, one } from '#server/db/sql.ts';
import { requireKind, type StoredKind } from '#server/kinds/queries.ts';
import { listFacts, listMissingFacts, viewFacts, type FactView } from './facts.ts';
import { mayStaff } from './may-staff.ts';
import type { MatterRow } from './rows.ts';
import { findCautions } from './sheet.ts';

type SplitView = {
	unit: string;
	unitId: string;
	hue: number;
	costCenterId: string | null;
	share: number;
};
type Derived = {
	next: { title: string; date: PlainDate } | null;
	hearing: { text: string; date: PlainDate; time: string | null } | null;
	/** The day of the next trial. */
	trial: PlainDate | null;
	minutes: number;
	cents: number;
	lastActivity: string;
};
type Counts = Record<'docket' | 'tasks' | 'documents' | 'logbook' | 'people', number>;

export type Caption = Derived & {
	id: string;
	number: string;
	title: string;
	kind: string;
	kindName: string;
	status: MatterRow['status'];
	statusReason: string;
	statusFrom: PlainDate | null;
	priority: MatterRow['priority'];
	restricted: boolean;
	rulebook: string | null;
	openedOn: PlainDate;
	closedOn: PlainDate | null;
	retainUntil: PlainDate | null;
	version: number;
	responsibleId: string;
	/** Initials. */
	responsible: string;
	responsibleName: string;
	/** Who stands in for the responsible lawyer. */
	standInId: string | null;
	standInName: string | null;
	originating: string;
	unit: string;
	unitId: string;
	cautions: string[];
	/** The key facts of its kind that have a value. */
	strip: { key: string; name: string; text: string }[];
	pinned: boolean;
	split: SplitView[];
	splitFrom: PlainDate | null;
	counts: Counts;
	members: (TeamMember & { owner: boolean })[];
	mayStaff: boolean;
	/** What a matter of its kind should still have. */
	missing: string[];
	/** Not where the viewer is on it to read it only. */
	mayChange: boolean;
	stage: string;
	stageFrom: PlainDate | null;
	ending: string;
	origin: string;
	description: string;
	litigated: boolean;
};

/** The caption; undefined where the matter is not there for this person. */
export function findCaption(app: Application, me: Staff, number: string): Caption | undefined {
	const matter = findMatter(app.db, me, { number });
	if (!matter) return undefined;
	const kind = requireKind(app, matter.kind);
	const { facts } = viewFacts(app, kind, listFacts(app, matter.id));
	const derived = findDerived(app, matter);
	const split = findSplit(app, matter.id);
	const closed = matter.status === 'closed';
	return {
		...ownFields(matter),
		...findNames(app, matter),
		...derived,
		kindName: kind.name,
		cautions: findCautions(app, matter.id),
		strip: makeStrip(app, matter, kind, facts, derived),
		pinned: exists(app.db, 'SELECT 1 FROM pinned WHERE staff_id = @me AND matter_id = @matterId', {
			me: me.id,
			matterId: matter.id
		}),
		split: split ? listShares(app, split.id) : [],
		splitFrom: split?.from_day ?? null,
		counts: countParts(app, matter.id),
		members: listTeam(app.db, matter.id).map((member) => ({
			...member,
			owner: member.role === 'owner'
		})),
		mayStaff: mayStaff(app, me, matter),
		mayChange: !mayOnlyRead(app.db, matter.id, me.id),
		missing: closed ? [] : listMissingFacts(kind, facts, listRoleNames(app, matter.id)),
		litigated: kind.facts.some((fact) => fact.key === 'court' && !fact.retired)
	};
}

const ownFields = (matter: MatterRow) => ({
	id: matter.id,
	number: matter.number,
	title: matter.title,
	kind: matter.kind,
	status: matter.status,
	statusReason: matter.status_reason,
	statusFrom: matter.status_from,
	priority: matter.priority,
	restricted: matter.restricted === 1,
	rulebook: matter.rulebook,
	openedOn: matter.opened_on,
	closedOn: matter.closed_on,
	retainUntil: matter.retain_until,
	version: matter.version,
	responsibleId: matter.responsible_id,
	unitId: matter.unit_id,
	standInId: matter.stand_in_id,
	stage: matter.stage,
	stageFrom: matter.stage_from,
	ending: matter.ending,
	description: matter.description
});

const findNames = ({ db }: Application, { id }: MatterRow) =>
	one<
		Pick<
			Caption,
			'responsible' | 'responsibleName' | 'standInName' | 'originating' | 'origin' | 'unit'
		>
	>(
		db,
		`SELECT
			s.initials AS responsible, s.name AS responsibleName, i.name AS standInName,
			o.name AS originating,
			coalesce(g.label, '') AS origin,
			u.name AS unit
		FROM matter m
		JOIN staff s ON s.id = m.responsible_id
		JOIN staff o ON o.id = m.originating_id
		JOIN business_unit u ON u.id = m.unit_id
		LEFT JOIN staff i ON i.id = m.stand_in_id
		LEFT JOIN origin g ON g.id = m.origin_id
		WHERE m.id = @id`,
		{ id }
	);

type DerivedRow = Pick<Derived, 'trial' | 'minutes' | 'cents' | 'lastActivity'> & {
	nextTitle: string | null;
	nextDate: PlainDate | null;
	hearingText: string | null;
	hearingDate: PlainDate | null;
	hearingTime: string | null;
};

function findDerived({ db }: Application, { id }: MatterRow): Derived {
	const { nextTitle, nextDate, hearingText, hearingDate, hearingTime, ...rest } = one<DerivedRow>(
		db,
		`SELECT
				d.title AS nextTitle, d.date AS nextDate, h.title AS hearingText,
				h.date AS hearingDate, h.time AS hearingTime, x.next_trial AS trial, x.minutes,
				x.cents, x.last_activity AS lastActivity
			FROM matter_derived x
			LEFT JOIN deadline d ON d.id = x.next_deadline_id
			LEFT JOIN hearing h ON h.id = x.next_hearing_id
			WHERE x.matter_id = @id`,
		{ id }
	);
	return {
		...rest,
		next: nextTitle !== null && nextDate !== null ? { title: nextTitle, date: nextDate } : null,
		hearing:
			hearingText !== null && hearingDate !== null
				? { text: hearingText, date: hearingDate, time: hearingTime }
				: null
	};
}

function makeStrip(
	{ clock }: Application,
	matter: MatterRow,
	kind: StoredKind,
	facts: readonly FactView[],
	{ next, hearing, trial }: Derived
): Caption['strip'] {
	const today = clock.today();
	const open = plural(daysBetween(matter.opened_on, today), 'day');
	const time = hearing?.time ? `, ${hearing.time}` : '';
	const texts: Record<DerivedKey, string> = {
		'next-hearing': hearing ? `${formatDay(hearing.date, today)}${time}` : '',
		'next-date': next ? `${formatDay(next.date, today)}, ${next.title}` : '',
		'days-to-trial': trial ? `in ${plural(daysBetween(today, trial), 'day')}` : '',
		'days-open': matter.status === 'closed' ? '' : open
	};
	const isDerived = (key: string): key is DerivedKey => key in texts;
	return kind.keyFacts
		.map((key) => {
			if (isDerived(key)) return { key, name: DERIVED_KEYS[key], text: texts[key] };
			const fact = facts.find((other) => other.key === key);
			return { key, name: fact?.name ?? key, text: fact?.text ?? '' };
		})
		.filter(({ text }) => text !== '');
}

/** The split in force today. */
const findSplit = ({ db }: Application, matterId: string) =>
	maybeOne<{ id: string; from_day: PlainDate }>(
		db,
		`SELECT id, from_day
		FROM split
		WHERE matter_id = @matterId AND from_day <= today()
		ORDER BY from_day DESC
		LIMIT 1`,
		{ matterId }
	);

const listShares = ({ db }: Application, splitId: string): SplitView[] =>
	all(
		db,
		`SELECT
			u.name AS unit, u.id AS unitId, u.hue, x.cost_center_id AS costCenterId, x.share
		FROM split_share x
		JOIN business_unit u ON u.id = x.unit_id
		WHERE x.split_id = @splitId
		ORDER BY x.position`,
		{ splitId }
	);

const countParts = ({ db }: Application, matterId: string): Counts =>
	one(
		db,
		`SELECT
			(
				SELECT count(*)
				FROM deadline
				WHERE matter_id = @matterId AND state IN ('proposed', 'docketed')
			) AS docket,
			(SELECT count(*) FROM task WHERE matter_id = @matterId AND state = 'open') AS tasks,
			(SELECT count(*) FROM document WHERE matter_id = @matterId) AS documents,
			(SELECT count(*) FROM logbook WHERE matter_id = @matterId) AS logbook,
			(SELECT count(*) FROM matter_role WHERE matter_id = @matterId) AS people`,
		{ matterId }
	);

const listRoleNames = ({ db }: Application, matterId: string): string[] =>
	all<{ role: string }>(db, 'SELECT DISTINCT role FROM matter_role WHERE matter_id = @matterId', {
		matterId
	}).map(({ role }) => role);
