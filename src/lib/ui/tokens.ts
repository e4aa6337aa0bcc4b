/** Tokens of the look where a stylesheet does not reach: on a canvas. */

/** What a token stands for: `--color-petrol`, `--text-note`. */
export const tokenValue = (name: string): string =>
	getComputedStyle(document.documentElement).getPropertyValue(name).trim();
