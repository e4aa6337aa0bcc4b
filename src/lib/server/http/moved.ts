/**
 * Addresses of earlier versions: they stand in mails, bookmarks and logbooks, and go on leading
 * where they led.
 */

const PAGES: readonly [from: RegExp, to: string][] = [
	[/^\/overview$/, '/figures'],
	[/^\/count$/, '/docket/calculator'],
	[/^\/post(?=\/|$)/, '/mail']
];

/** Parameters that are called otherwise now, by the page that has them. */
const PARAMETERS: readonly [page: RegExp, from: string, to: string][] = [
	[/^\/matters\/[^/]+\/docket$/, 'count', 'deadline'],
	[/^\/docket\/check$/, 'date', 'deadline'],
	[/^\/count$/, 'n', 'amount']
];

/** Where an address leads now; undefined where it leads there still. */
export function findMoved({ pathname, searchParams }: URL): string | undefined {
	const page = PAGES.find(([from]) => from.test(pathname));
	const parameter = PARAMETERS.find(
		([from, name]) => from.test(pathname) && searchParams.has(name)
	);
	if (!page && !parameter) return undefined;
	const params = new URLSearchParams(searchParams);
	if (parameter) {
		const [, from, to] = parameter;
		params.set(to, params.get(from) ?? '');
		params.delete(from);
	}
	const path = page ? pathname.replace(page[0], page[1]) : pathname;
	return params.size ? `${path}?${params}` : path;
}
