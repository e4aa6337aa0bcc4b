/** Where a date would go by an order or an agreement. */
import { previewReschedule } from '#server/docket/reschedule.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewReschedule);
