/** Requests of a business partner, in every state. */
import { addDays } from '#core/dates/plain.ts';
import { openMatter } from '#server/matters/open.ts';
import { answerRequest, writeRequest } from '#server/requests/commands.ts';
import { askBack, takeRequest, turnDown } from '#server/requests/triage.ts';
import { unitId } from './open.ts';
import type { Scene } from './scene.ts';

const UNIT = unitId('Onboard Retail');

export async function addRequests(scene: Scene): Promise<void> {
	const { as, done, today } = scene;
	const day = (from: number) => addDays(today, from);
	const ask = async (about: string, words: string, age: number, more: object = {}) => {
		scene.at(day(-age));
		return done(
			await writeRequest(as('tarrant'), {
				about,
				words,
				unitId: UNIT,
				urgency: 'normal',
				send: true,
				...more
			})
		).requestId;
	};
	const coffee = await ask(
		'Coffee supplier wants to raise prices',
		'They point at a clause on raw coffee. Is that allowed before the anniversary?',
		6,
		{
			counterparty: 'Samphire Coffee Co.',
			urgency: 'soon',
			wantedBy: day(7),
			files: [
				new File(['We refer to clause 7 and raise all prices by nine percent.'], 'price-letter.txt')
			]
		}
	);
	scene.at(day(-5));
	done(takeRequest(as('abernathy'), { requestId: coffee }));
	done(
		askBack(as('abernathy'), {
			requestId: coffee,
			words: 'Can you send the signed agreement of last year?'
		})
	);
	await ask(
		'Film crew on the Pier 2 ferry',
		'They want two days on board in March. Is there a form of agreement?',
		2,
		{ wantedBy: day(20) }
	);
	await ask(
		'Passenger wants refund and threatens the press',
		'Missed connection in fog; asks for a hotel. Letter attached.',
		0,
		{
			urgency: 'urgent',
			wantedBy: day(3),
			files: [
				new File(['I waited four hours in the fog and nobody told me anything.'], 'letter.txt')
			]
		}
	);
	const logo = await ask('May we use the old logo on mugs?', 'For the anniversary.', 18);
	scene.at(day(-17));
	done(
		turnDown(as('reyes'), {
			requestId: logo,
			reason: 'The old mark lapsed and is registered by someone else now. Use the present one.'
		})
	);
	await openFromRequest(
		scene,
		await ask('Card terminals: new provider', 'The present contract ends in spring.', 34, {
			counterparty: 'Leeward Cards LLC'
		})
	);
	const kiosk = await ask('Kiosk at Pier 7: can we sublet?', 'The bakery would take a corner.', 3);
	scene.at(day(-1));
	done(
		askBack(as('reyes'), {
			requestId: kiosk,
			words: 'For how long, and who would pay for the power?'
		})
	);
	done(
		await answerRequest(as('tarrant'), { requestId: kiosk, words: 'One year. They would pay.' })
	);
	scene.at(today);
	done(
		await writeRequest(as('tarrant'), {
			about: 'Loyalty card terms',
			words: 'First thoughts only.'
		})
	);
}

async function openFromRequest(scene: Scene, requestId: string): Promise<void> {
	const { as, done, today } = scene;
	scene.at(addDays(today, -33));
	const title = 'Card terminals, new provider';
	const { matterId, number } = done(
		await openMatter(as('wardle'), {
			kind: 'agreement',
			title,
			unitId: UNIT,
			responsibleId: 'stf_wardle',
			opponentId: scene.card('Leeward Cards LLC'),
			requestId,
			facts: { 'fact:subject': 'Card terminals', 'fact:sort': 'Services' }
		})
	);
	scene.matters.push({
		...{ id: matterId, number, title, kind: 'agreement', lawyer: 'wardle', team: ['wardle'] },
		...{ from: scene.day, until: null, restricted: false, work: [], story: null }
	});
}
