/** Reads a form that was sent; what is none is refused in words, not as a fault of the server. */
import { error } from '@sveltejs/kit';

/** @throws an HTTP error 400 where the body cannot be read as a form */
export async function readFormData(request: Request): Promise<FormData> {
	try {
		return await request.formData();
	} catch (cause) {
		// What is too large is said so by the server itself.
		if ((cause as { status?: number }).status === 413) throw cause;
		error(400, 'What was sent is no form that can be read. Send it again.');
	}
}

/**
 * The name of the form action that is asked for, where no screen sends it: one that every object
 * has, or the one that has no name.
 */
export function hasStrangeAction({ searchParams }: URL): boolean {
	const name = [...searchParams.keys()].find((key) => key.startsWith('/'))?.slice(1);
	return name !== undefined && (name === 'default' || name in Object.prototype);
}
