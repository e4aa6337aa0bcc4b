/** Reads a line of the pen: what it captures, does, or finds. */
import { isOccasion } from '../docket/occasion.ts';
import { parseHours } from '../format/hours.ts';
import { namesDay } from './words.ts';

export type Understood =
	| { kind: 'empty' }
	| { kind: 'time'; minutes: number; matter: string | null; words: string; fault: string | null }
	| { kind: 'note'; matter: string | null; words: string; fault: string | null }
	| { kind: 'event'; matter: string | null; words: string; fault: string | null }
	| { kind: 'task'; matter: string | null; words: string; fault: string | null }
	| { kind: 'appointment'; matter: string | null; words: string; fault: string | null }
	| { kind: 'count'; words: string }
	| { kind: 'go'; place: string }
	| { kind: 'open'; words: string }
	| { kind: 'find'; words: string };

/**
 * A matter's number as people write it: the whole, or its end after the last hyphen group:
 * LF-2026-0042, 2026-0042, LF-0042.
 */
const NUMBER = /^[a-z]{1,6}-(?:\d{4}-)?\d{1,6}$|^\d{4}-\d{1,6}$/i;
const looksLikeNumber = (word: string): boolean => NUMBER.test(word);

const PLACES: Record<string, string> = {
	day: '/',
	'day sheet': '/',
	calendar: '/calendar',
	requests: '/requests',
	matters: '/matters',
	figures: '/figures',
	people: '/people',
	docket: '/docket',
	papers: '/docket/papers',
	'second check': '/docket/check',
	changes: '/docket/changes',
	'sign-off': '/docket/sign-off',
	reconcile: '/docket/reconcile',
	closures: '/docket/closures',
	'docket report': '/docket/report',
	rulebooks: '/rulebooks',
	count: '/docket/calculator',
	documents: '/documents',
	time: '/time',
	costs: '/costs',
	post: '/mail',
	'post room': '/mail'
};

/**
 * Reads a line. `current` is the number of the matter on screen, used where the line names none.
 */
export function parseLine(line: string, current: string | null = null): Understood {
	const text = line.trim().replace(/\s+/g, ' ');
	if (text === '') return { kind: 'empty' };
	const [head, ...rest] = text.split(' ') as [string, ...string[]];
	const lead = head.toLowerCase();
	if (lead === 'new' && rest.length > 0) return parseNew(rest, current);
	if (lead === 'task' && rest.length > 0) return parseTask(rest, current);
	if (lead === 'appointment' && rest.length > 0)
		return { kind: 'appointment', ...takeMatter(rest, current), fault: null };
	if (lead === 'note') {
		const { matter, words } = takeMatter(rest, current);
		return {
			kind: 'note',
			matter,
			words,
			fault:
				words === ''
					? 'What is the note?'
					: matter === null
						? 'Name a matter: note LF-2026-0042 …'
						: null
		};
	}
	if (looksLikeNumber(head) && rest.length > 0) {
		const understood = parseLine(rest.join(' '), head.toUpperCase());
		return 'matter' in understood ? understood : { kind: 'find', words: text };
	}
	// "hearing 2 dec 10:00 room 4" needs no other word, where it is on a matter.
	const isHearing = isOccasion(lead) && (current !== null || rest.some(looksLikeNumber));
	if (lead === 'event' || (isHearing && namesDay(rest))) {
		const { matter, words } = takeMatter(isHearing ? [head, ...rest] : rest, current);
		return {
			kind: 'event',
			matter,
			words,
			fault:
				matter === null
					? 'Name a matter: event LF-2026-0042 …'
					: words === ''
						? 'Say what happened and when.'
						: null
		};
	}
	if (lead === 'count' && /^[+-]?\d/.test(rest[0] ?? ''))
		return { kind: 'count', words: rest.join(' ') };
	if (lead === 'go' && rest.length > 0 && PLACES[rest.join(' ').toLowerCase()])
		return { kind: 'go', place: PLACES[rest.join(' ').toLowerCase()]! };
	if (lead === 'open' && rest.length > 0) {
		const words = rest.join(' ');
		// "open a matter" opens one; "open" with anything else goes to what it finds.
		return A_MATTER.test(words)
			? { kind: 'open', words: words.replace(A_MATTER, '') }
			: { kind: 'find', words };
	}
	if (IS_HOURS.test(lead) || (/^-?[\d.:]+(h|m|min)?$/.test(lead) && rest.length > 0)) {
		const hours = parseHours(lead);
		const { matter, words } = takeMatter(rest, current);
		if ('minutes' in hours)
			return {
				kind: 'time',
				minutes: hours.minutes,
				matter,
				words,
				fault:
					matter === null
						? 'Name a matter: 0.4 LF-2026-0042 …'
						: words === ''
							? 'Say what was done.'
							: null
			};
		if (matter !== null) return { kind: 'time', minutes: 0, matter, words, fault: hours.error };
	}
	return { kind: 'find', words: text };
}

/** A length of time, and no other number, by itself: "0.4", "1:30", "20m". */
const IS_HOURS = /^(\d*[.:]\d+h?|\d+(h|m|min))$/;
const A_MATTER = /^(a )?(new )?matter\b\s*/i;

/** "new task …", "new note …", "new event …", "new hearing …"; anything else is a new matter. */
function parseNew(rest: readonly string[], current: string | null): Understood {
	const lead = rest[0]!.toLowerCase();
	if (['task', 'note', 'event', 'appointment'].includes(lead) || isOccasion(lead))
		return parseLine(rest.join(' '), current);
	return { kind: 'open', words: rest.join(' ').replace(A_MATTER, '') };
}

function parseTask(rest: readonly string[], current: string | null): Understood {
	const { matter, words } = takeMatter(rest, current);
	const fault = matter === null ? 'Name a matter: task LF-2026-0042 …' : null;
	return {
		kind: 'task',
		matter,
		words,
		fault: fault ?? (words === '' ? 'Say what is to be done.' : null)
	};
}

function takeMatter(
	words: readonly string[],
	current: string | null
): { matter: string | null; words: string } {
	const at = words.findIndex(looksLikeNumber);
	if (at === -1) return { matter: current, words: words.join(' ') };
	return {
		matter: words[at]!.toUpperCase(),
		words: [...words.slice(0, at), ...words.slice(at + 1)].join(' ')
	};
}
