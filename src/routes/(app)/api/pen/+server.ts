/**
 * The pen line: what a line means and finds; a line that changes something; an entry just logged
 * taken back.
 */
import { callable } from '#server/http/action.ts';
import { respondJson } from '#server/http/respond.ts';
import { contextOf, requireAction } from '#server/http/request.ts';
import { actingStaff } from '#server/app/application.ts';
import { commitLine, lineInput, showLine, undoInput, undoLine } from '#server/pen/line.ts';

const readLine = callable({
	action: 'search.use',
	input: lineInput,
	run: (ctx, input) => showLine(ctx, actingStaff(ctx), input)
});

/** What of a line may be corrected in place. */
const PARTS = ['event', 'date', 'service', 'matter', 'assignee'] as const;

export async function GET(event) {
	requireAction(event, 'search.use');
	const { searchParams } = event.url;
	const input = {
		line: searchParams.get('line') ?? '',
		current: searchParams.get('current') ?? '',
		parts: Object.fromEntries(
			PARTS.flatMap((part) => {
				const value = searchParams.get(part);
				return value === null ? [] : [[part, value]];
			})
		)
	};
	return respondJson(event, await readLine(contextOf(event), input));
}

export async function POST(event) {
	requireAction(event, 'search.use');
	const ctx = contextOf(event);
	const input = lineInput.safeParse(await event.request.json().catch(() => ({})));
	return respondJson(
		event,
		input.success
			? commitLine(ctx, actingStaff(ctx), input.data)
			: { ok: false, status: 400, errors: { '': 'This line could not be read.' } }
	);
}

export async function DELETE(event) {
	requireAction(event, 'search.use');
	const undo = undoInput.safeParse(await event.request.json().catch(() => ({})));
	return respondJson(
		event,
		undo.success
			? undoLine(contextOf(event), undo.data)
			: { ok: false, status: 400, errors: { '': 'There is nothing to take back.' } }
	);
}
