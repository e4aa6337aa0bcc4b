/** How a rule counts: from where, how much, which way it rolls, the earlier or later of several. */
import { z } from 'zod';
import { parseAmount } from '../docket/amount.ts';

/**
 * Where a count starts: the event, the answer to a question, another deadline of the same event, or
 * another expression.
 */
export type Start = 'event' | { answer: string; else?: 'event' } | { deadline: string };

export type Expression =
	| {
			kind: 'count';
			amount: string;
			from: Start;
			of?: Expression;
			ext: boolean;
			roll: 'usual' | 'towards' | 'none';
			everyDay: boolean;
			label?: string;
			next?: number;
			time?: string;
			authority?: string;
			serviceAnswer?: string;
			cautious?: string;
			adds?: Record<string, string | null>;
	  }
	| { kind: 'choose'; which: 'earlier' | 'later'; of: Expression[] }
	| { kind: 'day'; from: Start; label?: string };

const start = z.union([
	z.literal('event'),
	z.strictObject({ answer: z.string(), else: z.literal('event').optional() }),
	z.strictObject({ deadline: z.string() })
]);
export const amount = z.string().refine(
	(text) => {
		try {
			parseAmount(text);
			return true;
		} catch {
			return false;
		}
	},
	{ message: 'a count is a sign, a number and d, cd, w, m, y or h, like +21d' }
);

const WEEKDAY = [
	'sunday',
	'monday',
	'tuesday',
	'wednesday',
	'thursday',
	'friday',
	'saturday'
] as const;

/** "+21d", "+21d ext", or the long form. */
export const expression: z.ZodType<Expression, unknown> = z.lazy(() =>
	z.union([
		z.string().transform((text, ctx): Expression => {
			const match = /^([+-]\d+(?:cd|d|w|m|y|h))( ext)?( no roll| towards)?$/.exec(text);
			if (!match) {
				ctx.addIssue({
					code: 'custom',
					message: `"${text}" is not a count: write +21d, +21d ext, -30d towards or +4m no roll`
				});
				return z.NEVER;
			}
			return {
				kind: 'count',
				amount: match[1]!,
				from: 'event',
				ext: match[2] !== undefined,
				roll: match[3] === ' no roll' ? 'none' : match[3] === ' towards' ? 'towards' : 'usual',
				everyDay: false
			};
		}),
		z
			.strictObject({
				count: amount,
				from: start.optional(),
				of: expression.optional(),
				ext: z.boolean().optional(),
				roll: z.enum(['usual', 'towards', 'none']).optional(),
				everyDay: z.boolean().optional(),
				label: z.string().optional(),
				next: z.enum(WEEKDAY).optional(),
				time: z.string().optional(),
				serviceAnswer: z.string().optional(),
				cautious: z.string().optional(),
				/**
				 * What a way of service adds to this count instead of what the court's method says; null is
				 * nothing.
				 */
				adds: z
					.record(
						z.string(),
						z
							.string()
							.regex(/^\d+(d|cd)$/, 'what a service adds is a number and d or cd')
							.nullable()
					)
					.optional()
			})
			.transform((x): Expression => {
				const item: Expression = {
					kind: 'count',
					amount: x.count,
					from: x.from ?? 'event',
					ext: x.ext ?? false,
					roll: x.roll ?? 'usual',
					everyDay: x.everyDay ?? false
				};
				if (x.of) item.of = x.of;
				if (x.label) item.label = x.label;
				if (x.next) item.next = WEEKDAY.indexOf(x.next);
				if (x.time) item.time = x.time;
				if (x.serviceAnswer) item.serviceAnswer = x.serviceAnswer;
				if (x.cautious) item.cautious = x.cautious;
				if (x.adds) item.adds = x.adds;
				return item;
			}),
		z
			.strictObject({ earlier: z.array(expression).min(2) })
			.transform((x): Expression => ({ kind: 'choose', which: 'earlier', of: x.earlier })),
		z
			.strictObject({ later: z.array(expression).min(2) })
			.transform((x): Expression => ({ kind: 'choose', which: 'later', of: x.later })),
		z
			.strictObject({ day: start, label: z.string().optional() })
			.transform((x): Expression =>
				x.label ? { kind: 'day', from: x.day, label: x.label } : { kind: 'day', from: x.day }
			)
	])
);
