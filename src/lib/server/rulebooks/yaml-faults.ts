/** What is wrong with a text as YAML, in words for people who do not know the reader's. */
import type { ErrorCode } from 'yaml';

const WORDS: Readonly<Partial<Record<ErrorCode, string>>> = {
	ALIAS_PROPS: 'An alias (*name) is not used in a book: write the part out.',
	BAD_ALIAS: 'An alias or anchor (* or &) is not used in a book; put such text in quotes.',
	BAD_DIRECTIVE: 'A line that begins with % is not known here.',
	BAD_DQ_ESCAPE: 'A \\ inside double quotes stands before a letter that it cannot change.',
	BAD_INDENT: 'This line does not begin in the same column as those it belongs to.',
	BAD_PROP_ORDER: 'A mark (& or !) stands on the wrong side of - or :.',
	BAD_SCALAR_START: 'A text that begins with @ or ` must stand in quotes.',
	BLOCK_AS_IMPLICIT_KEY:
		'Two values stand on one line, or this one begins in the wrong column; put text with a colon in quotes.',
	BLOCK_IN_FLOW: 'Inside { } or [ ] everything stands between commas; a list with - cannot.',
	DUPLICATE_KEY: 'This name stands twice in the same part; keep one of them.',
	KEY_OVER_1024_CHARS: 'The name before the colon is too long.',
	MULTILINE_IMPLICIT_KEY: 'A name and its colon must stand on one line; is a quote left open?',
	MULTIPLE_DOCS: 'Only one book stands in a file: a line of --- begins a second one.',
	NON_STRING_KEY: 'A name before a colon must be text.',
	RESOURCE_EXHAUSTION: 'The parts of this book lie too deep in one another.',
	TAB_AS_INDENT: 'A line begins with a tab: use spaces.',
	TAG_RESOLVE_FAILED: 'A mark that begins with ! is not known here; put such text in quotes.',
	BAD_COLLECTION_TYPE: 'A mark that begins with ! is not known here.'
};

const LOST = ['MISSING_CHAR'];
const OPEN = ['MISSING_CHAR', 'BAD_INDENT'];
/** The reader has one code for everything that is missing: its sign, our words, its codes. */
const MISSING: readonly (readonly [RegExp, string, readonly string[]])[] = [
	[/closing .?quote/, 'A quote is opened here and never closed.', LOST],
	[/end with a \]/, 'A list that begins with [ needs its ].', OPEN],
	[/end with a \}/, 'A part that begins with { needs its }.', OPEN],
	[/flow/i, 'A comma is missing between two values.', LOST],
	[/Comments/, 'A space must stand before #.', LOST],
	[/map values|Implicit map/, 'A colon and a space are missing after this name.', LOST],
	[/- indicator/, 'A row of a list begins with - and a space.', LOST]
];

/** A fault of the YAML reader in plain words. */
export function yamlFaultWords({ code, message }: { code: ErrorCode; message: string }): string {
	const missing = MISSING.find(([sign, , from]) => from.includes(code) && sign.test(message));
	const known = missing?.[1] ?? WORDS[code];
	if (known) return known;
	return 'This cannot be read as YAML: look for a missing colon, comma, quote or bracket here or in the line above.';
}
