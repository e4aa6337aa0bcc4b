/**
 * A house in memory for the server's tests: the demo's people, a clock that can be set, no jobs, no
 * workers.
 */
import { plainDate, type PlainDate } from '#core/dates/plain.ts';
import { instantOf } from '#core/dates/zone.ts';
import { watchRows } from '#server/access/row-watch.ts';
import type { Application, Context, SealKey, Staff } from '#server/app/application.ts';
import type { Result } from '#server/app/errors.ts';
import { workInline } from '#server/app/task.ts';
import { openDb } from '#server/db/open.ts';
import { one } from '#server/db/sql.ts';
import { memoryFiles } from '#server/files/store.ts';
import type { MatterRow } from '#server/matters/rows.ts';
import { openMatter } from '#server/matters/open.ts';
import { KEY_BYTES } from '#server/app/vault.ts';
import { makeSealKey } from '#server/signing/seal-key.ts';
import { makeHouse, PEOPLE } from '../../../../demo/house.ts';
import { initialsOf } from '../../../../demo/house.ts';

export type TestHouse = Application & {
	/** Sets the clock. */
	set(day: string, hour?: number): void;
	/** A context in which this colleague acts. */
	as(login: string): Context;
	staff(login: string): Staff;
};

const ZONE = 'America/Los_Angeles';

/** Made once: making a key takes a second. */
const VAULT_KEY = Buffer.alloc(KEY_BYTES, 7);
let sealKey: Promise<SealKey> | undefined;
/** A house as it is made, database and files: what a test begins with is a copy. */
let made: Promise<{ database: Buffer; files: Application['files'] }> | undefined;

function makeApplication(source: string | Buffer, files: Application['files'], today: string) {
	let day: PlainDate = plainDate(today);
	let hour = 9;
	let tick = 0;
	const db = openDb(source, () => day);
	watchRows(db);
	const app: Application = {
		db,
		files,
		origin: 'http://localhost:3000',
		clock: {
			zone: ZONE,
			today: () => day,
			now: () => new Date(instantOf(day, hour * 60, ZONE) + tick++).toISOString()
		},
		seal: () => (sealKey ??= makeSealKey('Larkhaven Ferries', Date.now())),
		vaultKey: () => VAULT_KEY,
		work: workInline(() => db),
		wake: () => undefined
	};
	const set = (text: string, at = 9) => {
		day = plainDate(text);
		hour = at;
	};
	return { app, set };
}

async function makeSnapshot(
	today: string
): Promise<{ database: Buffer; files: Application['files'] }> {
	const files = memoryFiles();
	const { app } = makeApplication(':memory:', files, today);
	await makeHouse(app, false);
	const database = app.db.serialize();
	app.db.close();
	return { database, files };
}

/** @param path a file, where its size in memory would be counted with what is measured */
export async function testHouse(today = '2026-11-23', path?: string): Promise<TestHouse> {
	made ??= makeSnapshot(today);
	const snapshot = await made;
	const files = memoryFiles(snapshot.files);
	const { app, set } = makeApplication(path ?? snapshot.database, files, today);
	if (path !== undefined) await makeHouse(app, false);
	const staff = (login: string): Staff => {
		const person = PEOPLE.find((other) => other.login === login);
		if (!person) throw new Error(`nobody is called ${login}`);
		return {
			...person,
			id: `stf_${login}`,
			initials: initialsOf(person.name),
			email: `${login}@larkhaven.example`
		};
	};
	return { ...app, set, staff, as: (login) => ({ ...app, actor: { staff: staff(login) } }) };
}

/** The value of a result that must be good. */
export function good<Value>(result: Result<Value>): Value {
	if (!result.ok) throw new Error(JSON.stringify(result.errors));
	return result.value;
}

/** The errors of a result that must be bad. */
export function bad(result: Result<unknown>): Record<string, string> {
	if (result.ok) throw new Error('was not refused');
	return result.errors;
}

type Opening = Parameters<typeof openMatter>[1];
export type NewMatter = { matterId: string; number: string; checkId: string | null };

/** Opens a matter of litigation, by its responsible lawyer. */
export const newMatter = async (
	house: TestHouse,
	more: Partial<Opening> = {},
	by = 'okafor'
): Promise<NewMatter> =>
	good(
		await openMatter(house.as(by), {
			kind: 'litigation',
			title: 'Pier 9 passenger fall',
			unitId: 'unit_0',
			responsibleId: `stf_${by}`,
			rulebook: 'us-federal.ca-nd',
			...more
		})
	);

export const matterRow = ({ db }: TestHouse, id: string): MatterRow =>
	one(db, 'SELECT * FROM matter WHERE id = @id', { id });

/** A matter, and how it ended: for closing it. */
export const ended = ({ matterId }: { matterId: string }) => ({ matterId, ending: 'Settled' });
