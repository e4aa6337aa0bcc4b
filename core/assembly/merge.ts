/** Merge data for templates: values by dotted name, formatted; and which names a template asks for that have no value. */
import { sayDate, type PlainDate } from '../dates/plain.ts';
import { sayCents } from '../money/cents.ts';

export type MergeValue = string | number | boolean | MergeObject | MergeObject[];
export interface MergeObject {
	[name: string]: MergeValue | null | undefined;
}

/** A tag of a template: a value, a conditional or repeated part with its own tags. */
export type Tag = { name: string; kind: 'value' | 'part'; inverted: boolean; inside: Tag[] };

/** Formats after a bar: `matter.openedOn | date`, `cost.total | money`, `title | upper`. */
const FORMATS: Record<string, (v: MergeValue) => string> = {
	date: (v) => sayDate(String(v) as PlainDate).replace(/^\w+ /, ''),
	longdate: (v) => sayDate(String(v) as PlainDate),
	money: (v) => sayCents(Number(v)),
	upper: (v) => String(v).toUpperCase()
};

/** The name and formats of a tag's text. */
export function readTag(text: string): { name: string; formats: string[] } {
	const [name = '', ...formats] = text.split('|').map((s) => s.trim());
	return { name, formats };
}

/** Looks a dotted name up, in the innermost scope first. */
export function lookup(scopes: readonly MergeObject[], name: string): MergeValue | undefined {
	for (let i = scopes.length - 1; i >= 0; i--) {
		let at: unknown = scopes[i];
		for (const part of name.split('.'))
			at =
				typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[part] : undefined;
		if (at !== undefined && at !== null && at !== '') return at as MergeValue;
	}
	return undefined;
}

/** The text of a value tag; undefined where the value is missing. Throws RangeError for a format there is not. */
export function valueOf(scopes: readonly MergeObject[], text: string): string | undefined {
	const { name, formats } = readTag(text);
	let v = lookup(scopes, name);
	if (v === undefined) return undefined;
	for (const f of formats) {
		const format = FORMATS[f];
		if (!format)
			throw new RangeError(`there is no format "${f}"; use ${Object.keys(FORMATS).join(', ')}`);
		v = format(v);
	}
	return typeof v === 'object' ? undefined : String(v);
}

/** Names of value tags that would be blank with this data, in the order they appear; parts that do not apply are not asked for. */
export function missing(tags: readonly Tag[], data: MergeObject): string[] {
	const found: string[] = [];
	const walk = (list: readonly Tag[], scopes: MergeObject[]) => {
		for (const t of list) {
			const { name } = readTag(t.name);
			const v = lookup(scopes, name);
			if (t.kind === 'value') {
				if (v === undefined && !found.includes(name)) found.push(name);
			} else if (t.inverted) {
				if (v === undefined || v === false || (Array.isArray(v) && v.length === 0))
					walk(t.inside, scopes);
			} else if (Array.isArray(v)) for (const item of v) walk(t.inside, [...scopes, item]);
			else if (v !== undefined && v !== false)
				walk(t.inside, typeof v === 'object' ? [...scopes, v] : scopes);
		}
	};
	walk(tags, [data]);
	return found;
}
