/** What the form of a book chooses from, when it is laid over another one. */
import { previewEndpoint } from '#server/http/action.ts';
import { previewBookShape } from '#server/rulebooks/shape.ts';

export const POST = previewEndpoint(previewBookShape);
