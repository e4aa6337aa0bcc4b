/** When everybody needed, and a room, are free. */
import { previewCommonHours } from '#server/calendar-sheet/common-hours.ts';
import { previewEndpoint } from '#server/http/action.ts';

export const POST = previewEndpoint(previewCommonHours);
