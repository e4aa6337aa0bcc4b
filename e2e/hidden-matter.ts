/** Something of every sort on a restricted matter, made by those who are on it. */
import type { Database } from 'better-sqlite3';
import { exists, scalar } from '#server/db/sql.ts';

export type HiddenMatter = { id: string; number: string; title: string };
/** What was made there, for asking for it by its id. */
export type Hidden = HiddenMatter & {
	deadline: string;
	document: string;
	mail: string;
	post: string;
	signer: string;
	event: string;
	person: string;
	card: string;
	check: string;
	request: string;
	paper: string;
	paperIn: string;
};

/** How a form is sent by a colleague. */
type House = { send(login: string, path: string, body: FormData): Promise<Response> };

export async function fillHiddenMatter(
	db: Database,
	item: HiddenMatter,
	{ send }: House
): Promise<Hidden> {
	const form = (path: string, fields: Record<string, string>) => {
		const data = new FormData();
		for (const [key, value] of Object.entries(fields)) data.set(key, value);
		return send('okafor', path, data);
	};
	const other = new FormData();
	for (const [key, value] of Object.entries({
		matterId: item.id,
		folder: 'Internal',
		mark: 'privileged',
		name: 'Secret paper'
	}))
		other.set(key, value);
	other.set('file', new File(['Heron contents'], 'secret.txt'));
	await send('okafor', `/matters/${item.number}/documents?/upload`, other);
	await form(`/matters/${item.number}?/edit`, {
		matterId: item.id,
		fields: JSON.stringify({ rulebook: 'us-federal.ca-nd', 'fact:entity': 'Heron Entity' })
	});
	await form(`/matters/${item.number}?/role`, {
		matterId: item.id,
		personId: '',
		newName: 'Heron Holdings',
		newKind: 'organization',
		role: 'counterparty'
	});
	await form('/interest?/check', { names: 'Heron Holdings', matterId: item.id });
	// A request that went into the restricted matter.
	const asked = new FormData();
	for (const [key, value] of Object.entries({
		send: '1',
		about: 'Heron question',
		unitId: 'unit_0',
		words: 'About Heron'
	}))
		asked.set(key, value);
	asked.set('files', new File(['Heron words'], 'heron.txt'));
	await send('tarrant', '/requests?/write', asked);
	await form(
		`/requests/${scalar<string>(db, "SELECT id FROM request WHERE about = 'Heron question'")}?/merge`,
		{ number: item.number }
	);
	await form(`/matters/${item.number}/docket?/enter`, {
		matterId: item.id,
		eventKey: 'complaint-filed',
		date: '2026-11-16',
		docket: 'serve-each-defendant',
		name: 'Heron filing'
	});
	const came = new FormData();
	came.set('files', new File([`Heron order, ${item.number}`], 'heron-order.txt'));
	await send('okafor', '/docket/papers?/receive', came);
	await form(`/matters/${item.number}/tasks?/add`, {
		matterId: item.id,
		subject: 'Heron task',
		assigneeId: 'stf_castellan',
		by: 'day',
		due: '2026-11-25'
	});
	for (
		let tries = 0;
		tries < 30 &&
		!exists(db, 'SELECT 1 FROM post WHERE subject LIKE @subject', {
			subject: `%${item.number}%`
		});
		tries++
	)
		await new Promise((each) => setTimeout(each, 500));
	const idOf = (sql: string, ...params: unknown[]) =>
		db.prepare<unknown[], { id: string }>(sql).get(...params)!.id;
	return {
		...item,
		deadline: idOf('SELECT id FROM deadline WHERE matter_id = ?', item.id),
		event: idOf('SELECT id FROM event WHERE matter_id = ?', item.id),
		document: idOf("SELECT id FROM document WHERE name = 'Secret paper'"),
		mail: idOf('SELECT id FROM mail_out WHERE matter_id = ?', item.id),
		post: idOf('SELECT id FROM post WHERE subject LIKE ?', `%${item.number}%`),
		signer: idOf("SELECT id FROM signer WHERE staff_id = 'stf_okafor' LIMIT 1"),
		person: idOf('SELECT person_id AS id FROM matter_role LIMIT 1'),
		card: idOf("SELECT id FROM person WHERE name = 'Heron Holdings'"),
		check: idOf("SELECT id FROM interest_check WHERE names LIKE '%Heron%'"),
		request: idOf("SELECT id FROM request WHERE about = 'Heron question'"),
		paperIn: idOf("SELECT id FROM paper WHERE file_name = 'heron-order.txt'"),
		paper: idOf("SELECT id FROM request_file WHERE file_name = 'heron.txt'")
	};
}
