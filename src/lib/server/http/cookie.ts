/** The session cookie. */
export const COOKIE = 'kite';
export const cookieOptions = (secure: boolean) => ({
	path: '/',
	httpOnly: true,
	sameSite: 'lax' as const,
	secure,
	maxAge: 12 * 3600
});
