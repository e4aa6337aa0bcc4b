/** What an event would set: proposals with their counts. */
import { previewProposals } from '#server/docket/events.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewProposals);
