/** What signers do, and the sender who takes a round back. */
import { z } from 'zod';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { command, preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeText, text } from '#server/app/fields.ts';
import { matterCommand } from '#server/app/matter-command.ts';
import type { Recorder } from '#server/app/record.ts';
import { all, update } from '#server/db/sql.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findPersonOfStaff } from '#server/staff/queries.ts';
import { doorSchema, requireSigner } from './door.ts';
import { signingDeclined } from './messages.ts';
import { isPicture, refuseLargePicture } from './picture.ts';
import { findRound, listInTurn, stateOf } from './rounds.ts';
import type { SignerRow, SigningFieldRow, SigningRoundRow } from './rows.ts';
import { pictureTask } from './tasks.ts';
import { tellTurn } from './turn.ts';

export const CONSENT =
	'I agree to sign this document electronically, and that my signature here binds me as one on paper would.';

const updateSigner = (ctx: Context, { id }: SignerRow, set: Partial<SignerRow>): void =>
	void update<SignerRow>(ctx.db, 'signer', { id }, set);

/** Notes that a signer opened the document, once. */
export const openSigning = command({
	name: 'open for signing',
	action: null,
	input: z.object({ door: doorSchema }),
	run({ ctx, input, record }) {
		const { signer, round } = requireSigner(ctx, input.door);
		if (signer.opened_at || signer.state !== 'waiting') return;
		updateSigner(ctx, signer, { opened_at: ctx.clock.now() });
		record.onMatter(round.matter_id);
		record.audit({ signer: signer.id });
	}
});

/** Why somebody cannot sign now. */
const ENDED = {
	withdrawn: 'The sender withdrew this. There is nothing left to sign.',
	expired: 'The last day for signing has passed. Ask the sender for a new link.',
	declined: 'Another signer declined, so this round has ended.'
} as const;
function refuseUnlessTurn(ctx: Context, signer: SignerRow, round: SigningRoundRow): void {
	if (signer.state === 'signed')
		throw new Refused('You signed this already. A copy was sent to you when everyone had signed.');
	if (signer.state === 'declined')
		throw new Refused('You declined this. Ask the sender for a new link.');
	const today = ctx.clock.today();
	const state = stateOf(ctx, round, today);
	if (state === 'withdrawn' || state === 'expired' || state === 'declined')
		throw new Refused(ENDED[state]);
	if (!listInTurn(ctx, round, today).some((other) => other.id === signer.id))
		throw new Refused('Others sign before you. You get a mail when it is your turn.');
}

type AskedField = Pick<SigningFieldRow, 'id' | 'kind' | 'label'>;
const listFields = ({ db }: Context, signerId: string): AskedField[] =>
	all(db, 'SELECT id, kind, label FROM signing_field WHERE signer_id = @signerId', { signerId });

const where = {
	address: maybeText('The address', 100),
	agent: maybeText('The program', 400)
};

/**
 * Signs: every field filled, consent given, once. Drawings are looked at in a worker: they come
 * from outside.
 */
export const sign = preparedCommand({
	name: 'sign',
	action: null,
	input: z.object({
		door: doorSchema,
		/** By field. */
		values: z.record(z.string(), z.string().max(400_000, 'The drawing is too large.')).default({}),
		consent: flag,
		...where
	}),
	async prepare({ ctx, input: { door, values } }) {
		const { signer, round } = requireSigner(ctx, door);
		refuseUnlessTurn(ctx, signer, round);
		for (const { id } of listFields(ctx, signer.id)) {
			const value = values[id] ?? '';
			if (!value.startsWith('data:')) continue;
			refuseLargePicture(value, id);
			await ctx.work.run(pictureTask, { picture: value, field: id });
		}
	},
	run({ ctx, input: { door, values, consent, address, agent }, record }) {
		const { signer, round } = requireSigner(ctx, door);
		refuseUnlessTurn(ctx, signer, round);
		if (!consent) throw new Refused('Tick that you agree to sign electronically.', 'consent');
		for (const field of listFields(ctx, signer.id)) {
			const value = valueFor(ctx, field, signer, (values[field.id] ?? '').trim());
			update<SigningFieldRow>(ctx.db, 'signing_field', { id: field.id }, { value });
		}
		const now = ctx.clock.now();
		updateSigner(ctx, signer, {
			state: 'signed',
			ended_at: now,
			opened_at: signer.opened_at ?? now,
			address,
			agent,
			consent: CONSENT
		});
		record.audit({ round: round.id, signer: signer.id, name: signer.name });
		logSigning(record, round, `${signer.name} signed ${round.title}.`);
		tellTurn(ctx, round);
		const finished = stateOf(ctx, round, ctx.clock.today()) === 'finished';
		return { roundId: round.id, finished };
	}
});

function logSigning(record: Recorder, round: SigningRoundRow, words: string): void {
	record.onMatter(round.matter_id);
	record.logOn(round.matter_id, 'signing', words, `/documents/${round.document_id}`);
}

const TEXT_LIMIT = 200;
/** What a field is filled with. @throws Refused beside it */
function valueFor(ctx: Context, field: AskedField, signer: SignerRow, typed: string): string {
	if (field.kind === 'date') return ctx.clock.today();
	if (field.kind === 'name') return signer.name;
	if (typed === '' && field.kind !== 'check') throw new Refused(missingWords(field), field.id);
	if (!isPicture(typed) && typed.length > TEXT_LIMIT)
		throw new Refused('This text is longer than 200 characters.', field.id);
	return typed;
}

function missingWords({ kind, label }: AskedField): string {
	if (kind === 'signature') return 'Your signature is missing.';
	if (kind === 'initials') return 'Your initials are missing.';
	return `${label || 'A text'} is missing.`;
}

/** Declines to sign, which ends the round. */
export const decline = command({
	name: 'decline to sign',
	action: null,
	input: z.object({ door: doorSchema, reason: text('The reason', 500), ...where }),
	run({ ctx, input: { door, reason, address, agent }, record }) {
		const { signer, round } = requireSigner(ctx, door);
		refuseUnlessTurn(ctx, signer, round);
		updateSigner(ctx, signer, {
			state: 'declined',
			ended_at: ctx.clock.now(),
			address,
			agent,
			reason
		});
		record.audit({ round: round.id, signer: signer.id, reason });
		logSigning(record, round, `${signer.name} declined to sign ${round.title}: ${reason}`);
		const sender = findPersonOfStaff(ctx, round.created_by);
		if (sender)
			queueMail(ctx, {
				matterId: round.matter_id,
				to: sender,
				message: signingDeclined(round.title, signer.name, reason)
			});
	}
});

function requireRound(
	ctx: Context,
	roundId: string
): { round: SigningRoundRow; matter: MatterRow } {
	const round = findRound(ctx, roundId);
	if (!round) throw new NotFound('signing round');
	return { round, matter: requireMatter(ctx, round.matter_id) };
}

/** Takes a document back from its signers. */
export const withdrawRound = matterCommand({
	name: 'withdraw signing round',
	action: 'sign.request',
	input: z.object({ roundId: id('a signing round') }),
	find: (ctx, { roundId }) => requireRound(ctx, roundId),
	onClosed: 'allowed',
	run({ ctx, round, record }) {
		if (stateOf(ctx, round, ctx.clock.today()) !== 'with signers')
			throw new Refused('This round has ended already.');
		update<SigningRoundRow>(
			ctx.db,
			'signing_round',
			{ id: round.id },
			{ withdrawn_at: ctx.clock.now() }
		);
		record.audit({ round: round.id });
		record.log(
			'signing',
			`${round.title} withdrawn from signing.`,
			`/documents/${round.document_id}`
		);
	}
});
