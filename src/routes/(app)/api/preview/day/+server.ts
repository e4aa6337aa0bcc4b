/** What there is to say against a day that is entered by hand. */
import { previewDay } from '#server/docket/set-days.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewDay);
