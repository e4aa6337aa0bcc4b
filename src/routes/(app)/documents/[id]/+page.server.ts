/** One document: its versions, what it says, its signing rounds. */
import { Refused } from '#server/app/errors.ts';
import type { Application } from '#server/app/application.ts';
import { findDocument, listVersions, type VersionView } from '#server/documents/queries.ts';
import { findFailureAt } from '#server/failures/queries.ts';
import { DOCX } from '#server/files/media.ts';
import { paragraphsTask } from '#server/files/tasks.ts';
import { action, actionValue } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
import { queueDocument } from '#server/papers/commands.ts';
import { withdrawRound } from '#server/signing/commands.ts';
import { listRounds } from '#server/signing/queries.ts';

/** So much of a text file is shown. */
const TEXT_SHOWN = 200_000;

export async function load(event) {
	const me = requireAction(event, 'document.read');
	const { app } = event.locals;
	const document = findDocument(app, me, event.params.id);
	if (!document) return notThere('document');
	const versions = listVersions(app, document.id);
	const wanted = Number(event.url.searchParams.get('version')) || document.version;
	const shown = versions.find(({ n }) => n === wanted) ?? versions[0];
	if (!shown) return notThere('version');
	return {
		doc: document,
		versions,
		shown,
		...(await readShown(app, shown)),
		rounds: listRounds(app, document.id),
		failure: findFailureAt(app, `/documents/${document.id}`)
	};
}

type Shown = {
	/** What it says, of a file that a browser does not show by itself. */
	text: string[] | null;
	/** Whether there is more of it than is shown. */
	more: boolean;
	/** Why it cannot be shown. */
	unread: string;
};
const NOTHING: Shown = { text: null, more: false, unread: '' };

async function readShown(app: Application, { mediaType, sha256 }: VersionView): Promise<Shown> {
	if (mediaType === 'text/plain') {
		const text = app.files.get(sha256).toString('utf8');
		const more = text.length > TEXT_SHOWN;
		return { ...NOTHING, text: [text.slice(0, TEXT_SHOWN)], more };
	}
	if (mediaType !== DOCX) return NOTHING;
	try {
		const data = app.files.get(sha256);
		const { paragraphs, more } = await app.work.run(paragraphsTask, { data });
		return { ...NOTHING, text: paragraphs, more };
	} catch (error) {
		if (error instanceof Refused) return { ...NOTHING, unread: error.message };
		throw error;
	}
}

export const actions = { withdraw: action(withdrawRound), queue: actionValue(queueDocument) };
