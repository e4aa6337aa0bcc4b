/** Tries a change and takes it back: how a preview finds out which of many would be refused. */
import type { Context } from './application.ts';
import type { Result } from './errors.ts';

class TakenBack extends Error {}

/** Why the change cannot be made, in its own words; null where it can. Nothing is saved. */
export function attempt(ctx: Context, change: () => Result<unknown>): string | null {
	let fault: string | null = null;
	try {
		ctx.db.transaction(() => {
			const result = change();
			if (!result.ok) fault = firstError(result.errors);
			throw new TakenBack();
		})();
	} catch (error) {
		if (!(error instanceof TakenBack)) throw error;
	}
	return fault;
}

export const firstError = (errors: Record<string, string>): string =>
	Object.values(errors)[0] ?? '';
