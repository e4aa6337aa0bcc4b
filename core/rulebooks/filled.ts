/** Leaves out what says nothing: empty texts, lists, and what is not so. */
export function filled(values: Record<string, unknown>): Record<string, unknown> {
	return Object.fromEntries(
		Object.entries(values).filter(
			([, value]) =>
				value !== undefined &&
				value !== '' &&
				value !== false &&
				!(Array.isArray(value) && value.length === 0)
		)
	);
}
