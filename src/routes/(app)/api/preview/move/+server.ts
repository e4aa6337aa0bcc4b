/** What would move with an event. */
import { previewMoves } from '#server/docket/moves.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewMoves);
