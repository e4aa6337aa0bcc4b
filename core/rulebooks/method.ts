/**
 * How a court counts: the part of a rulebook that `count` needs. Zod gives the shape of the YAML
 * and the types.
 */
import { z } from 'zod';

const holiday = z
	.strictObject({
		name: z.string(),
		fixed: z
			.string()
			.regex(/^\d\d-\d\d$/, 'is month and day, like "12-25"')
			.optional(),
		nth: z.int().optional(),
		weekday: z.int().min(0).max(6).optional(),
		month: z.int().min(1).max(12).optional(),
		plus: z.int().optional(),
		easter: z.int().optional(),
		once: z
			.string()
			.regex(/^\d{4}-\d\d-\d\d$/, 'is a day, like "2026-11-30"')
			.optional(),
		since: z.int().optional(),
		until: z.int().optional(),
		except: z.array(z.int()).optional(),
		moved: z.enum(['none', 'sunday-to-monday', 'nearest', 'next-weekday']).optional()
	})
	.refine(
		(item) =>
			[item.fixed, item.nth, item.easter, item.once].filter((x) => x !== undefined).length === 1,
		{
			message: 'a holiday has exactly one of: fixed, nth, easter, once'
		}
	)
	.refine(
		(item) => item.nth === undefined || (item.weekday !== undefined && item.month !== undefined),
		{
			message: 'nth needs weekday and month'
		}
	);

/** `3d` calendar days or `2cd` court days. */
const extension = z.string().regex(/^\d+(d|cd)$/, 'an extension is a number and d or cd');

const services = z.strictObject({
	/**
	 * after-roll: the period is counted and rolled, then the days are added and rolled again.
	 * before-roll: added to the period, one roll.
	 */
	added: z.enum(['after-roll', 'before-roll']),
	/** What a backward count does with them. */
	backward: z.enum(['none', 'lengthen']),
	cautiousBackward: z.boolean().default(false),
	authority: z.string(),
	kinds: z.record(
		z.string(),
		z
			.strictObject({ say: z.string(), add: extension.nullable() })
			.transform(({ say, add }) => ({ label: say, add }))
	)
});

/** Deemed service: the count starts on the deemed day. */
const deemed = z.strictObject({
	authority: z.string(),
	kinds: z.record(
		z.string(),
		z
			.strictObject({
				say: z.string(),
				/**
				 * same-day: that day if before `before` on a business day, otherwise the next; second-day:
				 * two days on, or the next business day; second-business-day.
				 */
				rule: z.enum(['same-day', 'second-day', 'second-business-day']),
				before: z
					.string()
					.regex(/^\d\d:\d\d$/, 'is a time of day, like "16:30"')
					.optional(),
				authority: z.string().optional()
			})
			.transform(({ say, ...kind }) => ({ label: say, ...kind }))
	)
});

export const methodSchema = z.strictObject({
	zone: z.string(),
	/** court: hours roll to the next court day; agency: hours never roll. */
	family: z.enum(['court', 'agency']),
	/** What a day in the count of court days is called. */
	dayWord: z.string().default('court day'),
	/** CPR 2.8: when the end is fixed by an event, that day is not counted either. */
	clearDays: z.boolean().default(false),
	short: z
		.strictObject({
			upTo: z.int().optional(),
			exactly: z.int().optional(),
			authority: z.string(),
			cautious: z.boolean().default(false)
		})
		.refine((item) => (item.upTo === undefined) !== (item.exactly === undefined), {
			message: 'a short period has one of: upTo, exactly'
		})
		.optional(),
	roll: z.strictObject({
		forward: z.string(),
		backward: z.string(),
		cautiousBackward: z.boolean().default(false)
	}),
	/** The rule by which an inaccessible clerk's office moves a filing. */
	office: z.string().optional(),
	/** A filing's count of court days skips such a day like a holiday (Code Civ. Proc. 12b). */
	officeInside: z.boolean().default(false),
	services: services.optional(),
	deemed: deemed.optional(),
	holidays: z.array(holiday).default([]),
	/** In forward counts only: the holidays of the state where a federal court sits. */
	forwardHolidays: z.array(holiday).default([]),
	/** In backward counts only: days that no law makes holidays, but on which a court may not sit. */
	backwardHolidays: z.array(holiday).default([])
});

export type Method = z.infer<typeof methodSchema>;

/** The service methods a book knows, with their words. */
export function serviceKinds(method: Method): { id: string; label: string; add: string | null }[] {
	if (method.deemed)
		return Object.entries(method.deemed.kinds).map(([id, key]) => ({
			id,
			label: key.label,
			add: null
		}));
	return Object.entries(method.services?.kinds ?? {}).map(([id, key]) => ({
		id,
		label: key.label,
		add: key.add
	}));
}
