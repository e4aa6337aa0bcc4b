/** The clock of a data incident: seventy-two hours from what was found yesterday afternoon. */
import { addDays } from '#core/dates/plain.ts';
import { enterEvent } from '#server/docket/events.ts';
import { addMatterBook } from '#server/docket/orders.ts';
import type { Scene } from './scene.ts';

const BOOK = 'eu-data-incident';

export function addIncidentClock(scene: Scene): void {
	const { as, done, today } = scene;
	const { id: matterId, lawyer } = scene.matter('Ticket kiosk exposure');
	scene.at(addDays(today, -1));
	done(addMatterBook(as(lawyer), { matterId, book: BOOK }));
	done(
		enterEvent(as(lawyer), {
			matterId,
			eventKey: `${BOOK}|personal-data-breach-known`,
			date: addDays(today, -1),
			time: '16:20',
			name: 'people in the European Union',
			answers: {},
			docket: ['notify-the-supervisory-authority']
		})
	);
}
