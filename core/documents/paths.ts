/** Paths of files as an index names them: from any system, from any folder that lies above. */

/** A path in one way of writing: slashes, no leading ones, small letters, composed accents. */
export const filePath = (typed: string): string =>
	typed
		.trim()
		.normalize('NFC')
		.replaceAll('\\', '/')
		.replace(/^(?:\.?\/)+/, '')
		.toLowerCase();

const lastPart = (path: string): string => path.slice(path.lastIndexOf('/') + 1);
const withoutTop = (path: string): string => path.slice(path.indexOf('/') + 1);

/**
 * Which of the paths that lie in a chosen folder each wanted one is. A wanted path may begin at the
 * folder's own name or inside it; a name alone is found in any folder where only one file has it.
 * @param given as the folder has them, beginning with its own name
 * @returns by wanted path, the given one; what is not there is absent
 */
export function matchFiles(
	wanted: readonly string[],
	given: readonly string[]
): Map<string, string> {
	const exact = new Map<string, string>();
	const byName = new Map<string, string[]>();
	for (const path of given) {
		const whole = filePath(path);
		exact.set(whole, path);
		const inside = withoutTop(whole);
		if (!exact.has(inside)) exact.set(inside, path);
		const name = lastPart(whole);
		byName.set(name, [...(byName.get(name) ?? []), path]);
	}
	const matched = new Map<string, string>();
	for (const path of wanted) {
		const found = exact.get(path) ?? findAlone(byName, path);
		if (found !== undefined) matched.set(path, found);
	}
	return matched;
}

function findAlone(byName: ReadonlyMap<string, string[]>, path: string): string | undefined {
	if (path.includes('/')) return undefined;
	const all = byName.get(path) ?? [];
	return all.length === 1 ? all[0] : undefined;
}
