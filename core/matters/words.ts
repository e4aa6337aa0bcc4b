/** What is in the words of a note: mentions of colleagues, hashtags, numbers of matters, addresses of pages. */
export type Part =
	| { text: string }
	| { mention: string; text: string }
	| { tag: string; text: string }
	| { number: string; text: string }
	| { href: string; text: string };
export type Someone = { id: string; login: string; name: string };

/** Splits a note into its parts; together their texts are the note. A colleague is named by @login or @Full Name. */
export function partsOf(words: string, staff: readonly Someone[]): Part[] {
	const out: Part[] = [];
	const put = (text: string) => {
		const last = out.at(-1);
		if (last && Object.keys(last).length === 1) last.text += text;
		else out.push({ text });
	};
	const byLength = [...staff].sort((a, b) => b.name.length - a.name.length);
	for (let i = 0; i < words.length;) {
		const rest = words.slice(i);
		const starts = i === 0 || /[\s(,;:"“]/.test(words[i - 1]!);
		if (starts && rest[0] === '@') {
			const low = rest.slice(1).toLowerCase();
			const who = byLength
				.flatMap((s) => [
					{ s, n: s.name.length, at: s.name.toLowerCase() },
					{ s, n: s.login.length, at: s.login.toLowerCase() }
				])
				.find((x) => low.startsWith(x.at) && !/[\p{L}\p{N}]/u.test(low[x.n] ?? ''));
			if (who) {
				out.push({ mention: who.s.id, text: rest.slice(0, who.n + 1) });
				i += who.n + 1;
				continue;
			}
		}
		const tag = starts ? /^#(\p{L}[\p{L}\p{N}_-]{0,39})/u.exec(rest) : null;
		if (tag) {
			out.push({ tag: tag[1]!.toLowerCase(), text: tag[0] });
			i += tag[0].length;
			continue;
		}
		const number = starts ? /^[A-Z]{1,6}-\d{4}-\d{3,6}\b/.exec(rest) : null;
		if (number) {
			out.push({ number: number[0], text: number[0] });
			i += number[0].length;
			continue;
		}
		const url = starts ? /^https?:\/\/[^\s<>"]+[^\s<>".,;:)]/.exec(rest) : null;
		if (url) {
			out.push({ href: url[0], text: url[0] });
			i += url[0].length;
			continue;
		}
		const next = rest.slice(1).search(/[@#A-Zh]/);
		const n = next === -1 ? rest.length : next + 1;
		put(rest.slice(0, n));
		i += n;
	}
	return out;
}
export const tagsOf = (parts: readonly Part[]): string[] => [
	...new Set(parts.flatMap((p) => ('tag' in p ? [p.tag] : [])))
];
export const mentionsOf = (parts: readonly Part[]): string[] => [
	...new Set(parts.flatMap((p) => ('mention' in p ? [p.mention] : [])))
];
