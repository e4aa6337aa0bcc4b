/** Who asks, of a request: for pages, actions and files. */
import { error } from '@sveltejs/kit';
import { may, type Action } from '#core/access/table.ts';
import { contextFor, type Context, type Staff } from '#server/app/application.ts';

type WithLocals = { locals: App.Locals };

/** The signed-in member of staff; the hook lets nobody else through. @throws an HTTP error 401 */
export function requireStaff({ locals }: WithLocals): Staff {
	if (!locals.staff) error(401, 'Sign in first.');
	return locals.staff;
}

/** A page for roles that may do this; for all others it is not there. @throws an HTTP error 404 */
export function requireAction(event: WithLocals, action: Action): Staff {
	const staff = requireStaff(event);
	return may(staff.role, action) ? staff : notThere('page');
}

/** The application with the signed-in member of staff acting. */
export const contextOf = (event: WithLocals): Context =>
	contextFor(event.locals.app, requireStaff(event));

/** The application with an outside signer acting, who is known by a link only. */
export const guestContext = ({ locals }: WithLocals): Context => ({
	...locals.app,
	actor: { guest: 'signer' }
});

/** What may not be seen does not exist: the same answer for both. @throws an HTTP error 404 */
export const notThere = (what: string): never =>
	error(404, `There is no such ${what}, or it is not yours to see.`);

/** The number of the page that is asked for. */
export const pageOf = (params: URLSearchParams): number =>
	Math.max(1, Math.floor(Number(params.get('page'))) || 1);
