/**
 * Makes what rows of an import say, through the same parts as by hand. What was made is noted, so
 * that it can be taken back.
 */
import { parseTypedDate } from '#core/dates/typed.ts';
import type { PlainDate } from '#core/dates/plain.ts';
import { cardVisible } from '#server/access/visibility.ts';
import { actingStaff, type Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { newId } from '#server/app/ids.ts';
import type { Recorder } from '#server/app/record.ts';
import { insert, insertOrIgnore, maybeOne, scalar, update } from '#server/db/sql.ts';
import { foldName } from '#core/people/names.ts';
import { listKinds, type StoredKind } from '#server/kinds/queries.ts';
import {
	addMembers,
	insertMatter,
	openingInput,
	requireOpeningParts
} from '#server/matters/opening.ts';
import { retainUntil } from '#server/matters/status.ts';
import type { StoredFile } from '#server/documents/store.ts';
import type { MatterReferenceRow, MatterRoleRow, MatterRow } from '#server/matters/rows.ts';
import { categoriesOf, findSameName, isAbove, linesOf } from '#server/people/card.ts';
import type { PersonRow } from '#server/people/rows.ts';
import {
	insertCategories,
	insertContacts,
	insertName,
	insertPerson
} from '#server/people/write-card.ts';
import type { BusinessUnitRow, CostCenterRow } from '#server/units/rows.ts';
import type { What } from './fields.ts';
import {
	findFactNamed,
	findKindNamed,
	findLawyer,
	findMember,
	readNumber,
	readStatus,
	readYes,
	splitMembers
} from './judge-matters.ts';
import type { Values } from './mapping.ts';
import type { Made } from './made.ts';
import { makeDate } from './make-date.ts';
import { makeDocument } from './make-document.ts';
import { makeTime } from './make-time.ts';
import { personKind } from './person-kind.ts';

type Maker = (
	ctx: Context,
	values: Values,
	record: Recorder,
	/** What was given beside the row. */
	file: StoredFile | undefined
) => Made[];

/** What a row makes; `people` are made first and then given their parents (`linkParent`). */
export const MAKERS: Readonly<Record<What, Maker>> = {
	units: makeUnit,
	people: makePerson,
	matters: makeMatter,
	dates: makeDate,
	documents: makeDocument,
	time: makeTime
};

const HUES = 6;
function makeUnit(ctx: Context, { unit = '', code = '', name = '' }: Values): Made[] {
	const found = maybeOne<Pick<BusinessUnitRow, 'id'>>(
		ctx.db,
		'SELECT id FROM business_unit WHERE name = @unit',
		{ unit }
	);
	const unitId = found?.id ?? newId('unt');
	const made: Made[] = [];
	if (!found) {
		const position = scalar(ctx.db, 'SELECT count(*) FROM business_unit');
		insert<BusinessUnitRow>(ctx.db, 'business_unit', {
			id: unitId,
			name: unit,
			hue: position % HUES,
			position
		});
		made.push({ place: 'business_unit', ref: unitId });
	}
	if (code) {
		const id = newId('cc');
		insert<CostCenterRow>(ctx.db, 'cost_center', { id, unit_id: unitId, code, name });
		made.push({ place: 'cost_center', ref: id });
	}
	return made;
}

function makePerson(ctx: Context, values: Values): Made[] {
	const { name = '', kind = '', address = '' } = values;
	const id = insertPerson(ctx, {
		kind: personKind(kind, name) ?? 'person',
		name,
		email: values.mail ?? '',
		phone: values.phone ?? '',
		note: values.note ?? '',
		// The row was looked at: a namesake with another mail is somebody else.
		twin: true,
		formerNames: values.former ?? ''
	});
	for (const alias of linesOf(values.aliases ?? '')) insertName(ctx, id, 'alias', alias);
	insertContacts(ctx, id, [{ kind: 'address', label: '', value: address }], AFTER_MAIL_AND_PHONE);
	insertCategories(ctx, id, categoriesOf(values.categories ?? ''));
	return [{ place: 'person', ref: id }];
}
const AFTER_MAIL_AND_PHONE = 2;

/** Gives an imported card its parent, which is made where it is not there. */
export function linkParent(ctx: Context, { name = '', parent = '', mail = '' }: Values): Made[] {
	const child = findNamesake(ctx, name, mail) ?? findSameName(ctx, name);
	if (parent === '' || !child) return [];
	const found = findSameName(ctx, parent);
	const parentId = found?.id ?? insertPerson(ctx, { kind: 'organization', name: parent });
	if (isAbove(ctx, child.id, parentId))
		throw new Refused(`${name} and ${parent} would be each other’s parent.`);
	update<PersonRow>(ctx.db, 'person', { id: child.id }, { parent_id: parentId });
	return found ? [] : [{ place: 'person', ref: parentId }];
}

/** Of several of one name, the one with this mail; never a card that one does not see. */
const findNamesake = (
	ctx: Context,
	name: string,
	mail: string
): Pick<PersonRow, 'id'> | undefined =>
	maybeOne(
		ctx.db,
		`SELECT p.id
		FROM person p
		JOIN person_contact c ON c.person_id = p.id AND c.kind = 'mail'
		WHERE p.folded = @folded
			AND lower(c.value) = lower(@mail)
			AND ${cardVisible('p')}
		ORDER BY p.id DESC`,
		{ folded: foldName(name), mail, me: actingStaff(ctx).id }
	);

/**
 * A matter that was opened on another day, without first tasks, mails and interest checks for each
 * of thousands.
 */
function makeMatter(ctx: Context, values: Values, record: Recorder): Made[] {
	const made: Made[] = [];
	const card = (name: string, kind: PersonRow['kind']) => {
		const { id, isMade } = findOrMake(ctx, name, kind);
		if (isMade) made.push({ place: 'person', ref: id });
		return id;
	};
	const { party = '', partyKind = '', counsel = '', reference = '', note = '' } = values;
	const opponentId = party ? card(party, personKind(partyKind, party) ?? 'organization') : null;
	const matter = openImported(ctx, values, { opponentId, card }, record);
	made.push({ place: 'matter', ref: matter.id });
	if (counsel)
		insertOrIgnore<MatterRoleRow>(ctx.db, 'matter_role', {
			id: newId('rol'),
			matter_id: matter.id,
			person_id: card(counsel, personKind('', counsel) ?? 'person'),
			role: 'opposing counsel'
		});
	if (reference)
		insert<MatterReferenceRow>(ctx.db, 'matter_reference', {
			id: newId('ref'),
			matter_id: matter.id,
			whose: 'import',
			number: reference
		});
	if (note) record.logOn(matter.id, 'note', note);
	return made;
}

function findOrMake(
	ctx: Context,
	name: string,
	kind: PersonRow['kind']
): { id: string; isMade: boolean } {
	const found = findSameName(ctx, name);
	if (found) return { id: found.id, isMade: false };
	return { id: insertPerson(ctx, { kind, name }), isMade: true };
}

function openImported(
	ctx: Context,
	values: Values,
	{ opponentId, card }: { opponentId: string | null; card: MakeCard },
	record: Recorder
): MatterRow {
	const kind = findKindNamed(listKinds(ctx), values.kind ?? '');
	const members = splitMembers(values.members ?? '').map((name) => ({
		staffId: findMember(ctx.db, name),
		part: ''
	}));
	const opening = openingInput.parse({
		kind: kind?.id ?? '',
		title: values.title,
		unitId: findUnitNamed(ctx, values.unit ?? ''),
		responsibleId: findLawyer(ctx.db, values.lawyer ?? ''),
		opponentId,
		rulebook: kind?.rulebook ?? null,
		priority: values.priority?.toLowerCase() || 'normal',
		restricted: readYes(values.restricted ?? '') === true,
		members,
		facts: kind ? factsOf(kind, values, card) : {}
	});
	const parts = requireOpeningParts(ctx, opening);
	const day = openedOn(ctx, values.opened);
	const kindName = parts.kind.name.toLowerCase();
	const words = `Taken over by an import as ${kindName}, ${parts.lawyer.name} responsible; opened on ${day}.`;
	const number = readNumber(values.number ?? '') || undefined;
	const matter = insertMatter(ctx, opening, parts, { day, words, number }, record);
	addMembers(ctx, matter, opening, record);
	setImportedStatus(ctx, matter, parts.kind, values);
	return matter;
}

type MakeCard = (name: string, kind: PersonRow['kind']) => string;

/** The facts of a row under the keys of its kind; who is named in one has a card. */
const factsOf = (kind: StoredKind, values: Values, card: MakeCard): Values =>
	Object.fromEntries(
		Object.entries(values).flatMap(([key, typed]) => {
			const fact = typed ? findFactNamed(kind, key) : undefined;
			if (!fact) return [];
			const value = fact.type === 'person' ? card(typed, personKind('', typed) ?? 'person') : typed;
			return [[`fact:${fact.key}`, value]];
		})
	);

/** On hold or closed, as it was where it came from. */
function setImportedStatus(
	ctx: Context,
	matter: MatterRow,
	kind: StoredKind,
	{ status: typed = '', closed = '', ending = '' }: Values
): void {
	const status = readStatus(typed) ?? 'open';
	if (status === 'open') return;
	const day = openedOn(ctx, closed);
	const words = { status, status_reason: 'Taken over by an import', status_from: day };
	const end =
		status === 'closed'
			? {
					closed_on: day,
					retain_until: retainUntil(kind, day),
					ending: kind.endings.find((one) => one.toLowerCase() === ending.toLowerCase()) ?? ''
				}
			: {};
	update<MatterRow>(ctx.db, 'matter', { id: matter.id }, { ...words, ...end });
}

const findUnitNamed = ({ db }: Context, unit: string): string | undefined =>
	maybeOne<Pick<BusinessUnitRow, 'id'>>(
		db,
		'SELECT id FROM business_unit WHERE lower(name) = lower(@unit)',
		{ unit }
	)?.id;

function openedOn(ctx: Context, opened: string | undefined): PlainDate {
	const today = ctx.clock.today();
	const read = opened ? parseTypedDate(opened, today) : { date: today };
	return 'date' in read ? read.date : today;
}
