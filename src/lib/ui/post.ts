/** A screen sends a form's action by itself: where something is dragged, there is no form. */
import { deserialize } from '$app/forms';

export type Posted =
	| { ok: true; data: Record<string, unknown> }
	| { ok: false; message: string; errors: Record<string, string>; isOffline: boolean };

const OFFLINE = 'The server could not be reached. Nothing was changed; try again.';

/** The fields of a form; a list has one for each of its values. */
function formOf(fields: Readonly<Record<string, unknown>>): FormData {
	const body = new FormData();
	for (const [name, value] of Object.entries(fields)) {
		const values = Array.isArray(value) ? (value as unknown[]) : [value];
		for (const one of values)
			if (one !== null && one !== undefined)
				body.append(name, one instanceof Blob ? one : String(one));
	}
	return body;
}

/** What was refused comes back in words. */
export async function postAction(
	action: string,
	fields: Readonly<Record<string, unknown>>
): Promise<Posted> {
	try {
		const response = await fetch(action, {
			method: 'POST',
			body: formOf(fields),
			headers: { 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
		const result = deserialize(await response.text());
		if (result.type === 'success') return { ok: true, data: result.data ?? {} };
		const said = result.type === 'failure' ? result.data : undefined;
		const errors = (said?.errors ?? {}) as Record<string, string>;
		const conflict = said?.conflict as { by: string } | undefined;
		const message =
			Object.values(errors)[0] ??
			(conflict ? `${conflict.by} changed it meanwhile. Look again.` : 'That was refused.');
		return { ok: false, message, errors, isOffline: false };
	} catch {
		return { ok: false, message: OFFLINE, errors: {}, isOffline: true };
	}
}
