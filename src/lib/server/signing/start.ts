/** Sends one PDF to signers. */
import { z } from 'zod';
import { requireMatter } from '#server/access/visibility.ts';
import type { Context } from '#server/app/application.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { flag, id, maybeDay, maybeId, maybeText, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { preparedMatterCommand } from '#server/app/matter-command.ts';
import { exists, insert, maybeOne } from '#server/db/sql.ts';
import type { DocumentRow, DocumentVersionRow } from '#server/documents/rows.ts';
import { PDF } from '#server/files/media.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { isMailAddress } from '#server/people/card.ts';
import type { SignerRow, SigningFieldRow, SigningRoundRow } from './rows.ts';
import { signableTask } from './tasks.ts';
import { tellTurn } from './turn.ts';

const FIELD_KINDS = ['signature', 'initials', 'name', 'date', 'text', 'check'] as const;

/** A part of a page, from its top left. */
const part = z.coerce.number().min(0).max(1);
const fieldSchema = z.object({
	/** The signer's place in the list. */
	signer: z.coerce.number().int().min(0),
	kind: z.enum(FIELD_KINDS),
	page: z.coerce.number().int().min(0).max(2000),
	x: part,
	y: part,
	w: part,
	h: part,
	label: maybeText('The label', 80)
});
const signerSchema = z.object({
	name: text('The name of a signer', 120),
	email: text('The mail address', 200).refine(isMailAddress, 'This is not a mail address.'),
	staffId: maybeId
});
const roundInput = z.object({
	documentId: id('a document'),
	title: text('The title', 200),
	message: maybeText('The message', 2000),
	inOrder: flag,
	wantedBy: maybeDay('Wanted by'),
	expires: maybeDay('The last day'),
	signers: z.array(signerSchema).min(1, 'Name at least one signer.').max(20, 'At most 20 signers.'),
	fields: z.array(fieldSchema).max(300)
});
type RoundInput = z.output<typeof roundInput>;

/** A signer who is the sender alone signs at once: no mail is sent. */
export const startRound = preparedMatterCommand({
	name: 'start signing round',
	action: 'sign.request',
	input: roundInput,
	find: (ctx, { documentId }) => requireNewest(ctx, documentId),
	onClosed: 'allowed',
	async prepare({ ctx, newest, input }) {
		refuseBadRound(ctx, newest, input);
		const pdf = ctx.files.get(newest.sha256);
		await ctx.work.run(signableTask, { pdf, pages: input.fields.map(({ page }) => page) });
	},
	run({ ctx, me, matter, newest, input, record }) {
		refuseBadRound(ctx, newest, input);
		const round = insertRound(ctx, matter, newest, input, me.id);
		const signerIds = input.signers.map((signer, position) =>
			insertSigner(ctx, round, signer, position)
		);
		for (const field of input.fields) insertField(ctx, signerIds, field);
		record.audit({
			round: round.id,
			document: newest.document_id,
			version: newest.n,
			signers: input.signers.map(({ email }) => email)
		});
		const [first] = input.signers;
		if (input.signers.length > 1 || first?.staffId !== me.id) {
			const names = input.signers.map(({ name }) => name).join(', ');
			record.log(
				'signing',
				`${input.title} sent to ${names} for signing.`,
				`/documents/${newest.document_id}`
			);
			tellTurn(ctx, round);
		}
		return { roundId: round.id, signerIds };
	}
});

/** The newest version of a document, with its matter. @throws NotFound */
function requireNewest(
	ctx: Context,
	documentId: string
): { matter: MatterRow; newest: DocumentVersionRow } {
	const document = maybeOne<DocumentRow>(ctx.db, 'SELECT * FROM document WHERE id = @documentId', {
		documentId
	});
	const newest = maybeOne<DocumentVersionRow>(
		ctx.db,
		`SELECT *
		FROM document_version
		WHERE document_id = @documentId
		ORDER BY n DESC
		LIMIT 1`,
		{ documentId }
	);
	if (!document || !newest) throw new NotFound('document');
	try {
		return { matter: requireMatter(ctx, document.matter_id), newest };
	} catch (error) {
		throw error instanceof NotFound ? new NotFound('document') : error;
	}
}

function refuseBadRound(ctx: Context, newest: DocumentVersionRow, input: RoundInput): void {
	if (newest.media_type !== PDF)
		throw new Refused(
			'Only a PDF can be sent for signing. Assemble it as PDF first.',
			'documentId'
		);
	if (input.wantedBy && input.wantedBy < ctx.clock.today())
		throw new Refused('That day has passed.', 'wantedBy');
	refuseBadSigners(ctx, input);
	if (isWithSigners(ctx, newest.document_id))
		throw new Refused('This document is with signers already. Withdraw that round first.');
}

function refuseBadSigners(ctx: Context, { signers, fields }: RoundInput): void {
	const addresses = new Set(signers.map(({ email }) => email.toLowerCase()));
	if (addresses.size < signers.length)
		throw new Refused('A mail address is named twice.', 'signers');
	for (const [position, { name, staffId }] of signers.entries()) {
		if (!fields.some(({ signer, kind }) => signer === position && kind === 'signature'))
			throw new Refused(`Place a signature for ${name} on the page.`, 'fields');
		if (
			staffId &&
			!exists(ctx.db, 'SELECT 1 FROM staff WHERE id = @staffId AND active = 1', { staffId })
		)
			throw new Refused('Choose a colleague.', 'signers');
	}
}

const isWithSigners = ({ db }: Context, documentId: string): boolean =>
	exists(
		db,
		`SELECT 1
		FROM signing_round r
		WHERE r.document_id = @documentId
			AND r.withdrawn_at IS NULL
			AND r.finished_version IS NULL
			AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'waiting')
			AND NOT EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state = 'declined')`,
		{ documentId }
	);

function insertRound(
	ctx: Context,
	matter: MatterRow,
	newest: DocumentVersionRow,
	input: RoundInput,
	by: string
): SigningRoundRow {
	const round: SigningRoundRow = {
		id: newId('rnd'),
		document_id: newest.document_id,
		version_n: newest.n,
		matter_id: matter.id,
		title: input.title,
		message: input.message,
		in_order: input.inOrder ? 1 : 0,
		wanted_by: input.wantedBy,
		expires: input.expires,
		withdrawn_at: null,
		finished_version: null,
		created_by: by,
		created_at: ctx.clock.now()
	};
	insert<SigningRoundRow>(ctx.db, 'signing_round', round);
	return round;
}

function insertSigner(
	ctx: Context,
	round: SigningRoundRow,
	{ name, email, staffId }: RoundInput['signers'][number],
	position: number
): string {
	const id = newId('sgr');
	insert<SignerRow>(ctx.db, 'signer', {
		id,
		round_id: round.id,
		position,
		name,
		email,
		staff_id: staffId,
		state: 'waiting'
	});
	return id;
}

function insertField(
	ctx: Context,
	signerIds: readonly string[],
	{ signer, x, y, w, h, ...field }: RoundInput['fields'][number]
): void {
	const signerId = signerIds[signer];
	if (!signerId) throw new Refused('A field belongs to no signer.', 'fields');
	insert<SigningFieldRow>(ctx.db, 'signing_field', {
		id: newId('fld'),
		signer_id: signerId,
		...field,
		x,
		y,
		w: Math.min(w, 1 - x),
		h: Math.min(h, 1 - y)
	});
}
