/**
 * Facts: what a kind asks of its matters; what people type into them, as it is kept; and what is
 * kept, as people write it.
 */
import { z } from 'zod';
import { parseDate, type PlainDate } from '../dates/plain.ts';
import { parseTypedDate } from '../dates/typed.ts';
import { formatLongDate } from '../format/dates.ts';
import { formatCents, parseCents } from '../format/money.ts';

export const FACT_TYPES = {
	text: 'text',
	long: 'long text',
	number: 'number',
	money: 'money',
	date: 'date',
	yesno: 'yes or no',
	choice: 'choice',
	person: 'person or organization',
	web: 'address of a web page',
	coded: 'coded list with free text'
} as const;
export type FactType = keyof typeof FACT_TYPES;

/** A key of a fact, a group or a kind. */
export const keySchema = z
	.string()
	.regex(
		/^[a-z][a-z0-9-]{0,40}$/,
		'A key is of small letters, digits and hyphens, and begins with a letter.'
	);

/** A name that people read. */
export const nameSchema = (what: string) =>
	z
		.string({ error: `${what} needs a name.` })
		.trim()
		.min(1, `${what} needs a name.`)
		.max(60, `The name of ${what.toLowerCase()} is longer than 60 characters.`);

const codeSchema = z.object({
	code: z.string().trim().min(1).max(20),
	label: z.string().trim().min(1).max(80)
});

export const factSchema = z
	.object({
		key: keySchema,
		name: nameSchema('A fact'),
		type: z.enum(Object.keys(FACT_TYPES) as [FactType, ...FactType[]], {
			error: 'Choose what sort of fact it is.'
		}),
		options: z.array(z.string().trim().min(1).max(80)).max(200).optional(),
		codes: z.array(codeSchema).max(500).optional(),
		/** Shown as missing until it is there. */
		wanted: z.boolean().optional(),
		/** Taken away: its values stay readable, it is not asked for any more. */
		retired: z.boolean().optional()
	})
	.refine(({ type, options }) => type !== 'choice' || (options?.length ?? 0) > 0, {
		message: 'A choice needs at least one option.',
		path: ['options']
	})
	.refine(({ type, codes }) => type !== 'coded' || (codes?.length ?? 0) > 0, {
		message: 'A coded list needs at least one code.',
		path: ['codes']
	});
export type Fact = z.infer<typeof factSchema>;

/** A value as it is kept; `more` is the free text beside a code. */
export type FactValue = { value: string; more: string };
export type FactReading = { value: FactValue | null } | { error: string };

const FREE_LIMIT = 500;
const TEXT_LIMIT = 300;
const LONG_LIMIT = 10_000;

type Typed = { text: string; free: string; today: PlainDate };
type Reader = (fact: Fact, typed: Typed) => FactReading;

const keep = (value: string, more = ''): FactReading => ({ value: { value, more } });
const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

const readNumber: Reader = ({ name }, { text }) => {
	const plain = text.replace(/,(?=\d{3}\b)/g, '').replace(/\s/g, '');
	if (!/^-?\d{1,15}(\.\d{1,6})?$/.test(plain))
		return { error: `${name}: “${text}” is not a number.` };
	return keep(plain.replace(/^(-?)0+(?=\d)/, '$1'));
};

const readMoney: Reader = ({ name }, { text }) => {
	const cents = parseCents(text);
	if (cents === undefined) return { error: `${name}: “${text}” is not an amount. Write 1,250.00.` };
	return keep(String(cents));
};

const readDate: Reader = ({ name }, { text, today }) => {
	const read = parseTypedDate(text, today);
	return 'date' in read ? keep(read.date) : { error: `${name}: ${read.error}` };
};

const readYesNo: Reader = ({ name }, { text }) => {
	if (/^(yes|y|true|1)$/i.test(text)) return keep('yes');
	if (/^(no|n|false|0)$/i.test(text)) return keep('no');
	return { error: `${name}: answer yes or no.` };
};

const readChoice: Reader = ({ name, options = [] }, { text }) => {
	const option = options.find((other) => same(other, text));
	return option
		? keep(option)
		: { error: `${name}: “${text}” is not one of ${options.join(', ')}.` };
};

const readCoded: Reader = ({ name, codes = [] }, { text, free }) => {
	if (text === '') return keep('', free);
	const found = codes.find(({ code, label }) => same(code, text) || same(label, text));
	return found
		? keep(found.code, free)
		: {
				error: `${name}: “${text}” is no code of the list. Leave the code empty and write it beside.`
			};
};

const readWeb: Reader = ({ name }, { text }) => {
	const address = /^https?:\/\//i.test(text) ? text : `https://${text}`;
	const url = URL.canParse(address) ? new URL(address) : undefined;
	if (!url || !/^https?:$/.test(url.protocol) || !url.hostname.includes('.'))
		return { error: `${name}: “${text}” is not the address of a web page.` };
	return keep(address);
};

const READERS: Readonly<Record<FactType, Reader>> = {
	text: ({ name }, { text }) =>
		text.length > TEXT_LIMIT
			? { error: `${name} is longer than 300 characters.` }
			: keep(text.replace(/\s+/g, ' ')),
	long: ({ name }, { text }) =>
		text.length > LONG_LIMIT ? { error: `${name} is longer than 10,000 characters.` } : keep(text),
	number: readNumber,
	money: readMoney,
	date: readDate,
	yesno: readYesNo,
	choice: readChoice,
	coded: readCoded,
	person: ({ name }, { text }) =>
		/^per_\w+$/.test(text) ? keep(text) : { error: `${name}: choose a person or organization.` },
	web: readWeb
};

/**
 * What a person typed into a fact, as it is kept: dates YYYY-MM-DD, money in cents, numbers in
 * plain digits, yes or no, a code with its free text, a person's id. Empty text is no value. A
 * fault comes back in the user's words.
 */
export function parseFact(fact: Fact, typed: string, more: string, today: PlainDate): FactReading {
	const text = typed.trim();
	const free = more.trim();
	if (text === '' && free === '') return { value: null };
	if (free.length > FREE_LIMIT)
		return { error: `${fact.name}: the free text is longer than 500 characters.` };
	return READERS[fact.type](fact, { text, free, today });
}

function formatNumber(value: string): string {
	const [whole = '', fraction] = value.split('.');
	const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ',');
	return fraction ? `${grouped}.${fraction}` : grouped;
}

function formatFactDate(value: string): string {
	const date = parseDate(value);
	return date ? formatLongDate(date) : value;
}

/** A kept value as it stands in its field. */
export const typedFact = (fact: Fact, { value }: Pick<FactValue, 'value'>): string =>
	fact.type === 'money' ? formatCents(Number(value)).replace('−', '-') : value;

/** A kept value as people write it. `personName` gives the name behind an id. */
export function formatFact(
	fact: Fact,
	{ value, more }: FactValue,
	personName: (id: string) => string | undefined
): string {
	switch (fact.type) {
		case 'money':
			return formatCents(Number(value));
		case 'date':
			return formatFactDate(value);
		case 'number':
			return formatNumber(value);
		case 'coded': {
			const label = fact.codes?.find(({ code }) => code === value)?.label ?? value;
			return [label, more].filter(Boolean).join(', ');
		}
		case 'person':
			return personName(value) ?? 'someone whose card is gone';
		default:
			return value;
	}
}
