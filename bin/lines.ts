/** Reads JSON lines on standard input and answers each with one JSON line, in order. */
import { createInterface } from 'node:readline';

/** A problem a caller can cause: its message is the answer. */
export class LineError extends Error {}

export async function answerLines(
	answer: (input: Record<string, unknown>) => unknown
): Promise<void> {
	let out: string[] = [];
	const flush = async () => {
		if (out.length === 0) return;
		const text = out.join('\n') + '\n';
		out = [];
		if (!process.stdout.write(text))
			await new Promise<void>((done) => process.stdout.once('drain', done));
	};
	for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
		if (line.trim() === '') continue;
		out.push(JSON.stringify(one(line, answer)));
		if (out.length >= 500) await flush();
	}
	await flush();
}

function one(line: string, answer: (input: Record<string, unknown>) => unknown): unknown {
	let input: unknown;
	try {
		input = JSON.parse(line);
	} catch {
		return { error: 'this line is not JSON' };
	}
	if (typeof input !== 'object' || input === null || Array.isArray(input))
		return { error: 'this line is not a JSON object' };
	try {
		return answer(input as Record<string, unknown>);
	} catch (error) {
		if (error instanceof Error) return { error: error.message };
		throw error;
	}
}
