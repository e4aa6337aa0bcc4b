/** The dates that a closed day would change. */
import { previewClosure } from '#server/docket/closures.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewClosure);
