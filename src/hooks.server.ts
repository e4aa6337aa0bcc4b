import { redirect, type Handle, type HandleServerError } from '@sveltejs/kit';
import { building } from '$app/environment';
import { logger, start, stop, theWorld } from '#server/world.ts';
import { sessionStaff } from '#server/trust/accounts.ts';
import { COOKIE } from '#server/trust/cookie.ts';

export async function init(): Promise<void> {
	if (building) return;
	await start();
	process.on('sveltekit:shutdown', () => void stop().then(() => logger.info('stopped')));
}

/** Pages that need no account: signing in, an outside signer's link, a calendar's secret address, the health of the server. */
const open = (path: string) =>
	path === '/sign-in' ||
	path === '/healthz' ||
	path.startsWith('/sign/') ||
	path.startsWith('/feed/');

export const handle: Handle = async ({ event, resolve }) => {
	const began = performance.now();
	const token = event.cookies.get(COOKIE);
	if (token) {
		const staff = sessionStaff(theWorld(), token);
		if (staff) {
			event.locals.staff = staff;
			event.locals.token = token;
		}
	}
	const path = event.url.pathname;
	if (!event.locals.staff && !open(path)) {
		if (event.request.method !== 'GET' || path.startsWith('/api/'))
			return new Response(
				JSON.stringify({
					message: 'You are signed out. Sign in again in another tab; what you typed is kept here.'
				}),
				{ status: 401, headers: { 'content-type': 'application/json' } }
			);
		redirect(303, `/sign-in?to=${encodeURIComponent(path + event.url.search)}`);
	}
	const response = await resolve(event);
	response.headers.set('X-Content-Type-Options', 'nosniff');
	response.headers.set('Referrer-Policy', 'same-origin');
	response.headers.set('X-Frame-Options', 'DENY');
	response.headers.set('Cross-Origin-Opener-Policy', 'same-origin');
	response.headers.set('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
	if (!path.startsWith('/_app/')) response.headers.set('Cache-Control', 'private, no-store');
	if (event.url.protocol === 'https:')
		response.headers.set('Strict-Transport-Security', 'max-age=31536000');
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

export const handleError: HandleServerError = ({ error, status, event }) => {
	if (status === 404) return { message: 'There is no such page, or it is not yours to see.' };
	const code = Math.random().toString(36).slice(2, 8).toUpperCase();
	logger.error({ err: error, code, route: event.route.id, status }, 'a request failed');
	return {
		message:
			status === 413
				? 'That is too large: a file may have at most 50 MB.'
				: 'Something went wrong here. Nothing was saved.',
		code
	};
};
