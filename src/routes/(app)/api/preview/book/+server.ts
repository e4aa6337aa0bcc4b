/**
 * A book as it is being written: its faults by line, its examples counted anew, and the dates it
 * would change.
 */
import { previewBook } from '#server/docket/book-effects.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewBook);
