/** Time that was worked elsewhere is taken over as it was, for whoever worked it. */
import assert from 'node:assert/strict';
import { beforeEach, describe, it } from 'node:test';
import { all, one, run } from '#server/db/sql.ts';
import { restrictMatter } from '#server/matters/members.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { fatesOf, planImport } from '#server/testing/import-plan.ts';
import type { Plan } from './judge.ts';
import { runImport, undoImport } from './run.ts';

let house: TestHouse;
let number: string;
let matterId: string;
const HEAD = 'Day,Timekeeper,Matter number,Hours,What was done,Activity,Released';
const plan = (...rows: string[]) => planImport(house, 'time', [HEAD, ...rows]);
const fates = fatesOf;
const bring = ({ rows }: Plan) =>
	runImport(house.as('haddad'), {
		what: 'time',
		fileName: 'time.csv',
		header: HEAD.split(','),
		mapping: {},
		rows: rows.map(({ n, values }) => ({ n, values }))
	});

beforeEach(async () => {
	house = await testHouse();
	({ matterId, number } = await newMatter(house));
});

describe('time that is imported', () => {
	it('is the time of whoever worked it, to the minute, released or a draft', async () => {
		const judged = await plan(
			`2026-03-02,okafor,${number},0:47,Call with the adjuster,CALL,yes`,
			`3 Mar 2026,Lena Fairweather,${number.toLowerCase()},1.5,Sorted exhibits,,`
		);
		assert.deepEqual(fates(judged), ['new: new entry, released', 'new: new entry, a draft']);
		const { batchId } = await bring(judged);
		const entries = all<Record<string, unknown>>(
			house.db,
			`SELECT
				staff_id AS staff, matter_id = @matterId AS here, day, minutes, activity,
				released_at IS NOT NULL AS released
			FROM time_entry
			ORDER BY day`,
			{ matterId }
		);
		assert.deepEqual(entries, [
			{
				...{ staff: 'stf_okafor', here: 1, day: '2026-03-02', minutes: 47 },
				...{ activity: 'CALL', released: 1 }
			},
			{
				...{ staff: 'stf_fairweather', here: 1, day: '2026-03-03', minutes: 90 },
				...{ activity: null, released: 0 }
			}
		]);
		assert.match(
			fates(await plan(`2026-03-02,okafor,${number},0:47,Call with the adjuster,,`))[0]!,
			/there already/
		);
		run(house.db, 'UPDATE time_entry SET version = 2 WHERE minutes = 90', {});
		await assert.rejects(undoImport(house.as('haddad'), batchId), /time of 2026-03-03 was changed/);
		run(house.db, 'UPDATE time_entry SET version = 1', {});
		await undoImport(house.as('haddad'), batchId);
		assert.equal(one<{ n: number }>(house.db, 'SELECT count(*) AS n FROM time_entry').n, 0);
	});

	it('says all that is wrong with a row', async () => {
		const judged = await plan(
			'31 Feb 2026,nobody,LF-1999-0001,25,Nothing,NOSUCH,perhaps',
			'2027-01-01,okafor,,much,Nothing,CALL,',
			`2026-03-02,okafor,${number},20,First,,`,
			`2026-03-02,okafor,${number},5,Second,,`
		);
		const [first, second, third, fourth] = fates(judged);
		assert.match(first!, /31 Feb 2026.*24 hours.*“nobody”.*no matter LF-1999-0001.*“NOSUCH”/);
		assert.match(first!, /yes or no/);
		assert.match(second!, /has not come yet.*Write hours.*Name a matter/);
		assert.match(third!, /^new/);
		assert.match(fourth!, /more than 24 hours/);
	});

	it('finds no matter that is hidden from who imports', async () => {
		good(restrictMatter(house.as('okafor'), { matterId, restricted: 'on' }));
		const [fate] = fates(await plan(`2026-03-02,okafor,${number},1,Call,,`));
		assert.match(fate!, new RegExp(`There is no matter ${number} that you see`));
	});
});
