/** Time spent, as people write it and read it. Time is whole minutes. */
import { DAY_LIMIT } from '../time/minutes.ts';

/**
 * Reads "0.4", "1.25", "1:30", "45m" or "1h 20m" as minutes. What it refuses comes back as words.
 */
export function parseHours(text: string): { minutes: number } | { error: string } {
	const value = text.trim().toLowerCase();
	let minutes: number | undefined;
	let match: RegExpExecArray | null;
	if (value.startsWith('-') || value.startsWith('−')) return { error: 'Time cannot be negative.' };
	if ((match = /^(\d{1,3}(?:\.\d{1,2})?|\.\d{1,2})\s*h?$/.exec(value)))
		minutes = Math.round(Number(match[1]) * 60);
	else if ((match = /^(\d{1,2}):([0-5]\d)$/.exec(value)))
		minutes = Number(match[1]) * 60 + Number(match[2]);
	else if ((match = /^(?:(\d{1,2})\s*h)?\s*(\d{1,4})\s*m(?:in)?$/.exec(value)))
		minutes = Number(match[1] ?? 0) * 60 + Number(match[2]);
	if (minutes === undefined) return { error: 'Write hours like 0.4, 1:30 or 24m.' };
	if (minutes === 0) return { error: 'Time must be more than nothing.' };
	if (minutes > DAY_LIMIT) return { error: 'A day has 24 hours.' };
	return { minutes };
}

/** "0.4", "12.0", "1.25": hours of minutes, at least one decimal. */
export function formatHours(minutes: number): string {
	const number = minutes / 60;
	return Number.isInteger(Math.round(number * 1e6) / 1e5) ? number.toFixed(1) : number.toFixed(2);
}

/** "0:42:10" of milliseconds. */
export function formatClock(ms: number): string {
	const number = Math.max(0, Math.floor(ms / 1000));
	const two = (n: number) => String(n).padStart(2, '0');
	return `${Math.floor(number / 3600)}:${two(Math.floor(number / 60) % 60)}:${two(number % 60)}`;
}
