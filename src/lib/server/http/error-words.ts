/** What somebody reads where a page could not be made. */
import { Refused } from '#server/app/errors.ts';

/** In their words where it was refused: a page that takes too long says so. */
export function errorWords(error: unknown, status: number): string {
	if (error instanceof Refused) return error.message;
	if (status === 413) return 'That is too large: a file may have at most 50 MB.';
	return 'Something went wrong here. Nothing was saved.';
}
