/** A file as an answer: never sniffed, never run. */

/** The media types of what is made here. */
const TYPES = {
	pdf: 'application/pdf',
	csv: 'text/csv; charset=utf-8',
	xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
	ics: 'text/calendar; charset=utf-8',
	vcf: 'text/vcard; charset=utf-8',
	yaml: 'application/yaml; charset=utf-8'
} as const;

/** @param type one of what is made here, or a media type */
export function fileResponse(
	data: Uint8Array | string,
	type: string,
	name: string,
	download: boolean
): Response {
	const media = type in TYPES ? TYPES[type as keyof typeof TYPES] : type;
	const body = new Uint8Array(typeof data === 'string' ? Buffer.from(data, 'utf8') : data);
	const plain = name.replace(/[^\x20-\x7e]|["\\]/g, '_');
	const inline = !download && (media === TYPES.pdf || media.startsWith('image/'));
	return new Response(body, {
		headers: {
			'content-type': media,
			'content-length': String(body.length),
			'x-content-type-options': 'nosniff',
			'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
			'content-disposition': `${inline ? 'inline' : 'attachment'}; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name)}`
		}
	});
}
