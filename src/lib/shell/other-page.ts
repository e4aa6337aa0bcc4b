/** Whether one comes to another page, which begins at its top, and not back to where one was. */
import type { AfterNavigate } from '@sveltejs/kit';

export function isOtherPage({ type, from, to }: AfterNavigate): boolean {
	if (type === 'popstate' || type === 'enter' || !from || !to || to.url.hash) return false;
	// Of a long list the next page is another one; a drawer or a filter is not.
	const pageOf = ({ pathname, searchParams }: URL) => `${pathname} ${searchParams.get('page')}`;
	return pageOf(from.url) !== pageOf(to.url);
}
