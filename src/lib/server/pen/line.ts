/** The pen line: what a line means for this person, and what committing it does. */
import { z } from 'zod';
import { may } from '#core/access/table.ts';
import { parseDate, type PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { formatHours } from '#core/format/hours.ts';
import { capitalize, pluralInWords } from '#core/format/words.ts';
import { takeDay } from '#core/pen/day-at-end.ts';
import { firstTitleWord, takeTitle } from '#core/pen/matter-words.ts';
import { parseLine, type Understood } from '#core/pen/parse.ts';
import { parseTaskLine } from '#core/pen/task-line.ts';
import { findDateOrder } from '#server/app/department.ts';
import type { Context, Staff } from '#server/app/application.ts';
import { Refused, toFailure, type Result } from '#server/app/errors.ts';
import { findMatter } from '#server/access/visibility.ts';
import { takeBackAppointment } from '#server/appointments/commands.ts';
import { addDeadline } from '#server/docket/by-hand.ts';
import { enterEvent } from '#server/docket/events.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { takeBackNote } from '#server/logbook/take-back.ts';
import {
	findMatterByNumber,
	listTitled,
	search,
	type Hit,
	type NumberedMatter
} from '#server/search/queries.ts';
import { withdrawEvent } from '#server/docket/take-back.ts';
import { listColleagues } from '#server/staff/queries.ts';
import { addTask, takeBackTask } from '#server/tasks/commands.ts';
import { deleteTime, logTime } from '#server/time/commands.ts';
import { commitAppointment, penAppointment, type PenAppointment } from './appointment.ts';
import { penCount, penEvent, type PenCount, type PenEvent } from './docket.ts';

const LINE_LIMIT = 2000;

export const lineInput = z.object({
	line: z.string().max(LINE_LIMIT, 'A line has at most 2,000 characters.').default(''),
	/** The number of the matter on screen. */
	current: z.string().max(40).default(''),
	/** What was corrected in place. */
	parts: z
		.object({
			event: z.string().max(200).optional(),
			/** The day of an event or of time, or until when a task is to be done. */
			date: z.string().max(10).transform(parseDate).optional(),
			service: z.string().max(40).optional(),
			/** The number of the matter. */
			matter: z.string().max(40).optional(),
			assignee: z.string().max(60).optional()
		})
		.default({})
});
type LineInput = z.output<typeof lineInput>;

type ReadLine = {
	/** With the day, where it is one of time or has a task's. */
	understood: Understood & { day?: PlainDate };
	matter: NumberedMatter | null;
	/** Where a title was named, those it may mean. */
	fits: NumberedMatter[];
	/** The event it would enter. */
	entry: PenEvent | null;
	/** The task it would give. */
	task: PenTask | null;
	/** The appointment it would make. */
	appointment: PenAppointment | null;
	/** The count it asks for. */
	counted: PenCount | null;
};
export type ShownLine = ReadLine & { hits: Hit[] };

/** A line of time with the day it names. */
function withDay(
	ctx: Context,
	understood: Committing,
	corrected: PlainDate | undefined
): Committing & { day?: PlainDate } {
	if (understood.kind !== 'time' || understood.fault) return understood;
	const taken = takeDay(understood.words, ctx.clock.today(), findDateOrder(ctx));
	const { words, fault } = taken;
	const day = corrected ?? taken.day;
	return { ...understood, day, words, fault: fault ?? (words ? null : 'Say what was done.') };
}

/** A task as the line has it; one's own where it names nobody. */
type PenTask = {
	subject: string;
	assignee: { id: string; name: string };
	due: PlainDate | null;
	fault: string | null;
	/** To whom it may be given instead. */
	colleagues: { id: string; name: string }[];
};

function readTask(
	ctx: Context,
	me: Staff,
	line: string,
	{ assignee: chosen, date }: LineInput['parts']
): PenTask {
	const colleagues = listColleagues(ctx);
	const { subject, assignee, due, fault } = parseTaskLine(
		line.split(' '),
		colleagues.map(({ id, name }) => ({ id, words: name })),
		ctx.clock.today(),
		findDateOrder(ctx),
		{ assignee: chosen, due: date }
	);
	const who = colleagues.find(({ id }) => id === assignee) ?? me;
	return {
		subject,
		due,
		fault,
		assignee: { id: who.id, name: who.name },
		colleagues: colleagues.map(({ id, name }) => ({ id, name }))
	};
}

type Committing = Extract<Understood, { kind: 'time' | 'note' | 'event' | 'task' }>;
const isCommitted = (understood: Understood): understood is Committing =>
	['time', 'note', 'event', 'task'].includes(understood.kind);

const NAME_A_MATTER = 'Name a matter, by its number or by words of its title first.';

/** The matter of a line: by its number, or by words of its title at the beginning. */
function findMeant(
	ctx: Context,
	me: Staff,
	understood: Committing,
	chosen: string | undefined
): { understood: Committing; matter: NumberedMatter | null; fits: NumberedMatter[] } {
	if (understood.matter !== null) {
		const number = chosen ?? understood.matter;
		const matter = findMatterByNumber(ctx, me, number) ?? null;
		const fault = matter ? understood.fault : `There is no matter ${number} that you may see.`;
		return { understood: { ...understood, fault }, matter, fits: [] };
	}
	const word = firstTitleWord(understood.words);
	const titled = word === undefined ? [] : listTitled(ctx, me, word);
	const taken = takeTitle(
		understood.words,
		titled.map(({ number, title }) => ({ id: number, words: title }))
	);
	const fits = titled.filter(({ number }) => taken?.fits.includes(number));
	if (!taken || fits.length === 0)
		return { understood: { ...understood, fault: NAME_A_MATTER }, matter: null, fits };
	const matter = fits.length === 1 ? fits[0] : fits.find(({ number }) => number === chosen);
	const fault = matter ? (taken.rest ? null : EMPTY[understood.kind]) : 'Which matter is meant?';
	return { understood: { ...understood, words: taken.rest, fault }, matter: matter ?? null, fits };
}
const EMPTY: Readonly<Record<Committing['kind'], string>> = {
	time: 'Say what was done.',
	note: 'What is the note?',
	event: 'Say what happened and when.',
	task: 'Say what is to be done.'
};

/** What a line means. */
function readLine(ctx: Context, me: Staff, { line, current, parts }: LineInput): ReadLine {
	const parsed = parseLine(line, current || null);
	const none = { matter: null, fits: [], entry: null, task: null };
	const nothing = { ...none, appointment: null, counted: null };
	if (parsed.kind === 'count')
		return { ...nothing, understood: parsed, counted: penCount(ctx, parsed.words) };
	if (parsed.kind === 'appointment') return readAppointment(ctx, me, parsed, parts);
	if (!isCommitted(parsed)) return { ...nothing, understood: parsed };
	const { understood: meant, matter, fits } = findMeant(ctx, me, parsed, parts.matter);
	const understood = withDay(ctx, meant, parts.date ?? undefined);
	const read: ReadLine = { ...nothing, understood, matter, fits };
	if (understood.fault || !matter) return read;
	const withFault = (fault: string | null): ReadLine =>
		fault ? { ...read, understood: { ...understood, fault } } : read;
	if (understood.kind === 'task') {
		const task = readTask(ctx, me, understood.words, parts);
		return { ...withFault(task.fault), task };
	}
	if (understood.kind !== 'event') return read;
	if (!may(me.role, 'docket.enter')) return withFault('Your role does not enter events.');
	const row = findMatter(ctx.db, me, { id: matter.id });
	const entry = row ? penEvent(ctx, row, understood.words, parts) : null;
	return { ...withFault(entry?.fault ?? null), entry };
}

/** An appointment may be on no matter at all. */
function readAppointment(
	ctx: Context,
	me: Staff,
	parsed: Extract<Understood, { kind: 'appointment' }>,
	parts: LineInput['parts']
): ReadLine {
	const number = parts.matter ?? parsed.matter;
	const matter = number ? (findMatterByNumber(ctx, me, number) ?? null) : null;
	const appointment = penAppointment(ctx, me, parsed.words, parts.date ?? null);
	const fault =
		number && !matter ? `There is no matter ${number} that you may see.` : appointment.fault;
	const understood = { ...parsed, fault };
	return { understood, matter, fits: [], entry: null, task: null, appointment, counted: null };
}

/** What a line means, and what it finds. */
export function showLine(ctx: Context, me: Staff, input: LineInput): ShownLine {
	const read = readLine(ctx, me, input);
	const { understood } = read;
	return { ...read, hits: understood.kind === 'find' ? search(ctx, me, understood.words) : [] };
}

/** What was done, where it shows, and how it is taken back. */
export type Committed = {
	message: string;
	go?: string;
	undo?: z.input<typeof undoInput>;
};

/** Commits a line that changes something, through the commands of each area. */
export function commitLine(ctx: Context, me: Staff, input: LineInput): Result<Committed> {
	const read = readLine(ctx, me, input);
	const { understood, matter } = read;
	try {
		if (!isCommitted(understood) && understood.kind !== 'appointment')
			throw new Refused('There is nothing to commit in this line.');
		if (understood.fault) throw new Refused(understood.fault);
		if (understood.kind === 'appointment') return commitAppointment(ctx, matter, read.appointment);
		if (!matter) throw new Refused('Name a matter.');
		if (understood.kind === 'event') return commitEvent(ctx, matter, read.entry);
		if (understood.kind === 'task') return commitTask(ctx, matter, read.task);
		if (understood.kind === 'note') return commitNote(ctx, matter, understood.words);
		const { minutes, words, day = ctx.clock.today() } = understood;
		return commitTime(ctx, matter, { minutes, narrative: words, day });
	} catch (error) {
		return toFailure(error);
	}
}

function commitEvent(
	ctx: Context,
	matter: NumberedMatter,
	entry: PenEvent | null
): Result<Committed> {
	if (!entry?.event || !entry.date) throw new Refused('Say what happened and when.');
	const { date, place, hand } = entry;
	const when = { matterId: matter.id, date, time: entry.time ?? '', place };
	const result = hand
		? addDeadline(ctx, { ...when, what: hand.sort, title: hand.title })
		: enterEvent(ctx, {
				...when,
				eventKey: entry.event,
				service: entry.service ?? '',
				docket: entry.dates.map(({ rule }) => rule)
			});
	if (!result.ok) return result;
	const dates = 'docketed' in result.value ? pluralInWords(result.value.docketed, 'date') : 'it is';
	const message = `${entry.text} on ${formatDate(date)}: ${dates} docketed on ${matter.title}.`;
	const go = `/matters/${matter.number}/docket`;
	return { ok: true, value: { message, go, undo: { eventId: result.value.eventId } } };
}

function commitTask(ctx: Context, matter: NumberedMatter, task: PenTask | null): Result<Committed> {
	if (!task) throw new Refused('Say what is to be done.');
	const { subject, assignee, due } = task;
	const result = addTask(ctx, { matterId: matter.id, subject, assigneeId: assignee.id, due });
	if (!result.ok) return result;
	const when = due ? `, due ${formatDate(due)}` : '';
	const message = `${capitalize(subject)}: a task for ${assignee.name} on ${matter.title}${when}.`;
	const go = `/matters/${matter.number}/tasks`;
	return { ok: true, value: { message, go, undo: { taskId: result.value.taskId } } };
}

function commitNote(ctx: Context, matter: NumberedMatter, words: string): Result<Committed> {
	const result = writeNote(ctx, { matterId: matter.id, words });
	if (!result.ok) return result;
	const message = `Noted on ${matter.title}.`;
	return { ok: true, value: { message, undo: { noteId: result.value.logId } } };
}

function commitTime(
	ctx: Context,
	matter: NumberedMatter,
	{ minutes, narrative, day }: { minutes: number; narrative: string; day: PlainDate }
): Result<Committed> {
	const result = logTime(ctx, {
		matterId: matter.id,
		day,
		hours: `${minutes}m`,
		narrative
	});
	if (!result.ok) return result;
	const when = day === ctx.clock.today() ? '' : ` for ${formatDate(day)}`;
	const message = `${formatHours(minutes)} h logged on ${matter.title}${when}.`;
	return { ok: true, value: { message, undo: { entryId: result.value.entryId } } };
}

export const undoInput = z.union([
	z.object({ entryId: z.string().max(60) }),
	z.object({ eventId: z.string().max(60) }),
	z.object({ noteId: z.string().max(60) }),
	z.object({ taskId: z.string().max(60) }),
	z.object({ changeId: z.string().max(60) })
]);

/**
 * Takes the last act of the pen line back: an entry of time goes, an event is withdrawn, a note or
 * a task is taken back.
 */
export function undoLine(ctx: Context, undo: z.output<typeof undoInput>): Result<unknown> {
	if ('noteId' in undo) return takeBackNote(ctx, undo);
	if ('taskId' in undo) return takeBackTask(ctx, undo);
	if ('changeId' in undo) return takeBackAppointment(ctx, undo);
	return 'entryId' in undo
		? deleteTime(ctx, undo)
		: withdrawEvent(ctx, { ...undo, reason: 'taken back at once on the pen line' });
}
