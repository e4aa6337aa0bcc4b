/** What an order would change, before it is laid over the rules. */
import { previewSchedule } from '#server/docket/schedule-views.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewSchedule);
