import { stringify } from 'csv-stringify/sync';
import { fileResponse } from '#server/download.ts';
import { harmless } from '#server/matters/listing.ts';
import { cardFields, peopleList, type PeopleFilter } from '#server/people/queries.ts';
import { toVcard } from '#server/people/vcard.ts';
import { only, theWorld } from '#server/web.ts';

/** The cards as they are listed, whole, as one vCard file or as CSV that the import reads. */
export function GET(event) {
	const me = only(event, 'person.read');
	const w = theWorld(),
		p = event.url.searchParams;
	const f: PeopleFilter = Object.fromEntries(
		['q', 'kind', 'category', 'status', 'role'].flatMap((k) =>
			p.get(k) ? [[k, p.get(k)!.slice(0, 200)]] : []
		)
	);
	const { rows } = peopleList(w, me, f, 100_000);
	if (p.get('as') !== 'csv')
		return fileResponse(
			Buffer.from(rows.map((r) => toVcard(w, r.id)).join('')),
			'text/vcard; charset=utf-8',
			`people-${w.clock.today()}.vcf`,
			true
		);
	const lines = rows.map((r) => {
		const c = cardFields(w, r.id)!;
		const contacts = JSON.parse(c.contacts) as { kind: string; value: string }[];
		const first = (k: string) => contacts.find((x) => x.kind === k)?.value ?? '';
		return [
			c.name,
			c.kind,
			first('mail'),
			first('phone'),
			first('address').replaceAll('\n', ', '),
			c.former.replaceAll('\n', '; '),
			c.aliases.replaceAll('\n', '; '),
			r.parent,
			c.categories,
			c.note
		].map(harmless);
	});
	return fileResponse(
		Buffer.from(
			`\uFEFF${stringify([['Name', 'Person or organization', 'Mail', 'Phone', 'Address', 'Former names', 'Also known as', 'Parent organization', 'Categories', 'Note'], ...lines], { record_delimiter: '\r\n' })}`
		),
		'text/csv; charset=utf-8',
		`people-${w.clock.today()}.csv`,
		true
	);
}
