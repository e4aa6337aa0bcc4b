/**
 * The session cookie. Over HTTPS its name binds it to this very host: no other host of the domain
 * can set it (RFC 6265bis, the prefix `__Host-`).
 */
export const COOKIE = 'kite';
export const cookieName = (secure: boolean): string => (secure ? `__Host-${COOKIE}` : COOKIE);
/** Of the step between the password and the second factor. */
export const stepCookieName = (secure: boolean): string => `${cookieName(secure)}-step`;
export const cookieOptions = (secure: boolean) => ({
	path: '/',
	httpOnly: true,
	sameSite: 'lax' as const,
	secure,
	maxAge: 12 * 3600
});
