/**
 * Finished rounds: the sealed PDF is made, filed as a new version, and everyone gets a copy. A job
 * does it, and does it again after a stop.
 */
import { z } from 'zod';
import type { Application, Context } from '#server/app/application.ts';
import { command } from '#server/app/command.ts';
import { departmentName } from '#server/app/department.ts';
import { NotFound } from '#server/app/errors.ts';
import { eachRow, type Concern, type JobReport } from '#server/app/job.ts';
import { all, one, update } from '#server/db/sql.ts';
import { addVersion } from '#server/documents/filing.ts';
import type { DocumentVersionRow } from '#server/documents/rows.ts';
import { storeFile } from '#server/documents/store.ts';
import { queueMail } from '#server/mail/queue.ts';
import { findPersonOfStaff } from '#server/staff/queries.ts';
import type { Certificate, CertificateRound } from './certificate.ts';
import { everyoneSigned } from './messages.ts';
import { findRound, listSigners } from './rounds.ts';
import type { SignerRow, SigningRoundRow } from './rows.ts';
import type { StampField } from './stamp.ts';
import { sealTask } from './tasks.ts';

const storedSchema = z.object({
	sha256: z.string().length(64),
	type: z.string(),
	fileName: z.string(),
	size: z.number().int(),
	text: z.string(),
	unread: z.string()
});

/** Files the sealed PDF as a new version and sends everyone a copy. Only the job calls it. */
const fileSealed = command({
	name: 'seal document',
	action: null,
	input: z.object({
		roundId: z.string(),
		file: storedSchema,
		baseSha256: z.string().length(64)
	}),
	run({ ctx, input: { roundId, file, baseSha256 }, record }) {
		const round = findRound(ctx, roundId);
		if (!('guest' in ctx.actor) || ctx.actor.guest !== SEALER || !round)
			throw new NotFound('signing round');
		if (round.finished_version !== null) return;
		const version = addVersion(ctx, round.document_id, file, {
			why: `signed: ${round.title}`,
			by: round.created_by,
			baseSha256
		});
		update<SigningRoundRow>(
			ctx.db,
			'signing_round',
			{ id: round.id },
			{ finished_version: version }
		);
		record.onMatter(round.matter_id);
		record.audit({ round: round.id, version, sha256: file.sha256 });
		record.logOn(
			round.matter_id,
			'signing',
			`${round.title} is signed by everyone and sealed (version ${version}).`,
			`/documents/${round.document_id}`
		);
		sendCopies(ctx, round, { sha256: file.sha256, name: file.fileName });
	}
});

const SEALER = 'the department';

/** Each address once. Who signed alone what they sent themselves has it already. */
function sendCopies(
	ctx: Context,
	round: SigningRoundRow,
	attachment: { sha256: string; name: string }
): void {
	const signers = listSigners(ctx, round.id);
	const [first] = signers;
	if (signers.length === 1 && first?.staff_id === round.created_by) return;
	const sender = findPersonOfStaff(ctx, round.created_by);
	const people = [...signers, ...(sender ? [sender] : [])];
	const byAddress = new Map(people.map((person) => [person.email.toLowerCase(), person]));
	for (const { name, email } of byAddress.values())
		queueMail(ctx, {
			matterId: round.matter_id,
			to: { name, email },
			message: everyoneSigned(round.title),
			attachment
		});
}

type Shown = Pick<DocumentVersionRow, 'sha256' | 'base_sha256' | 'file_name'> & {
	number: string;
};

/** Makes and files the sealed PDF of a finished round. Safe to call again. */
export async function finishRound(app: Application, roundId: string): Promise<void> {
	const round = findRound(app, roundId);
	if (!round || round.finished_version !== null) return;
	const shown = one<Shown>(
		app.db,
		`SELECT d.number, v.sha256, v.base_sha256, v.file_name
		FROM document d
		JOIN document_version v ON v.document_id = d.id
		WHERE d.id = @id AND v.n = @n`,
		{ id: round.document_id, n: round.version_n }
	);
	const { base, sealed } = await app.work.run(sealTask, {
		// What was signed before is drawn on the page without the certificate of that time.
		pdf: app.files.get(shown.base_sha256 ?? shown.sha256),
		fields: listStampFields(app, roundId),
		certificate: makeCertificate(app, round, shown.number),
		key: await app.seal(),
		reason: `Signed: ${round.title}`
	});
	const name = `${shown.file_name.replace(/( signed)?\.pdf$/i, '')} signed.pdf`;
	const file = await storeFile(app, new File([sealed as Uint8Array<ArrayBuffer>], name));
	const ctx: Context = { ...app, actor: { guest: SEALER } };
	const filed = fileSealed(ctx, { roundId, file, baseSha256: app.files.put(base) });
	if (!filed.ok) throw new Error(Object.values(filed.errors).join(' '));
}

const listStampFields = ({ db }: Application, roundId: string): StampField[] =>
	all(
		db,
		`SELECT f.kind, f.page, f.x, f.y, f.w, f.h, f.value
		FROM signing_field f
		JOIN signer s ON s.id = f.signer_id
		WHERE s.round_id = @roundId`,
		{ roundId }
	);

type RoundWithNames = SigningRoundRow & { sender: string; sha256: string };
/** The certificate tells of all rounds of the document. */
function makeCertificate(
	app: Application,
	round: SigningRoundRow,
	documentNumber: string
): Certificate {
	const rounds = all<RoundWithNames>(
		app.db,
		`SELECT r.*, s.name AS sender, v.sha256
		FROM signing_round r
		JOIN staff s ON s.id = r.created_by
		JOIN document_version v ON v.document_id = r.document_id AND v.n = r.version_n
		WHERE r.document_id = @documentId AND (r.finished_version IS NOT NULL OR r.id = @roundId)
		ORDER BY r.created_at`,
		{ documentId: round.document_id, roundId: round.id }
	);
	return {
		department: departmentName(app),
		documentNumber,
		rounds: rounds.map(({ id, title, sender, created_at, sha256 }): CertificateRound => ({
			title,
			sentBy: sender,
			sentAt: created_at,
			sha256,
			signers: listSigners(app, id).map(certificateSigner)
		}))
	};
}

const certificateSigner = (signer: SignerRow): CertificateRound['signers'][number] => ({
	name: signer.name,
	email: signer.email,
	state: signer.state,
	openedAt: signer.opened_at,
	endedAt: signer.ended_at,
	address: signer.address,
	agent: signer.agent,
	consent: signer.consent
});

/** Rounds that everyone signed but that were not sealed yet. */
export const listUnsealed = ({ db }: Pick<Application, 'db'>): string[] =>
	all<{ id: string }>(
		db,
		`SELECT r.id
		FROM signing_round r
		WHERE r.finished_version IS NULL
			AND r.withdrawn_at IS NULL
			AND NOT EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id AND s.state <> 'signed')
			AND EXISTS (SELECT 1 FROM signer s WHERE s.round_id = r.id)`
	).map(({ id }) => id);

/** Seals every round that waits for it. */
export const sealFinished = (app: Application, held?: ReadonlySet<string>): Promise<JobReport> =>
	eachRow(
		listUnsealed(app),
		(id) => id,
		async (id) => {
			await finishRound(app, id);
			return 1;
		},
		held
	);

/** A seal concerns who sent the document to be signed. */
export function sealConcern(app: Application, roundId: string): Concern | undefined {
	const round = findRound(app, roundId);
	return (
		round && {
			what: `The seal of “${round.title}”`,
			path: `/documents/${round.document_id}`,
			matterId: round.matter_id,
			staffId: round.created_by
		}
	);
}
