/** Whose a date is, in words. */

type DatePeople = {
	/** Initials of whose it is, of who stands in, and of who holds it today. */
	responsible: string;
	standIn: string | null;
	holder: string;
};

/** "TW", or "SR for TW" while the stand-in holds it: for a list. */
export const formatHolder = ({ responsible, holder }: DatePeople): string =>
	holder === responsible ? responsible : `${holder} for ${responsible}`;

/** The same in full, with who would stand in: for one date. */
export function describePeople(people: DatePeople): string {
	const { responsible, standIn, holder } = people;
	if (holder !== responsible) return `held by ${holder} while ${responsible} is away`;
	return `held by ${responsible}${standIn ? `, ${standIn} stands in` : ''}`;
}
