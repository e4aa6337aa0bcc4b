/**
 * Opening a matter: in one step, from anywhere; what is known now is carried over, the rest comes
 * later.
 */
import { foldName } from '#core/people/names.ts';
import { listTeam } from '#server/access/team.ts';
import type { Context } from '#server/app/application.ts';
import { preparedCommand } from '#server/app/command.ts';
import {
	formatCheck,
	insertCheck,
	uniqueNames,
	type CheckedNames
} from '#server/interest/checks.ts';
import { interestTask } from '#server/interest/tasks.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findPersonName } from '#server/people/card.ts';
import { carryRequest, requireForOpening } from '#server/requests/carry.ts';
import { matterOpened, putOnMatter } from './messages.ts';
import { namesOfParties } from './opening-people.ts';
import {
	addFirstTasks,
	addMembers,
	addOpener,
	insertMatter,
	openingInput,
	requireOpeningParts,
	requireOtherSide,
	type Opening
} from './opening.ts';

/** Opens a matter; its names are checked for interests. */
export const openMatter = preparedCommand({
	name: 'open matter',
	action: 'matter.open',
	input: openingInput,
	async prepare({ ctx, me, input: opening }): Promise<CheckedNames | null> {
		requireOpeningParts(ctx, opening);
		const { names, personIds } = collectNames(ctx, opening);
		if (names.length === 0) return null;
		const { requestId } = opening;
		const query = { me: me.id, names, requestId, personIds };
		return { names, report: await ctx.work.run(interestTask, query) };
	},
	run({ ctx, me, input: opening, record, prepared: checked }) {
		const parts = requireOpeningParts(ctx, opening);
		const { kind, lawyer } = parts;
		const words = `Matter opened as ${kind.name.toLowerCase()}, ${lawyer.name} responsible.`;
		const begin = { day: ctx.clock.today(), words };
		const matter = insertMatter(ctx, opening, parts, begin, record);
		record.onMatter(matter.id);
		addOpener(ctx, matter);
		const joined = addMembers(ctx, matter, opening, record);
		addFirstTasks(ctx, matter, kind, record);
		if (opening.requestId) {
			const request = requireForOpening(ctx, opening.requestId);
			const said = 'In work: the department opened a matter.';
			carryRequest(ctx, matter, request, record, said);
		}
		const checkId = checked && insertCheck(ctx, checked, { matterId: matter.id });
		if (checked) record.logOn(matter.id, 'matter', formatCheck(checked), `/interest/${checkId}`);
		if (lawyer.id !== me.id)
			queueMail(ctx, {
				matterId: matter.id,
				to: lawyer,
				message: matterOpened(matter, me.name)
			});
		for (const to of listTeam(ctx.db, matter.id))
			if (joined.includes(to.id) && to.id !== me.id)
				queueMail(ctx, { matterId: matter.id, to, message: putOnMatter(matter, me.name, to.part) });
		record.audit({
			number: matter.number,
			title: matter.title,
			kind: kind.id,
			responsible: lawyer.id,
			restricted: opening.restricted,
			members: joined,
			request: opening.requestId
		});
		return { matterId: matter.id, number: matter.number, checkId };
	}
});

/**
 * The names an opening brings: the other side, people among the facts, the counterparty of a
 * request.
 */
function collectNames(ctx: Context, opening: Opening): { names: string[]; personIds: string[] } {
	const names: string[] = [];
	const personIds: string[] = [];
	const addCard = (id: string, name: string | undefined) => {
		personIds.push(id);
		if (name) names.push(name);
	};
	const { opponentId, opponentName, requestId, facts } = opening;
	if (opponentId) addCard(opponentId, requireOtherSide(ctx, opponentId).name);
	else names.push(opponentName);
	for (const typed of Object.values(facts)) {
		if (typed.startsWith('new:')) names.push(typed.slice(4).trim());
		if (/^per_\w+$/.test(typed)) addCard(typed, findPersonName(ctx, typed));
	}
	const parties = namesOfParties(opening.parties);
	for (const id of parties.personIds) addCard(id, findPersonName(ctx, id));
	names.push(...parties.names);
	if (requestId) names.push(requireForOpening(ctx, requestId).counterparty);
	return { names: uniqueNames(names.filter((name) => foldName(name) !== '')), personIds };
}
