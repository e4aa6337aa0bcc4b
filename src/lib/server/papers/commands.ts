/**
 * A paper comes in: it waits with somebody, and becomes an event with its dates, with the paper
 * filed as the event's source; or it is put aside with a reason.
 */
import { z } from 'zod';
import { command, preparedCommand } from '#server/app/command.ts';
import { NotFound, Refused } from '#server/app/errors.ts';
import { actingStaff, type Context, type Staff } from '#server/app/application.ts';
import { id, text } from '#server/app/fields.ts';
import { newId } from '#server/app/ids.ts';
import { byMatterId, matterCommand } from '#server/app/matter-command.ts';
import { insert, maybeOne, update } from '#server/db/sql.ts';
import { enterEvent } from '#server/docket/events.ts';
import { fileDocument } from '#server/documents/filing.ts';
import { findDocument } from '#server/documents/queries.ts';
import type { DocumentVersionRow } from '#server/documents/rows.ts';
import { storeFile, upload, type StoredFile } from '#server/documents/store.ts';
import { queueMail } from '#server/mail/queue.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { findColleague } from '#server/staff/queries.ts';
import { paperHanded } from './messages.ts';
import { findMatterOfText, findPaper, findTwin } from './queries.ts';
import type { PaperRow } from './rows.ts';

const FILES_LIMIT = 30;

function insertPaper(
	ctx: Context,
	file: StoredFile,
	more: Pick<PaperRow, 'matter_id' | 'document_id'>
): string {
	const paperId = newId('pap');
	const me = actingStaff(ctx).id;
	insert<PaperRow>(ctx.db, 'paper', {
		id: paperId,
		sha256: file.sha256,
		media_type: file.type,
		file_name: file.fileName,
		size: file.size,
		text: file.text,
		unread: file.unread,
		received_by: me,
		received_at: ctx.clock.now(),
		holder_id: me,
		state: 'waits',
		...more
	});
	return paperId;
}

/** Takes papers in. Each waits with who took it; its matter is known where it bears its number. */
export const receivePapers = preparedCommand({
	name: 'receive papers',
	action: 'docket.enter',
	input: z.object({
		files: z
			.array(upload)
			.min(1, 'Choose a paper.')
			.max(FILES_LIMIT, `At most ${FILES_LIMIT} papers at once.`)
	}),
	async prepare({ ctx, input }) {
		const stored: StoredFile[] = [];
		for (const file of input.files) stored.push(await storeFile(ctx, file));
		return stored;
	},
	run({ ctx, me, record, prepared: files }) {
		const papers = files.map((file) => {
			const twin = findTwin(ctx, me, file.sha256);
			if (twin)
				throw new Refused(
					`“${file.fileName}” came in before, and ${twin.state === 'waits' ? 'waits already' : 'is docketed'}.`,
					'files'
				);
			const matter = findMatterOfText(ctx, me, file.text);
			return insertPaper(ctx, file, { matter_id: matter?.matterId ?? null, document_id: null });
		});
		record.audit({
			papers: papers.map((paperId, place) => ({ paperId, ...nameOf(files[place]) }))
		});
		return { papers, first: papers[0] ?? '' };
	}
});
const nameOf = (file: StoredFile | undefined) => ({ name: file?.fileName, sha256: file?.sha256 });

/** Puts a document that is filed already among the papers that wait. */
export const queueDocument = command({
	name: 'queue document as paper',
	action: 'docket.enter',
	input: z.object({ documentId: id('a document') }),
	run({ ctx, me, input, record }) {
		const document = findDocument(ctx, me, input.documentId);
		if (!document) throw new NotFound('document');
		const waits = maybeOne<{ id: string }>(
			ctx.db,
			"SELECT id FROM paper WHERE document_id = @documentId AND state = 'waits'",
			input
		);
		if (waits) throw new Refused('It waits among the papers already.', 'documentId');
		const version = maybeOne<DocumentVersionRow>(
			ctx.db,
			'SELECT * FROM document_version WHERE document_id = @documentId ORDER BY n DESC LIMIT 1',
			input
		);
		if (!version) throw new NotFound('document');
		const { sha256, media_type: type, file_name: fileName, size, text: words, unread } = version;
		const paperId = insertPaper(
			ctx,
			{ sha256, type, fileName, size, text: words, unread },
			{ matter_id: document.matterId, document_id: document.id }
		);
		record.onMatter(document.matterId);
		record.audit({ document: document.id, paper: paperId });
		return { paper: paperId };
	}
});

/** A paper that waits. @throws NotFound, or Refused where it does not wait any more */
function requireWaiting(ctx: Context, me: Staff, paperId: string): PaperRow {
	const paper = findPaper(ctx, me, paperId);
	if (!paper) throw new NotFound('paper');
	if (paper.state !== 'waits')
		throw new Refused(
			paper.state === 'docketed' ? 'This paper is docketed already.' : 'This paper was put aside.'
		);
	return paper;
}

const change = (ctx: Context, paperId: string, set: Partial<PaperRow>): void =>
	void update<PaperRow>(ctx.db, 'paper', { id: paperId }, set);

/** Gives a paper to a colleague. */
export const handPaper = command({
	name: 'hand paper over',
	action: 'docket.enter',
	input: z.object({ paperId: id('a paper'), staffId: id('a colleague') }),
	run({ ctx, me, input, record }) {
		const paper = requireWaiting(ctx, me, input.paperId);
		const to = findColleague(ctx, input.staffId);
		if (!to) throw new Refused('Choose a colleague of the department.', 'staffId');
		const staff = { ...me, id: to.id, role: to.role };
		if (!findPaper(ctx, staff, paper.id))
			throw new Refused(`${to.name} is not on its restricted matter.`, 'staffId');
		change(ctx, paper.id, { holder_id: to.id });
		record.audit({ paper: paper.id, to: to.id });
		const message = paperHanded(paper, me.name);
		if (to.id !== me.id) queueMail(ctx, { matterId: paper.matter_id, to, message });
	}
});

/** There is nothing to docket in it. */
export const setPaperAside = command({
	name: 'set paper aside',
	action: 'docket.enter',
	input: z.object({ paperId: id('a paper'), reason: text('The reason', 500) }),
	run({ ctx, me, input, record }) {
		const paper = requireWaiting(ctx, me, input.paperId);
		close(ctx, paper, { state: 'aside', reason: input.reason });
		if (paper.matter_id) record.onMatter(paper.matter_id);
		record.audit({ paper: paper.id, name: paper.file_name, reason: input.reason });
		const words = `Paper “${paper.file_name}” put aside: ${input.reason}`;
		if (paper.matter_id) record.logOn(paper.matter_id, 'document', words);
	}
});

const close = (ctx: Context, { id: paperId }: PaperRow, set: Partial<PaperRow>): void =>
	change(ctx, paperId, {
		...set,
		closed_by: actingStaff(ctx).id,
		closed_at: ctx.clock.now()
	});

/** A paper becomes an event: filed in the matter where it is not, entered, its dates docketed. */
export const docketPaper = matterCommand({
	name: 'docket paper',
	action: 'docket.enter',
	input: enterEvent.input.omit({ sourceId: true }).extend({
		paperId: id('a paper'),
		folder: text('The folder', 60),
		/** Keeps the paper in the queue: another event is in it. */
		more: z.string().optional()
	}),
	find: byMatterId,
	run({ ctx, me, matter, input, record }) {
		const { paperId, folder, more, ...entry } = input;
		const paper = requireWaiting(ctx, me, paperId);
		const documentId = fileInto(ctx, matter, paper, folder);
		const entered = enterEvent(ctx, {
			...entry,
			sure: entry.sure ? 'on' : '',
			sourceId: documentId
		});
		if (!entered.ok) {
			const [field, words] = Object.entries(entered.errors)[0] ?? ['', ''];
			throw new Refused(words, field);
		}
		const { eventId, docketed } = entered.value;
		const filed = { matter_id: matter.id, document_id: documentId, event_id: eventId };
		if (more) change(ctx, paper.id, { matter_id: matter.id, document_id: documentId });
		else close(ctx, paper, { ...filed, state: 'docketed' });
		record.audit({ paper: paper.id, document: documentId, event: eventId });
		return { docketed, number: matter.number, paper: more ? paper.id : '' };
	}
});

/** Its document in this matter: the one it was filed as, or a new one. */
function fileInto(ctx: Context, matter: MatterRow, paper: PaperRow, folder: string): string {
	if (paper.document_id !== null && paper.matter_id === matter.id) return paper.document_id;
	if (paper.document_id !== null)
		throw new Refused('This paper is filed in another matter: docket it there.', 'matterId');
	const { sha256, media_type: type, file_name: fileName, size, text: words, unread } = paper;
	const name = fileName.replace(/\.[a-z0-9]+$/i, '').slice(0, 200);
	const file = { sha256, type, fileName, size, text: words, unread };
	return fileDocument(ctx, matter, { name, folder, mark: '', file, why: 'came in' }).documentId;
}
