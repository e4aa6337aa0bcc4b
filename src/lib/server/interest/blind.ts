/**
 * The blind question: a name lies in a restricted matter that the asker may not know of. Whoever is
 * responsible there is asked, and answers "no conflict" or "speak to me"; which matter it is stays
 * between them and the house. The department may name a person who sees all, for this alone.
 */
import { z } from 'zod';
import { requireMatter } from '#server/access/visibility.ts';
import {
	actingStaff,
	type Application,
	type Context,
	type Staff
} from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { findSetting } from '#server/app/department.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { id, maybeId } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { all, insert, maybeOne, run, update } from '#server/db/sql.ts';
import { queueMail, type Recipient } from '#server/mail/queue.ts';
import { findColleague } from '#server/staff/queries.ts';
import { blindAnswer, blindQuestion } from './messages.ts';
import { findCheck } from './queries.ts';
import { findBlindState } from './questions.ts';
import type { InterestHiddenRow, InterestQuestionRow } from './rows.ts';

type Has = Pick<Application, 'db'>;
const READER_SETTING = 'interest-reader';

/** Whom the department named to see all; nobody where it named none. */
export const findInterestReader = (app: Has): string | null =>
	findSetting(app, READER_SETTING, '') || null;

const namesOf = (rows: readonly InterestHiddenRow[], matterId: string): string[] =>
	rows.filter(({ matter_id }) => matter_id === matterId).map(({ name }) => name);

/** Asks everyone who is responsible where the names of a check lie. Once for each. */
export const askBlind = command({
	name: 'ask blind question',
	action: 'interest.check',
	input: z.object({ checkId: id('a check') }),
	run({ ctx, me, input, record }) {
		const check = findCheck(ctx, me, input.checkId);
		if (!check) throw new NotFound('check');
		const hidden = listHidden(ctx, check.id);
		if (hidden.length === 0)
			throw new Refused('There is nobody to ask of this check. Make it anew, and ask then.');
		const asked = all<{ matter_id: string }>(
			ctx.db,
			'SELECT matter_id FROM interest_question WHERE check_id = @id',
			check
		).map(({ matter_id }) => matter_id);
		const matters = [...new Set(hidden.map(({ matter_id }) => matter_id))];
		const open = matters.filter((matterId) => !asked.includes(matterId));
		if (open.length === 0) throw new Refused('The question was asked already.');
		for (const matterId of open) ask(ctx, me, check.id, matterId, namesOf(hidden, matterId));
		// How many there are would tell something.
		record.audit({ check: check.id });
	}
});

const listHidden = ({ db }: Has, checkId: string): InterestHiddenRow[] =>
	all(db, 'SELECT * FROM interest_hidden WHERE check_id = @checkId ORDER BY name', { checkId });

function ask(
	ctx: Context,
	me: Staff,
	checkId: string,
	matterId: string,
	names: readonly string[]
): void {
	insert<InterestQuestionRow>(ctx.db, 'interest_question', {
		...{ id: newId('inq'), check_id: checkId, matter_id: matterId },
		...{ asked_by: me.id, asked_at: ctx.clock.now() },
		...{ answer: null, answered_by: null, answered_at: null }
	});
	const people = all<Recipient & { number: string }>(
		ctx.db,
		`SELECT s.name, s.email, m.number
		FROM matter m
		JOIN staff s ON s.id IN (m.responsible_id, m.stand_in_id)
		WHERE m.id = @matterId AND s.active = 1`,
		{ matterId }
	);
	for (const { number, ...to } of people)
		queueMail(ctx, { matterId, to, message: blindQuestion(number, me.name, names) });
}

/** The answer of whoever is responsible there; or of the person who sees all. */
export const answerBlind = command({
	name: 'answer blind question',
	action: 'interest.check',
	input: z.object({
		questionId: id('a question'),
		answer: z.enum(['no conflict', 'speak to me'], { error: 'Choose an answer.' })
	}),
	run({ ctx, me, input, record }) {
		const question = requireQuestion(ctx, input.questionId);
		if (question.answer) throw new Refused('This question was answered already.');
		update<InterestQuestionRow>(
			ctx.db,
			'interest_question',
			{ id: question.id },
			{ answer: input.answer, answered_by: me.id, answered_at: ctx.clock.now() }
		);
		const names = namesOf(listHidden(ctx, question.check_id), question.matter_id);
		record.onMatter(question.matter_id);
		record.audit({ question: question.id, answer: input.answer });
		record.logBeside(
			question.matter_id,
			'matter',
			`Asked blind about ${names.join(', ')}: ${me.name} answered “${input.answer}”.`
		);
		tellAsker(ctx, question, input.answer === 'speak to me' ? me.name : null);
	}
});

/** "No conflict" is told once all have said so: a mail for each would tell how many were asked. */
function tellAsker(ctx: Context, question: InterestQuestionRow, speakTo: string | null): void {
	const { check_id: checkId, asked_by } = question;
	const to = findColleague(ctx, asked_by);
	if (!to || (!speakTo && findBlindState(ctx, checkId).state !== 'no conflict')) return;
	const names = [...new Set(listHidden(ctx, checkId).map(({ name }) => name))];
	queueMail(ctx, { matterId: null, to, message: blindAnswer(checkId, names, speakTo) });
}

function requireQuestion(ctx: Context, questionId: string): InterestQuestionRow {
	const me = actingStaff(ctx);
	const row = maybeOne<InterestQuestionRow>(
		ctx.db,
		'SELECT * FROM interest_question WHERE id = @questionId',
		{ questionId }
	);
	if (!row) throw new NotFound('question');
	if (findInterestReader(ctx) === me.id) return row;
	const { responsible_id, stand_in_id } = requireMatter(ctx, row.matter_id);
	if (me.id !== responsible_id && me.id !== stand_in_id) throw new NotFound('question');
	return row;
}

/** Names the person who sees all, for interest checks alone. */
export const setInterestReader = command({
	name: 'set interest reader',
	action: 'account.edit',
	input: z.object({ staffId: maybeId }),
	run({ ctx, input: { staffId }, record }) {
		if (staffId && !findColleague(ctx, staffId))
			throw new Refused('Choose a colleague of the department.', 'staffId');
		const before = findInterestReader(ctx);
		run(
			ctx.db,
			`INSERT INTO setting (name, value)
			VALUES (@name, @value)
			ON CONFLICT (name) DO UPDATE SET value = excluded.value`,
			{ name: READER_SETTING, value: staffId ?? '' }
		);
		record.audit({ before, after: staffId });
	}
});

/** Shows the person who sees all where the names of a check lie; that they looked is audited. */
export const readHidden = command({
	name: 'read hidden hits',
	action: 'interest.check',
	input: z.object({ checkId: id('a check') }),
	run({ ctx, me, input, record }) {
		if (findInterestReader(ctx) !== me.id) throw new NotFound('check');
		const hits = all<{ name: string; number: string; title: string; responsible: string }>(
			ctx.db,
			`SELECT h.name, m.number, m.title, s.name AS responsible
			FROM interest_hidden h
			JOIN matter m ON m.id = h.matter_id
			JOIN staff s ON s.id = m.responsible_id
			WHERE h.check_id = @checkId
			ORDER BY h.name, m.number`,
			input
		);
		record.audit({ check: input.checkId, matters: hits.map(({ number }) => number) });
		return { hits };
	}
});
