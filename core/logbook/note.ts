/**
 * What is in the words of a note: mentions of colleagues, tags, numbers of matters, addresses of
 * pages.
 */
export type Part =
	| { text: string }
	| { mention: string; text: string }
	| { tag: string; text: string }
	| { number: string; text: string }
	| { href: string; text: string };
export type Mentionable = { id: string; login: string; name: string };

/** What a part may follow: the beginning, white space or an opening mark. */
const OPENING = /[\s(,;:"“]/;
/** Where the next part may begin: at @, #, a capital letter or the h of https. */
const BEGINNING = /[@#A-Zh]/;

/**
 * Splits a note into its parts; together their texts are the note. A colleague is named by @login,
 * @Full Name, or @First where only one has that name.
 */
export function parseNote(words: string, staff: readonly Mentionable[]): Part[] {
	const handles = listHandles(staff);
	const parts: Part[] = [];
	const addText = (text: string) => {
		const last = parts.at(-1);
		if (last && Object.keys(last).length === 1) last.text += text;
		else parts.push({ text });
	};
	for (let at = 0; at < words.length;) {
		const rest = words.slice(at);
		const opens = at === 0 || OPENING.test(words.charAt(at - 1));
		const part = opens ? findPart(rest, handles) : undefined;
		if (part) {
			parts.push(part);
			at += part.text.length;
			continue;
		}
		const next = rest.slice(1).search(BEGINNING);
		const text = rest.slice(0, next === -1 ? rest.length : next + 1);
		addText(text);
		at += text.length;
	}
	return parts;
}

type Handle = { id: string; handle: string };
/** Full names before logins of others that are their beginning: the longest comes first. */
const listHandles = (staff: readonly Mentionable[]): Handle[] =>
	staff
		.flatMap(({ id, login, name }) => [
			{ id, handle: name.toLowerCase() },
			{ id, handle: login.toLowerCase() },
			...(isOnlyOne(staff, name) ? [{ id, handle: firstName(name) }] : [])
		])
		.sort((a, b) => b.handle.length - a.handle.length);

const firstName = (name: string): string => (name.split(' ')[0] ?? name).toLowerCase();
/** A first name alone means somebody where no other colleague has it. */
const isOnlyOne = (staff: readonly Mentionable[], name: string): boolean =>
	staff.filter((other) => firstName(other.name) === firstName(name)).length === 1;

const STRAY = /(?:^|[\s(,;:"“])@(\p{L}[\p{L}\p{N}.'’-]*)/gu;
/** What looks like a mention and means nobody, as it was typed, each once. */
export const listStrayMentions = (parts: readonly Part[]): string[] => [
	...new Set(
		parts
			.filter((part) => Object.keys(part).length === 1)
			.flatMap(({ text }) => [...text.matchAll(STRAY)].map(([, name = '']) => name))
			.map((name) => name.replace(/[.'’-]+$/, ''))
	)
];

/** The part that a text begins with, unless it is plain text. */
function findPart(text: string, handles: readonly Handle[]): Part | undefined {
	return text.startsWith('@') ? findMention(text, handles) : findPattern(text);
}

function findMention(text: string, handles: readonly Handle[]): Part | undefined {
	const typed = text.slice(1).toLowerCase();
	const found = handles.find(
		({ handle }) => typed.startsWith(handle) && !/[\p{L}\p{N}]/u.test(typed.charAt(handle.length))
	);
	return found && { mention: found.id, text: text.slice(0, found.handle.length + 1) };
}

const TAG = /^#(\p{L}[\p{L}\p{N}_-]{0,39})/u;
const NUMBER = /^[A-Z]{1,6}-\d{4}-\d{3,6}\b/;
const ADDRESS = /^https?:\/\/[^\s<>"]+[^\s<>".,;:)]/;

function findPattern(text: string): Part | undefined {
	const tag = TAG.exec(text);
	if (tag?.[1]) return { tag: tag[1].toLowerCase(), text: tag[0] };
	const number = NUMBER.exec(text)?.[0];
	if (number) return { number, text: number };
	const href = ADDRESS.exec(text)?.[0];
	return href ? { href, text: href } : undefined;
}

/** The tags of a note, in small letters, each once. */
export const listTags = (parts: readonly Part[]): string[] => [
	...new Set(parts.flatMap((part) => ('tag' in part ? [part.tag] : [])))
];

/** The ids of the colleagues a note mentions, each once. */
export const listMentions = (parts: readonly Part[]): string[] => [
	...new Set(parts.flatMap((part) => ('mention' in part ? [part.mention] : [])))
];
