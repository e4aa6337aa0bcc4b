/** A file as an answer: never sniffed, never run. */
export function fileResponse(
	data: Buffer,
	type: string,
	name: string,
	download: boolean
): Response {
	const plain = name.replace(/[^\x20-\x7e]|["\\]/g, '_');
	const inline = !download && (type === 'application/pdf' || type.startsWith('image/'));
	return new Response(new Uint8Array(data), {
		headers: {
			'content-type': type,
			'content-length': String(data.length),
			'x-content-type-options': 'nosniff',
			'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
			'content-disposition': `${inline ? 'inline' : 'attachment'}; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`
		}
	});
}
