/** That something changed, as it happens; where streams do not pass, the last mark. */
import { json } from '@sveltejs/kit';
import { requireAction } from '#server/http/request.ts';
import { findMark } from '#server/live/changes.ts';
import { streamChanges } from '#server/live/stream.ts';

export function GET(event) {
	requireAction(event, 'calendar.own');
	const { app } = event.locals;
	const wantsStream = event.request.headers.get('accept')?.includes('text/event-stream');
	return wantsStream ? streamChanges(app, event.request.signal) : json({ mark: findMark(app) });
}
