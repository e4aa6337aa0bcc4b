/** What buttons of the docket say. */
import { isOccasion } from '#core/docket/occasion.ts';
import { plural } from '$lib/ui/format.ts';

/** What a button does with an event: a hearing is docketed itself, and the chosen dates with it. */
export function docketWords(count: number, ahead: string | null): string {
	const dates = plural(count, 'date');
	if (isOccasion(ahead)) return `Docket the ${ahead}${count ? ` and ${dates}` : ''}`;
	return count ? `Docket ${dates}` : 'Keep as proposed';
}
