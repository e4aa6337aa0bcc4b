/**
 * Every row of every shipped book, entered on a matter and counted again, and through the command
 * for scripts.
 */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { beforeEach, describe, it } from 'node:test';
import { all } from '#server/db/sql.ts';
import { listBooks, shelfOf } from '#server/rulebooks/shelf.ts';
import { good, newMatter, testHouse, type TestHouse } from '#server/testing/house.ts';
import { docketDeadlines } from './deadlines.ts';
import { findEffects } from './effects.ts';
import { enterEvent } from './events.ts';

let house: TestHouse;
beforeEach(async () => {
	house = await testHouse();
});

describe('every row of every book', () => {
	it('is entered on a matter, docketed and counted again to the same day', async () => {
		let rows = 0;
		for (const book of listBooks(house)) {
			const month = (await newMatter(house, { title: book.title, rulebook: book.id })).matterId;
			for (const event of book.events.values()) {
				const example = event.rules
					.flatMap((rule) => rule.examples)
					.find((x) => x.gives && x.date <= '2026-11-20') ?? {
					date: '2026-11-02',
					time: undefined,
					service: undefined,
					answers: undefined
				};
				const result = enterEvent(house.as('okafor'), {
					matterId: month,
					eventKey: `${book.id}|${event.id}`,
					date: event.ahead ? '2027-03-15' : example.date,
					time: example.time ?? '10:00',
					service: event.served ? (example.service ?? '') : '',
					answers: event.ahead ? {} : (example.answers ?? {}),
					sure: true,
					docket: []
				});
				const id = good(result).eventId;
				const found = all<{ id: string; rule: string; authority: string; suggested: number }>(
					house.db,
					"SELECT id, rule, authority, suggested FROM deadline WHERE event_id = @id AND sort = 'deadline'",
					{ id }
				);
				if (found.length)
					good(docketDeadlines(house.as('okafor'), { deadlineIds: found.map((each) => each.id) }));
				for (const each of found)
					assert.ok(
						each.suggested ||
							event.rules.some((x) => x.id === each.rule && x.authority === each.authority),
						`${book.id} ${each.rule}`
					);
				rows += found.filter((each) => !each.suggested).length;
			}
		}
		assert.ok(rows > 220, `${rows} dates`);
		assert.deepEqual(
			findEffects(house, {
				books: shelfOf(house).ids(),
				shelf: shelfOf(house),
				fresh: true,
				everything: true
			}).map((effect) => [effect.rule, effect.was, effect.fresh?.date]),
			[]
		);
	});
	it('gives its worked examples through the command for scripts', { timeout: 60_000 }, () => {
		const asked = listBooks(house).flatMap((book) =>
			[...book.events.values()].flatMap((event) =>
				event.rules
					.filter((rule) => rule.book === book.id)
					.flatMap((rule) =>
						rule.examples.map((x) => ({
							line: JSON.stringify({
								rulebook: book.id,
								event: event.id,
								date: x.date,
								...(x.time ? { time: x.time } : {}),
								...(x.service ? { service: x.service } : {}),
								answers: x.answers ?? {},
								...(x.closures ? { closures: x.closures } : {})
							}),
							title: rule.title,
							authority: rule.authority,
							gives: x.gives
						}))
					)
			)
		);
		const out = spawnSync(process.execPath, ['--import', 'tsx', 'bin/docket.ts'], {
			input: asked.map(({ line }) => line).join('\n') + '\n',
			encoding: 'utf8',
			maxBuffer: 200 * 1024 * 1024
		});
		const answers = out.stdout
			.trim()
			.split('\n')
			.map(
				(line) =>
					JSON.parse(line) as { deadlines: { title: string; authority: string; date: string }[] }
			);
		assert.equal(answers.length, asked.length);
		assert.ok(asked.length > 450, `${asked.length} examples`);
		asked.forEach((one, place) =>
			assert.equal(
				answers[place]!.deadlines.find(
					(deadline) => deadline.title === one.title && deadline.authority === one.authority
				)?.date ?? null,
				one.gives,
				one.line
			)
		);
	});
});
