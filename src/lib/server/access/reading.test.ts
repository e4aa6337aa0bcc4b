/** Files that are taken away, and looks into restricted matters, are in the audit trail. */
import assert from 'node:assert/strict';
import { beforeEach, it } from 'node:test';
import { all } from '#server/db/sql.ts';
import { newMatter, testHouse, type NewMatter, type TestHouse } from '#server/testing/house.ts';
import { verifyAudit } from './audit.ts';
import { auditReading, type Reading } from './reading.ts';

let house: TestHouse;
let open: NewMatter;
let hidden: NewMatter;
beforeEach(async () => {
	house = await testHouse();
	open = await newMatter(house);
	hidden = await newMatter(house, { title: 'Inquiry', restricted: 'on' });
});

const PAGE = '/(app)/matters/[number]';
const read = (more: Partial<Reading>): void =>
	auditReading(house, {
		staff: house.staff('okafor'),
		route: PAGE,
		params: {},
		search: '',
		disposition: null,
		...more
	});
type Entry = { actor: string; action: string; matter_id: string | null; detail: string };
const entries = () =>
	all<Entry>(
		house.db,
		`SELECT actor, action, matter_id, detail
		FROM audit
		WHERE action IN ('take file away', 'read restricted matter')
		ORDER BY seq`
	);
const file = (name: string, sort = 'attachment') =>
	`${sort}; filename="x"; filename*=UTF-8''${encodeURIComponent(name)}`;

it('a file that is taken away is noted each time, with its name and its matter', () => {
	const params = { number: open.number };
	const disposition = file('Logbook “A”.csv');
	read({ params, disposition, search: '?sort=date' });
	read({ params, disposition });
	const [first] = entries();
	assert.equal(entries().length, 2);
	assert.deepEqual([first!.actor, first!.matter_id], ['okafor', open.matterId]);
	assert.deepEqual(JSON.parse(first!.detail), {
		route: PAGE,
		number: open.number,
		search: '?sort=date',
		file: 'Logbook “A”.csv'
	});
	assert.ok(verifyAudit(house.db).ok);
});
it('a look into a restricted matter is noted once an hour for each person', () => {
	const params = { number: hidden.number };
	read({ params });
	read({ params, route: `${PAGE}/docket` });
	read({ params: { number: hidden.number.toLowerCase() } });
	read({ params, staff: house.staff('castellan') });
	house.set('2026-11-23', 11);
	read({ params });
	assert.deepEqual(
		entries().map(({ actor, action, matter_id }) => [actor, action, matter_id]),
		['okafor', 'castellan', 'okafor'].map((login) => [
			login,
			'read restricted matter',
			hidden.matterId
		])
	);
});
it('its number in small letters is the same matter', () => {
	read({ params: { number: hidden.number.toLowerCase() } });
	assert.equal(entries().length, 1);
});
it('pages and shown papers of other matters are not', () => {
	read({ params: { number: open.number } });
	read({ params: { number: open.number }, disposition: file('a.pdf', 'inline') });
	assert.deepEqual(entries(), []);
	read({ params: { number: hidden.number }, disposition: file('a.pdf', 'inline') });
	assert.equal(entries().length, 1);
});
it('the secret of a link is in no entry', () => {
	read({
		staff: undefined,
		route: '/sign/[token]/file',
		params: { token: 'secret-token' },
		disposition: file('Agreement.pdf')
	});
	assert.equal(entries()[0]!.actor, 'guest');
	assert.ok(!entries()[0]!.detail.includes('secret-token'));
});
it('is noted also where the address leads to no matter', () => {
	for (const route of ['documents/[id]/file', 'docket/papers/[id]', 'signing/[id]/file'])
		read({ route: `/(app)/${route}`, params: { id: 'x' }, disposition: file('a.pdf') });
	assert.deepEqual(
		entries().map(({ action, matter_id }) => [action, matter_id]),
		Array.from({ length: 3 }, () => ['take file away', null])
	);
});
