/**
 * A submitted form as the input of a command: which fields there are and what they hold is told by
 * the command's own schema.
 */
import type { z } from 'zod';

/** What a schema says about one field: where its values stand in a form. */
type Shape =
	| { kind: 'scalar' }
	| { kind: 'file' }
	| { kind: 'array'; of: Shape; optional: boolean }
	| { kind: 'record'; optional: boolean }
	| { kind: 'object'; fields: Readonly<Record<string, Shape>>; optional: boolean };

/** The parts of zod's definitions that are read here. */
type Definition = {
	type: string;
	innerType?: z.ZodType;
	in?: z.ZodType;
	element?: z.ZodType;
	shape?: Record<string, z.ZodType>;
};
const definitionOf = (schema: z.ZodType): Definition => schema.def as unknown as Definition;

const TRANSPARENT = new Set(['default', 'prefault', 'nonoptional', 'readonly', 'catch']);

function shapeOf(schema: z.ZodType, optional = false): Shape {
	const { type, innerType, in: input, element, shape } = definitionOf(schema);
	if (type === 'optional' || type === 'nullable') return shapeOf(innerType ?? schema, true);
	if (TRANSPARENT.has(type) && innerType) return shapeOf(innerType, optional);
	if (type === 'pipe' && input) return shapeOf(input, optional);
	if (type === 'file') return { kind: 'file' };
	if (type === 'array' && element) return { kind: 'array', of: shapeOf(element), optional };
	if (type === 'record') return { kind: 'record', optional };
	if (type === 'object' && shape)
		return {
			kind: 'object',
			fields: Object.fromEntries(
				Object.entries(shape).map(([name, field]) => [name, shapeOf(field)])
			),
			optional
		};
	return { kind: 'scalar' };
}

/**
 * Reads a form's fields by a schema. Lists are fields of the same name, or `lines.0.count` where
 * they hold more than one thing; keyed values are `answers.service`; what a screen builds by itself
 * may come as one field of JSON. A file field that was left empty is missing, and so is a list that
 * may be missing and has no field at all.
 *
 * @param schema of an object; other schemas read as having no fields
 */
export function readForm(schema: z.ZodType, data: FormData): Record<string, unknown> {
	const shape = shapeOf(schema);
	if (shape.kind !== 'object') return {};
	return readFields(shape.fields, data, '');
}

function readFields(
	fields: Readonly<Record<string, Shape>>,
	data: FormData,
	prefix: string
): Record<string, unknown> {
	const read = Object.entries(fields).map(
		([name, shape]) => [name, readField(shape, data, prefix + name)] as const
	);
	return Object.fromEntries(read.filter(([, value]) => value !== undefined));
}

function readField(shape: Shape, data: FormData, name: string): unknown {
	if (shape.kind === 'scalar') return textsOf(data, name)[0];
	if (shape.kind === 'file') return filesOf(data, name)[0];
	const json = parseJson(data, name);
	if (json !== undefined) return json;
	if (shape.kind === 'array') return readList(shape, data, name);
	const keys = keysBelow(data, name);
	if (keys.length === 0 && (shape.optional || shape.kind === 'object')) return undefined;
	if (shape.kind === 'object') return readFields(shape.fields, data, `${name}.`);
	return Object.fromEntries(keys.map((key) => [key, textsOf(data, `${name}.${key}`)[0] ?? '']));
}

function readList(
	{ of, optional }: Extract<Shape, { kind: 'array' }>,
	data: FormData,
	name: string
): unknown {
	if (of.kind === 'file') return filesOf(data, name);
	if (of.kind === 'scalar') {
		if (optional && !data.has(name)) return undefined;
		// An empty field beside the boxes says that the list is there, though no box may be ticked.
		return textsOf(data, name).filter((text) => text !== '');
	}
	const places = [...new Set(keysBelow(data, name).map((key) => key.split('.')[0] ?? ''))]
		.filter((place) => /^\d{1,4}$/.test(place))
		.sort((one, other) => Number(one) - Number(other));
	if (places.length === 0 && optional) return undefined;
	return places.map((place) => readField({ ...of, optional: false }, data, `${name}.${place}`));
}

const textsOf = (data: FormData, name: string): string[] =>
	data.getAll(name).filter((value) => typeof value === 'string');

/** A browser sends a file field that was left empty as a file without a name. */
const filesOf = (data: FormData, name: string): File[] =>
	data.getAll(name).filter((value): value is File => value instanceof File && value.name !== '');

const keysBelow = (data: FormData, name: string): string[] => [
	...new Set(
		[...data.keys()]
			.filter((key) => key.startsWith(`${name}.`))
			.map((key) => key.slice(name.length + 1))
	)
];

/** What a single field of JSON holds: a list or an object, never a bare word. */
function parseJson(data: FormData, name: string): unknown {
	const [text, ...others] = textsOf(data, name);
	if (others.length > 0 || text === undefined || !/^\s*[[{]/.test(text)) return undefined;
	try {
		return JSON.parse(text);
	} catch {
		return undefined;
	}
}
