/** Two cards, field by field, as people read them. */
import type { PersonCard } from '#server/people/queries.ts';

type Choice = { field: string; label: string; ours: string; theirs: string; differ: boolean };
type List = { label: string; ours: string; theirs: string };

const SINGLE = [
	['name', 'Name', 'name'],
	['status', 'Standing', 'status'],
	['printed', 'Name as printed', 'printed'],
	['industry', 'Industry', 'industry'],
	['parent_id', 'Parent organization', 'parent'],
	['note', 'Note', 'note']
] as const;

/** What is chosen between, and what comes together. Fields that are empty on both are left out. */
export function compareCards(keep: PersonCard, gone: PersonCard) {
	const valueOf = (card: PersonCard, key: (typeof SINGLE)[number][2]) =>
		key === 'parent' ? (card.parent?.name ?? '') : card.fields[key];
	const single = SINGLE.map(([field, label, key]) => toChoice(field, label, [keep, gone], key));
	function toChoice(
		field: string,
		label: string,
		[one, other]: readonly [PersonCard, PersonCard],
		key: (typeof SINGLE)[number][2]
	): Choice {
		const ours = valueOf(one, key);
		const theirs = valueOf(other, key);
		return { field, label, ours, theirs, differ: ours !== theirs && theirs !== '' };
	}
	const names = [...new Set([...keep.own, ...gone.own].map(({ name }) => name))];
	const own = names.map((name): Choice => {
		const ours = keep.own.find((one) => one.name === name);
		const theirs = gone.own.find((one) => one.name === name);
		const key = (ours ?? theirs)?.key ?? '';
		return {
			field: `fact:${key}`,
			label: name,
			ours: ours?.text ?? '',
			theirs: theirs?.text ?? '',
			differ: ours !== undefined && theirs !== undefined && ours.text !== theirs.text
		};
	});
	const choices = [...single, ...own].filter(({ ours, theirs }) => ours || theirs);
	return { choices, lists: compareLists(keep, gone) };
}

const LISTS: readonly (readonly [label: string, of: (card: PersonCard) => string])[] = [
	['Also known as', ({ fields }) => fields.aliases],
	['Former names', ({ fields }) => fields.former],
	['Addresses', ({ contacts }) => contacts.map(({ value }) => value).join('\n')],
	['Categories', ({ fields }) => fields.categories],
	['On matters', ({ matters }) => matters.map(({ number, role }) => `${number} ${role}`).join('\n')]
];
const compareLists = (keep: PersonCard, gone: PersonCard): List[] =>
	LISTS.map(([label, of]) => ({ label, ours: of(keep), theirs: of(gone) })).filter(
		({ ours, theirs }) => ours || theirs
	);
