/** A screen asks the server by itself: what a change would do, while somebody types. */

export type Asked<Value> =
	{ ok: true; value: Value } | { ok: false; errors: Record<string, string>; message: string };

type Refusal = { errors?: Record<string, string>; message?: string };
const OFFLINE = 'The server could not be reached. What you typed is kept.';

/** Sends JSON; gives the answer, or the errors by field with their first as the message. */
export async function askServer<Value>(
	path: string,
	body: unknown,
	method: 'POST' | 'DELETE' = 'POST'
): Promise<Asked<Value>> {
	try {
		const response = await fetch(path, {
			method,
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body)
		});
		const answer = (await response.json()) as Refusal & { refused?: Refusal };
		if (response.ok && !answer.refused) return { ok: true, value: answer as Value };
		const { errors = {}, message: said } = answer.refused ?? answer;
		const message = Object.values(errors)[0] ?? said ?? 'That was refused.';
		return { ok: false, errors, message };
	} catch {
		return { ok: false, errors: {}, message: OFFLINE };
	}
}
