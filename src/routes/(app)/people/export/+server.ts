/** The cards as they are listed, whole, as one vCard file or as CSV that the import reads. */
import { fileResponse } from '#server/http/download.ts';
import { requireAction } from '#server/http/request.ts';
import { makePeopleCsv, makePeopleVcards } from '#server/people/export.ts';
import { parsePeopleFilter } from '#server/people/list.ts';

export function GET(event) {
	const me = requireAction(event, 'person.read');
	const { app } = event.locals;
	const params = event.url.searchParams;
	const type = params.get('as') === 'csv' ? 'csv' : 'vcf';
	const make = type === 'csv' ? makePeopleCsv : makePeopleVcards;
	const data = make(app, me, parsePeopleFilter(params));
	return fileResponse(data, type, `people-${app.clock.today()}.${type}`, true);
}
