/**
 * Merge data for templates: values by dotted name, formatted; and which names a template asks for
 * that have no value.
 */
import type { PlainDate } from '../dates/plain.ts';
import { formatDate } from '../format/dates.ts';
import { formatCents } from '../format/money.ts';

export type MergeValue = string | number | boolean | MergeObject | MergeObject[];
export interface MergeObject {
	[name: string]: MergeValue | null | undefined;
}

/** A tag of a template: a value, a conditional or repeated part with its own tags. */
export type Tag = { name: string; kind: 'value' | 'part'; inverted: boolean; inside: Tag[] };

/** Formats after a bar: `matter.openedOn | date`, `cost.total | money`, `title | upper`. */
const FORMATS: Record<string, (value: MergeValue) => string> = {
	date: (value) => formatDate(String(value) as PlainDate).replace(/^\w+ /, ''),
	longdate: (value) => formatDate(String(value) as PlainDate),
	money: (value) => formatCents(Number(value)),
	upper: (value) => String(value).toUpperCase()
};

/** The name and formats of a tag's text. */
export function parseTag(text: string): { name: string; formats: string[] } {
	const [name = '', ...formats] = text.split('|').map((part) => part.trim());
	return { name, formats };
}

/** Looks a dotted name up, in the innermost scope first. */
export function findValue(scopes: readonly MergeObject[], name: string): MergeValue | undefined {
	for (let i = scopes.length - 1; i >= 0; i--) {
		let at: unknown = scopes[i];
		for (const part of name.split('.'))
			at =
				typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[part] : undefined;
		if (at !== undefined && at !== null && at !== '') return at as MergeValue;
	}
	return undefined;
}

/**
 * The text of a value tag; undefined where the value is missing. Throws RangeError for a format
 * there is not.
 */
export function formatValue(scopes: readonly MergeObject[], text: string): string | undefined {
	const { name, formats } = parseTag(text);
	let value = findValue(scopes, name);
	if (value === undefined) return undefined;
	for (const item of formats) {
		const format = FORMATS[item];
		if (!format)
			throw new RangeError(`there is no format "${item}"; use ${Object.keys(FORMATS).join(', ')}`);
		value = format(value);
	}
	return typeof value === 'object' ? undefined : String(value);
}

/**
 * Names of value tags that would be blank with this data, in the order they appear; parts that do
 * not apply are not asked for.
 */
export function listMissing(tags: readonly Tag[], data: MergeObject): string[] {
	const found: string[] = [];
	const walk = (list: readonly Tag[], scopes: MergeObject[]) => {
		for (const tag of list) {
			const { name } = parseTag(tag.name);
			const value = findValue(scopes, name);
			if (tag.kind === 'value') {
				if (value === undefined && !found.includes(name)) found.push(name);
			} else if (tag.inverted) {
				if (value === undefined || value === false || (Array.isArray(value) && value.length === 0))
					walk(tag.inside, scopes);
			} else if (Array.isArray(value))
				for (const item of value) walk(tag.inside, [...scopes, item]);
			else if (value !== undefined && value !== false)
				walk(tag.inside, typeof value === 'object' ? [...scopes, value] : scopes);
		}
	};
	walk(tags, [data]);
	return found;
}
