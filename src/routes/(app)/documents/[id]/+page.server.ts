/** One document: its versions, what it says, its signing rounds. */
import { Refused } from '#server/app/errors.ts';
import type { Application } from '#server/app/application.ts';
import { findDocument, listVersions, type VersionView } from '#server/documents/queries.ts';
import { DOCX } from '#server/files/media.ts';
import { paragraphsTask } from '#server/files/tasks.ts';
import { action } from '#server/http/action.ts';
import { notThere, requireAction } from '#server/http/request.ts';
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
		...(await readParagraphs(app, shown)),
		rounds: listRounds(app, document.id)
	};
}

/** What it says, of a file that a browser does not show; or why that is not known. */
async function readParagraphs(
	app: Application,
	{ mediaType, sha256 }: VersionView
): Promise<{ text: string[] | null; unread: string }> {
	if (mediaType === 'text/plain')
		return { text: [app.files.get(sha256).toString('utf8').slice(0, TEXT_SHOWN)], unread: '' };
	if (mediaType !== DOCX) return { text: null, unread: '' };
	try {
		const data = app.files.get(sha256);
		return { text: await app.work.run(paragraphsTask, { data }), unread: '' };
	} catch (error) {
		if (error instanceof Refused) return { text: null, unread: error.message };
		throw error;
	}
}

export const actions = { withdraw: action(withdrawRound) };
