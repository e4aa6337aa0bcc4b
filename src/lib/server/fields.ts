/** The kinds of field that commands take, with errors in the user's words. */
import { z } from 'zod';
import { parseDate, parseTime, type PlainDate } from '#core/dates/plain.ts';

/** Text that must be there, trimmed, at most so long. */
export const text = (what: string, most: number) =>
	z
		.string({ error: `${what} is missing.` })
		.transform((s) => s.trim())
		.pipe(
			z
				.string()
				.min(1, `${what} is missing.`)
				.max(most, `${what} is longer than ${most} characters.`)
		);
/** Text that may be empty. */
export const maybeText = (what: string, most: number) =>
	z
		.string()
		.nullish()
		.transform((s) => (s ?? '').trim())
		.pipe(z.string().max(most, `${what} is longer than ${most} characters.`));
export const id = (what: string) =>
	z
		.string({ error: `Choose ${what}.` })
		.min(1, `Choose ${what}.`)
		.max(60, `Choose ${what}.`);
export const maybeId = z
	.string()
	.max(60)
	.nullish()
	.transform((s) => (s ? s : null));
/** A date that exists. */
export const day = (what: string) =>
	z
		.string({ error: `${what} is missing.` })
		.min(1, `${what} is missing.`)
		.transform((s, ctx): PlainDate => {
			const d = parseDate(s);
			if (!d) {
				ctx.addIssue({ code: 'custom', message: `${what}: ${s} is not a date that exists.` });
				return z.NEVER;
			}
			return d;
		});
export const maybeDay = (what: string) =>
	z
		.string()
		.nullish()
		.transform((s, ctx): PlainDate | null => {
			if (!s) return null;
			const d = parseDate(s);
			if (!d) {
				ctx.addIssue({ code: 'custom', message: `${what}: ${s} is not a date that exists.` });
				return z.NEVER;
			}
			return d;
		});
export const maybeTime = z
	.string()
	.nullish()
	.transform((s, ctx): string | null => {
		if (!s) return null;
		if (parseTime(s) === undefined) {
			ctx.addIssue({ code: 'custom', message: `${s} is not a time: write 14:30.` });
			return z.NEVER;
		}
		return s;
	});
export const flag = z
	.union([z.boolean(), z.string()])
	.nullish()
	.transform((v) => v === true || v === 'on' || v === 'true' || v === '1');
