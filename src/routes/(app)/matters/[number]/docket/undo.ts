/** Takes the last act on a date back from where it was said. */
import { deserialize } from '$app/forms';
import { invalidateAll } from '$app/navigation';
import { say } from '$lib/ui/say.svelte.ts';

/** What a click on "Undo" does. */
export const undoing =
	({ id, also }: { id: string; also: readonly string[] }): (() => void) =>
	() =>
		void undo(id, also);

async function undo(deadlineId: string, also: readonly string[]): Promise<void> {
	const body = new FormData();
	body.set('deadlineId', deadlineId);
	body.set('reason', 'undone at once');
	for (const other of also) body.append('also', other);
	try {
		const response = await fetch('?/back', {
			method: 'POST',
			body,
			headers: { 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
		const result = deserialize(await response.text());
		const errors = result.type === 'failure' ? (result.data?.errors ?? {}) : {};
		const [refused] = Object.values(errors as Record<string, string>);
		say(result.type === 'success' ? 'Undone: it stands again.' : (refused ?? 'Not undone.'));
		await invalidateAll();
	} catch {
		say('The server could not be reached: it is not undone.');
	}
}
