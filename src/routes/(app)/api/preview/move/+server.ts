/** What would move with an event. */
import { previewMoves } from '#server/docket/moves.ts';
import { endpoint } from '#server/http/action.ts';

export const POST = endpoint(previewMoves);
