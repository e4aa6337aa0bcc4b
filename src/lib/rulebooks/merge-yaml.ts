/**
 * Writes into a YAML document only what a form changed: comments, order and the way everything
 * else is written stay as somebody wrote them.
 */
import { isMap, isSeq, type Document } from 'yaml';

type Raw = Record<string, unknown>;
type Path = (string | number)[];
const isRaw = (value: unknown): value is Raw =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
const isSame = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/** How many rows at the beginning, and then at the end, are the same in both lists. */
function sameEnds(before: readonly unknown[], after: readonly unknown[]): [number, number] {
	const most = Math.min(before.length, after.length);
	let first = 0;
	while (first < most && isSame(before[first], after[first])) first++;
	let last = 0;
	while (last < most - first && isSame(before.at(-1 - last), after.at(-1 - last))) last++;
	return [first, last];
}

function mergeList(
	document: Document,
	{ path, before, after }: { path: Path; before: readonly unknown[]; after: readonly unknown[] }
): void {
	const [first, last] = sameEnds(before, after);
	const changed = Math.min(before.length, after.length) - first - last;
	for (let index = first; index < first + changed; index++)
		merge(document, { path: [...path, index], before: before[index], after: after[index] });
	const at = first + changed;
	for (let extra = before.length - after.length; extra > 0; extra--)
		document.deleteIn([...path, at]);
	const list = document.getIn(path);
	for (let index = at; index < after.length - last && isSeq(list); index++)
		if (index >= at + before.length - first - last - changed)
			list.items.splice(index, 0, document.createNode(after[index]));
}

function merge(
	document: Document,
	{ path, before, after }: { path: Path; before: unknown; after: unknown }
): void {
	if (isSame(before, after)) return;
	const node = path.length ? document.getIn(path) : document.contents;
	if (isRaw(before) && isRaw(after) && isMap(node)) {
		for (const key of Object.keys({ ...before, ...after }))
			merge(document, { path: [...path, key], before: before[key], after: after[key] });
	} else if (after === undefined) document.deleteIn(path);
	else if (Array.isArray(before) && Array.isArray(after) && isSeq(node) && after.length)
		mergeList(document, { path, before, after });
	else document.setIn(path, document.createNode(after));
}

/** Changes the document by what differs between the two; whatever is the same is not touched. */
export function mergeYaml(document: Document, before: Raw, after: Raw): void {
	if (!isMap(document.contents)) document.contents = document.createNode({});
	merge(document, { path: [], before, after });
}
