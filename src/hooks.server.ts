/**
 * What holds for every request: who asks, what may be seen without an account, the headers, the
 * log.
 */
import {
	json,
	redirect,
	type Handle,
	type HandleServerError,
	type RequestEvent
} from '@sveltejs/kit';
import { building } from '$app/environment';
import { auditReading } from '#server/access/reading.ts';
import { findSessionStaff } from '#server/access/sessions.ts';
import { compressResponse } from '#server/http/compress.ts';
import { cookieName } from '#server/http/cookie.ts';
import { hasStrangeAction } from '#server/http/form-data.ts';
import { findMoved } from '#server/http/moved.ts';
import { errorWords } from '#server/http/error-words.ts';
import { findDraw, takeDraw, WORDS } from '#server/http/limits.ts';
import { endStreams } from '#server/live/stream.ts';
import { startTiming } from '#server/http/timing.ts';
import { logger, requireRunning, start } from '#server/running.ts';

export async function init(): Promise<void> {
	if (building) return;
	const running = await start();
	// Streams have no end of their own, and the server waits for its answers before it stops.
	for (const signal of ['SIGTERM', 'SIGINT']) process.once(signal, endStreams);
	process.on('sveltekit:shutdown', () => void running.stop().then(() => logger.info('stopped')));
}

/**
 * Pages that need no account: signing in, setting a password by a link, an outside signer's link,
 * a calendar's secret address, the health of the server.
 */
const isOpen = (path: string): boolean =>
	path === '/sign-in' ||
	path === '/sign-in/second' ||
	path === '/healthz' ||
	path.startsWith('/sign/') ||
	path.startsWith('/password/') ||
	path.startsWith('/feed/');

const HEADERS: Readonly<Record<string, string>> = {
	'X-Content-Type-Options': 'nosniff',
	'Referrer-Policy': 'same-origin',
	'X-Frame-Options': 'DENY',
	'Cross-Origin-Opener-Policy': 'same-origin',
	'Permissions-Policy': 'camera=(), microphone=(), geolocation=()'
};

const SIGNED_OUT = 'You are signed out. Sign in again in another tab; what you typed is kept here.';

export const handle: Handle = async ({ event, resolve }) => {
	const began = performance.now();
	const addTiming = startTiming();
	const moved = event.request.method === 'GET' ? findMoved(event.url) : undefined;
	if (moved !== undefined) redirect(308, moved);
	recognize(event);
	const { pathname, search } = event.url;
	if (!event.locals.staff && !isOpen(pathname)) {
		if (event.request.method !== 'GET' || pathname.startsWith('/api/'))
			return json({ message: SIGNED_OUT }, { status: 401 });
		redirect(303, signInFor(pathname + search));
	}
	if (event.request.method === 'POST' && hasStrangeAction(event.url))
		return json({ message: 'There is no such act.' }, { status: 404 });
	if (comesFromElsewhere(event)) return json({ message: FROM_ELSEWHERE }, { status: 403 });
	const refused = await refuseOften(event);
	if (refused) return refused;
	const response = await compressResponse(event.request, await resolve(event));
	setHeaders(event, response);
	noteReading(event, response);
	addTiming(response);
	// The route, not the path: a signing link's secret never reaches the log.
	logger.info(
		{
			method: event.request.method,
			route: event.route.id,
			status: response.status,
			ms: Math.round(performance.now() - began),
			staff: event.locals.staff?.id
		},
		'request'
	);
	return response;
};

/** A longer way back than this is in no link of ours, and a header holds only so much. */
const WAY_LIMIT = 2000;
const signInFor = (path: string): string =>
	path.length > WAY_LIMIT ? '/sign-in' : `/sign-in?to=${encodeURIComponent(path)}`;

const FROM_ELSEWHERE = 'This was sent by a page of another address, and is not taken.';

/**
 * What changes something is taken from a page of this house only. The framework looks at forms;
 * this looks at everything else, by what the browser says of where it comes from.
 */
function comesFromElsewhere({ request, url }: RequestEvent): boolean {
	if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return false;
	const site = request.headers.get('sec-fetch-site');
	if (site && site !== 'same-origin' && site !== 'none') return true;
	const origin = request.headers.get('origin');
	return origin !== null && origin !== url.origin;
}

/** The application, and the member of staff whose session it is. */
function recognize(event: RequestEvent): void {
	const { app, settings } = requireRunning();
	event.locals.app = app;
	event.locals.settings = settings;
	const token = event.cookies.get(cookieName(settings.secure));
	const staff = token ? findSessionStaff(app, token) : undefined;
	if (!token || !staff) return;
	event.locals.staff = staff;
	event.locals.token = token;
}

/** Asks to wait where a door is used too often. */
async function refuseOften(event: RequestEvent): Promise<Response | undefined> {
	const { request, url, locals } = event;
	const draw = findDraw({
		path: url.pathname,
		method: request.method,
		contentType: request.headers.get('content-type') ?? '',
		contentLength: Number(request.headers.get('content-length')) || 0,
		staffId: locals.staff?.id,
		address: event.getClientAddress
	});
	const wait = draw && (await takeDraw(draw));
	if (!wait) return undefined;
	const headers = { 'Retry-After': String(wait) };
	const message = WORDS[draw.door];
	return request.method === 'GET'
		? new Response(message, { status: 429, headers })
		: json({ message }, { status: 429, headers });
}

/** What was read goes into the audit trail before it is sent: without its entry, it is not. */
function noteReading({ request, url, route, params, locals }: RequestEvent, response: Response) {
	if (request.method !== 'GET' || !response.ok || route.id === null) return;
	auditReading(locals.app, {
		staff: locals.staff,
		route: route.id,
		params,
		search: url.search,
		disposition: response.headers.get('content-disposition')
	});
}

function setHeaders({ url }: RequestEvent, { headers }: Response): void {
	for (const [name, value] of Object.entries(HEADERS)) headers.set(name, value);
	if (!url.pathname.startsWith('/_app/')) headers.set('Cache-Control', 'private, no-store');
	if (url.protocol === 'https:') headers.set('Strict-Transport-Security', 'max-age=31536000');
}

const CODE_LETTERS = 6;

export const handleError: HandleServerError = ({ error, status, event }) => {
	if (status === 404) return { message: 'There is no such page, or it is not yours to see.' };
	const code = Math.random()
		.toString(36)
		.slice(2, 2 + CODE_LETTERS)
		.toUpperCase();
	logger.error({ err: error, code, route: event.route.id, status }, 'a request failed');
	return { message: errorWords(error, status), code };
};
