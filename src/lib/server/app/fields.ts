/** The kinds of field that commands take, with errors in the user's words. */
import { z } from 'zod';
import { cleanText } from '#core/format/clean.ts';
import { parseDate, parseTime, type PlainDate } from '#core/dates/plain.ts';

/** Text that must be there, trimmed, at most so long. */
export const text = (what: string, limit: number) =>
	z
		.string({ error: `${what} is missing.` })
		.transform((value) => cleanText(value).trim())
		.pipe(
			z
				.string()
				.min(1, `${what} is missing.`)
				.max(limit, `${what} is longer than ${limit} characters.`)
		);

/** Text that may be empty. */
export const maybeText = (what: string, limit: number) =>
	z
		.string()
		.nullish()
		.transform((value) => cleanText(value ?? '').trim())
		.pipe(z.string().max(limit, `${what} is longer than ${limit} characters.`));

/** The address of a page, or nothing. */
export const maybeLink = (what: string) =>
	maybeText(what, 500).refine(
		(value) => value === '' || /^https?:\/\/[^\s]+$/i.test(value),
		`${what} starts with https://`
	);

/** The id of something that must be chosen. */
export const id = (what: string) =>
	z
		.string({ error: `Choose ${what}.` })
		.min(1, `Choose ${what}.`)
		.max(60, `Choose ${what}.`);

/** The id of something that may be chosen; an empty choice is none. */
export const maybeId = z
	.string()
	.max(60)
	.nullish()
	.transform((value) => value || null);

/** The version of what a form shows, so that two people do not overwrite one another. */
export const version = z.coerce.number().int();

/** What a form showed when it was begun, so that two people's changes can be put together. */
export const base = z.record(z.string(), z.string()).nullish();

const dateOr = (what: string, value: string, ctx: z.RefinementCtx): PlainDate => {
	const date = parseDate(value);
	if (date) return date;
	ctx.addIssue({ code: 'custom', message: `${what}: ${value} is not a date that exists.` });
	return z.NEVER;
};

/** A date that exists. */
export const day = (what: string) =>
	z
		.string({ error: `${what} is missing.` })
		.min(1, `${what} is missing.`)
		.transform((value, ctx): PlainDate => dateOr(what, value, ctx));

/** A date that exists, or nothing. */
export const maybeDay = (what: string) =>
	z
		.string()
		.nullish()
		.transform((value, ctx): PlainDate | null => (value ? dateOr(what, value, ctx) : null));

/** `HH:MM`, or nothing. */
export const maybeTime = z
	.string()
	.nullish()
	.transform((value, ctx): string | null => {
		if (!value) return null;
		if (parseTime(value) !== undefined) return value;
		ctx.addIssue({ code: 'custom', message: `${value} is not a time: write 14:30.` });
		return z.NEVER;
	});

/** A tick: of a check box, of a button's value, or a boolean. */
export const flag = z
	.union([z.boolean(), z.string()])
	.nullish()
	.transform((value) => value === true || value === 'on' || value === 'true' || value === '1');
