import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { it } from 'node:test';

const run = (bin: string, lines: string[]) => {
	const child = spawnSync(process.execPath, ['--import', 'tsx', `bin/${bin}.ts`], {
		input: lines.join('\n') + '\n',
		encoding: 'utf8',
		maxBuffer: 1 << 28
	});
	assert.equal(child.status, 0, child.stderr);
	return child.stdout
		.trim()
		.split('\n')
		.map(
			(line) =>
				JSON.parse(line) as Record<string, unknown> & {
					deadlines?: { title: string; date: string; authority: string; trace: unknown[] }[];
					left?: { title: string }[];
				}
		);
};
it('count answers each line in order, and a bad line does not stop the rest', () => {
	const out = run('count', [
		'{"rulebook":"us-federal.ca-nd","from":"2026-10-30","count":"+21d","service":"clerk","closures":["2026-11-20"]}',
		'nonsense',
		'[]',
		'{"rulebook":"us-federal","from":"2026-02-30","count":"+1d"}',
		'{"rulebook":"mars","from":"2026-10-30","count":"+1d"}',
		'{"rulebook":"us-federal","from":"2026-10-30","count":"+24h"}',
		'{"rulebook":"us-federal","from":"2026-10-30","time":"10:00","count":"+48h"}',
		'{"rulebook":"us-federal","from":"2026-12-10","count":"-14d","roll":"towards"}',
		'{"rulebook":"us-ny-supreme","from":"2026-11-20","count":"+2d","everyDay":true}',
		'{"rulebook":"us-federal","from":"2026-10-30"}',
		'{"rulebook":"us-federal","from":"2026-10-30","count":"+1d","roll":"sideways"}',
		'{"rulebook":"us-federal","from":"2026-10-30","count":"+1d","closures":["2026-13-01"]}'
	]);
	assert.deepEqual(
		out.map((item) => item.error ?? [item.date, item.time].filter(Boolean).join(' ')),
		[
			'2026-11-23',
			'this line is not JSON',
			'this line is not a JSON object',
			'"from" is not a date that exists (YYYY-MM-DD, 1900 to 2199): "2026-02-30"',
			out[4]!.error,
			'a count in hours needs a time (HH:MM)',
			'2026-11-02 09:00',
			'2026-11-27',
			'2026-11-23',
			'"count" is missing: like +21d',
			'"roll" is "towards" or "none"',
			'"closures" has a date that does not exist: "2026-13-01"'
		]
	);
	assert.match(String(out[4]!.error), /no rulebook "mars"/);
	assert.equal(out[0]!.time, null);
	assert.ok(Array.isArray(out[0]!.trace));
});
it('docket answers with the deadlines of an event, authority as printed, and what is left', () => {
	const [a, b, item, other] = run('docket', [
		'{"rulebook":"us-federal","event":"interrogatories-served","date":"2026-11-20","service":"mail","answers":{}}',
		'{"rulebook":"us-federal.ca-nd","event":"hearing-of-a-motion","date":"2027-01-21","answers":{}}',
		'{"rulebook":"us-federal","event":"landing","date":"2026-11-20","answers":{}}',
		'{"rulebook":"us-federal","event":"judgment-entered","date":"2026-11-20"}'
	]);
	assert.deepEqual(
		a!.deadlines!.map((x) => [x.title, x.date, x.authority]),
		[['answers and objections', '2026-12-24', 'Fed. R. Civ. P. 33(b)(2)']]
	);
	assert.deepEqual(
		b!.deadlines!.map((x) => [x.date, x.authority]),
		[['2026-12-17', 'Civ. L.R. 7-2(a)']]
	);
	assert.match(String(item!.error), /not an event/);
	assert.equal(other!.deadlines!.length, 8);
	assert.equal(other!.left, undefined);
});
