/** The areas of the band, and which of them a page is in. */
type Can = Readonly<
	Record<'inside' | 'costs' | 'mail' | 'kinds' | 'imports' | 'staff', boolean | undefined>
>;
export type Area = [href: string, name: string];

/** Those that somebody may enter, in the order of a day. */
export function listAreas(can: Can): Area[] {
	const house = can.kinds ? '/kinds' : can.imports ? '/imports' : can.staff ? '/staff' : '/mail';
	const isHouse = can.kinds || can.imports || can.staff || can.mail;
	const all: [string, string, boolean | undefined][] = [
		['/', 'Day sheet', true],
		['/calendar', 'Calendar', can.inside],
		['/requests', 'Requests', true],
		['/matters', 'Matters', can.inside],
		['/docket', 'Docket', can.inside],
		['/documents', 'Documents', can.inside],
		['/time', 'Time', can.inside],
		['/costs', 'Costs', can.costs],
		['/people', 'People', can.inside],
		[house, 'House', isHouse]
	];
	return all.flatMap(([href, name, isOpen]): Area[] => (isOpen ? [[href, name]] : []));
}

/** The department's own rooms, together under House. */
const HOUSE = ['/kinds', '/imports', '/staff', '/accounts', '/jobs', '/mail', '/resources'];
/** Rooms that are reached from an area and have an address of their own. */
const UNDER: Readonly<Record<string, readonly string[]>> = {
	'/matters': ['/figures'],
	'/docket': ['/rulebooks', '/docket/calculator'],
	'/people': ['/interest'],
	'/kinds': HOUSE,
	'/imports': HOUSE,
	'/staff': HOUSE,
	'/mail': HOUSE
};

export const isWithin = (href: string, path: string): boolean =>
	href === '/'
		? path === '/'
		: [href, ...(UNDER[href] ?? [])].some((start) => path.startsWith(start));
