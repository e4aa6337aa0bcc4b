/** The areas of the band, and which of them a page is in. */
type Can = Readonly<
	Record<'inside' | 'costs' | 'mail' | 'kinds' | 'imports' | 'staff', boolean | undefined>
>;
export type Area = [href: string, name: string];

/** Those that somebody may enter, in the order of a day. */
export function listAreas(can: Can): Area[] {
	const house = can.kinds ? '/kinds' : can.imports ? '/imports' : '/staff';
	const all: [string, string, boolean | undefined][] = [
		['/', 'Day sheet', true],
		['/requests', 'Requests', true],
		['/matters', 'Matters', can.inside],
		['/people', 'People', can.inside],
		['/docket', 'Docket', can.inside],
		['/documents', 'Documents', can.inside],
		['/time', 'Time', can.inside],
		['/costs', 'Costs', can.costs],
		['/mail', 'Post room', can.mail],
		[house, 'House', can.kinds || can.imports || can.staff]
	];
	return all.flatMap(([href, name, isOpen]): Area[] => (isOpen ? [[href, name]] : []));
}

/** Rooms that are reached from an area and have an address of their own. */
const UNDER: Readonly<Record<string, readonly string[]>> = {
	'/matters': ['/figures'],
	'/docket': ['/rulebooks', '/docket/calculator'],
	'/people': ['/interest'],
	'/kinds': ['/imports', '/staff', '/accounts', '/jobs'],
	'/imports': ['/kinds', '/staff', '/accounts']
};

export const isWithin = (href: string, path: string): boolean =>
	href === '/'
		? path === '/'
		: [href, ...(UNDER[href] ?? [])].some((start) => path.startsWith(start));
