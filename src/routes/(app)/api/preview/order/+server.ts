/** What an order would change, before it is laid over the rules. */
import { previewOrder } from '#server/docket/orders.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewOrder);
