/** The fields of an appointment, as its drawer begins with them. */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatTime } from '#core/format/dates.ts';
import type { AppointmentView } from '#server/appointments/find.ts';
import type { Draft } from './desk.svelte.ts';

type Matter = { id: string; number: string; title: string };
const MIDNIGHT = 1440;
const clock = (minutes: number | null): string =>
	minutes === null ? '' : formatTime(minutes % MIDNIGHT);
const nameMatter = (matter: Matter | null) => ({
	matterId: matter?.id ?? '',
	matter: matter ? `${matter.number} ${matter.title}` : ''
});

export type AppointmentForm = ReturnType<typeof fieldsOf>;

/** Those of one that is there. */
export const fieldsOf = (one: AppointmentView) => ({
	subject: one.subject,
	day: one.onDay as string,
	lastDay: one.more_days > 0 ? (one.lastDay as string) : '',
	from: clock(one.from_minute),
	to: clock(one.to_minute),
	...nameMatter(one.matter),
	staff: [...one.staff],
	resources: [...one.resources],
	guests: one.guests.map(({ person_id, name, email }) => ({
		...{ personId: person_id ?? '', name, email }
	})),
	place: one.place,
	link: one.link,
	sortId: one.sort_id ?? '',
	priority: one.priority as string,
	whereabouts: one.whereabouts as string,
	labels: one.labels,
	notes: one.notes,
	private: one.private === 1,
	rule: one.rule
});

/** Those of a new one: what was drawn of it, else today and oneself. */
export const fieldsOfNew = (
	draft: Draft | null,
	{ matter, me, today }: { matter: Matter | null; me: string; today: PlainDate }
): AppointmentForm => ({
	subject: draft?.subject ?? '',
	day: draft?.day ?? today,
	lastDay: '',
	from: clock(draft?.from ?? null),
	to: clock(draft?.to ?? null),
	...nameMatter(matter),
	staff: draft?.staff ?? [draft?.staffId ?? me],
	resources: draft?.resources ?? [],
	guests: [],
	...{ place: '', link: '', sortId: '', priority: 'normal', whereabouts: '' },
	...{ labels: '', notes: '', private: false, rule: '' }
});
