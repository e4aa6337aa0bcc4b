/** Time is whole minutes. Hours are written in tenths: an increment of six minutes. */
export const DAY_LIMIT = 24 * 60;

/** Rounds minutes up to the department's increment. */
export const roundUp = (minutes: number, increment: number): number =>
	Math.ceil(minutes / increment) * increment;

/**
 * Reads "0.4", "1.25", "1:30", "45m" or "1h 20m" as minutes. What it refuses comes back as words.
 */
export function parseHours(text: string): { minutes: number } | { error: string } {
	const t = text.trim().toLowerCase();
	let minutes: number | undefined;
	let m: RegExpExecArray | null;
	if (t.startsWith('-') || t.startsWith('−')) return { error: 'Time cannot be negative.' };
	if ((m = /^(\d{1,3}(?:\.\d{1,2})?|\.\d{1,2})\s*h?$/.exec(t)))
		minutes = Math.round(Number(m[1]) * 60);
	else if ((m = /^(\d{1,2}):([0-5]\d)$/.exec(t))) minutes = Number(m[1]) * 60 + Number(m[2]);
	else if ((m = /^(?:(\d{1,2})\s*h)?\s*(\d{1,4})\s*m(?:in)?$/.exec(t)))
		minutes = Number(m[1] ?? 0) * 60 + Number(m[2]);
	if (minutes === undefined) return { error: 'Write hours like 0.4, 1:30 or 24m.' };
	if (minutes === 0) return { error: 'Time must be more than nothing.' };
	if (minutes > DAY_LIMIT) return { error: 'A day has 24 hours.' };
	return { minutes };
}

/** "0.4", "12.0", "1.25": hours of minutes, at least one decimal. */
export function sayHours(minutes: number): string {
	const h = minutes / 60;
	return Number.isInteger(Math.round(h * 1e6) / 1e5) ? h.toFixed(1) : h.toFixed(2);
}

/** "0:42:10" of milliseconds. */
export function sayClock(ms: number): string {
	const s = Math.max(0, Math.floor(ms / 1000));
	const two = (n: number) => String(n).padStart(2, '0');
	return `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`;
}
