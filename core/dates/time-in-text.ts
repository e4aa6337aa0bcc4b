/** A time of day as it stands in a text: "10:00 a.m.", "at 1:30pm", "14:30". */
const TIME = new RegExp(
	[
		String.raw`\b(?:at )?(\d{1,2})(?::(\d{2}))? ?([ap])\.?m\.?(?=\W|$)`,
		String.raw`\b(?:at )?([01]?\d|2[0-3]):([0-5]\d)\b`
	].join('|'),
	'i'
);

export type TimeInText = { time: string; written: string };

/** The first time of a text as HH:MM, and as it is written; undefined where there is none. */
export function findTime(text: string): TimeInText | undefined {
	const found = TIME.exec(text);
	if (!found) return undefined;
	const [written, hour12, minute12, half, hour, minute] = found;
	const hours = hour12
		? (Number(hour12) % 12) + (half?.toLowerCase() === 'p' ? 12 : 0)
		: Number(hour);
	const minutes = hour12 ? (minute12 ?? '00') : minute;
	return { time: `${String(hours).padStart(2, '0')}:${minutes}`, written };
}

const TYPED = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(?:([ap])\.?m?\.?)?$/i;
/** A time as people type it into a field: "9", "930", "9:30", "2pm", "14.30"; as HH:MM. */
export function readTypedTime(text: string): string | undefined {
	const found = TYPED.exec(text.trim());
	if (!found) return undefined;
	const [, hour = '', minute = '00', half] = found;
	let hours = Number(hour);
	if (half) {
		if (hours < 1 || hours > 12) return undefined;
		hours = (hours % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
	}
	if (hours === 24 && minute === '00') hours = 0;
	if (hours > 23 || Number(minute) > 59) return undefined;
	return `${String(hours).padStart(2, '0')}:${minute}`;
}
