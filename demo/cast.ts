/** The cards of the demo: who stands in the stories, and an address book of others around them. */
import { addDays } from '#core/dates/plain.ts';
import { addPerson } from '#server/people/commands.ts';
import * as names from './names.ts';
import type { Scene } from './scene.ts';
import { STORIES } from './stories/index.ts';
import { kindOf } from './story.ts';

const CARDS = 220;
/** On the stage without a story of their own. */
const OTHERS = [
	'Wiremu Saltmarsh',
	'Leeward Cards LLC',
	'Samphire Bakery Co.',
	'Captain Jory Pell'
];

const mailOf = (name: string, isFirm: boolean): string => {
	const words = name
		.toLowerCase()
		.normalize('NFKD')
		.replace(/^(?:hon\.|dr\.|prof\.|captain|mr justice) /, '')
		.replace(/[^a-z ]/g, '')
		.split(' ')
		.filter(Boolean);
	return isFirm
		? `office@${words.slice(0, 2).join('-')}.example`
		: `${words.join('.')}@mail.example`;
};

/** Names of the stories, each once. */
function listCast(): string[] {
	const told = STORIES.flatMap(({ other, otherCounsel, people = [] }) => [
		other,
		otherCounsel,
		...people.map((person) => person.split(' | ')[0])
	]);
	return [...new Set([...told, ...OTHERS])].filter((name) => name !== undefined);
}

/** Makes every card; who stands in no story is taken by chance from parts of names. */
export async function makeCards(scene: Scene): Promise<{ humans: string[]; orgs: string[] }> {
	const { rnd, as, today } = scene;
	scene.at(addDays(today, -1150));
	const add = async (name: string, former = '') => {
		const kind = kindOf(name);
		const isJudge = /^(?:Hon\.|Mr Justice)/.test(name);
		const result = await addPerson(as('abernathy'), {
			kind,
			name,
			email: !isJudge && rnd.yes(0.85) ? mailOf(name, kind === 'organization') : '',
			phone:
				!isJudge && rnd.yes(0.6) ? `+1 415 555 01${String(rnd.int(0, 99)).padStart(2, '0')}` : '',
			note: '',
			former,
			sure: true
		});
		if (result.ok) scene.cards.set(name, result.value.personId);
		return result.ok;
	};
	for (const name of listCast()) if (!(await add(name))) throw new Error(`no card for ${name}`);
	const humans: string[] = [];
	const orgs: string[] = [];
	while (scene.cards.size < CARDS) {
		const isFirm = humans.length > orgs.length;
		const name = isFirm
			? `${rnd.pick(names.ORG_FIRST)} ${rnd.pick(names.ORG_SECOND)} ${rnd.pick(names.ORG_KIND)}`
			: `${rnd.pick(names.FIRST)} ${rnd.pick(names.LAST)}`;
		if (scene.cards.has(name)) continue;
		const earlier = isFirm
			? `${rnd.pick(names.ORG_FIRST)} ${rnd.pick(names.ORG_SECOND)}`
			: `${name.split(' ')[0]} ${rnd.pick(names.LAST)}`;
		if (await add(name, rnd.yes(0.1) ? earlier : '')) (isFirm ? orgs : humans).push(name);
	}
	return { humans, orgs };
}
