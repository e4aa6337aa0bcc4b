/** Ends a command with what is wrong. */
export function end(words: string): never {
	console.error(words);
	process.exit(1);
}
