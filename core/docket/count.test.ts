import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { fromDay, toDay } from '../dates/plain.ts';
import { CountError, parseAmount } from './amount.ts';
import { count } from './count.ts';
import { explainTrace } from './trace.ts';
import { strip } from './strip.ts';
import { shippedBook, listShippedBooks } from '../testing/books.ts';
import { holiday, is, office, run } from '../testing/counting.ts';

describe('federal counts', () => {
	it('add three days after the roll, and roll again', () => {
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-23', { service: 'clerk' });
		is('us-federal', '2026-11-20', '+30d', '2026-12-24', { service: 'mail' });
		is('us-federal', '2026-11-20', '+30d', '2026-12-21', { service: 'electronic' });
		is('us-federal', '2026-11-03', '+14d', '2026-11-20', { service: 'mail' });
		is('us-federal', '2026-11-06', '+14d', '2026-11-23', { service: 'other-consented' });
	});
	it('let an inaccessible office move only a filing, and only on its last day', () => {
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-23', {
			service: 'clerk',
			closures: office('2026-11-20')
		});
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-23', { closures: office('2026-11-20') });
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-20', {
			closures: office('2026-11-20'),
			act: 'serve'
		});
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-27', {
			service: 'clerk',
			closures: holiday('2026-11-20')
		});
		is('us-federal.ca-nd', '2026-10-30', '+21d', '2026-11-23', {
			closures: holiday('2026-11-20'),
			act: 'serve'
		});
	});
	it('go backwards past a holiday, and not past a holiday of the state', () => {
		is('us-federal', '2026-12-10', '-14d', '2026-11-25');
		is('us-federal.ca-nd', '2026-02-26', '-14d', '2026-02-12');
		is('us-federal.ca-nd', '2026-01-29', '+14d', '2026-02-13');
		is('us-federal', '2026-12-10', '-14d', '2026-11-27', { roll: 'towards' });
		is('us-federal', '2026-12-10', '-14d', '2026-11-26', { roll: 'none' });
		is('us-federal', '2026-12-11', '-14d', '2026-11-27', { service: 'mail' });
	});
	it('count hours on the clock, and go on to the same time', () => {
		is('us-federal', '2026-10-30', '+48h', '2026-11-02 09:00', { time: '10:00' });
		is('us-federal', '2026-11-25', '+24h', '2026-11-27 10:00', { time: '10:00' });
		is('us-federal', '2026-11-30', '-48h', '2026-11-27 10:00', { time: '10:00' });
	});
	it('count court days, weeks, months and years', () => {
		is('us-federal', '2026-11-20', '+5cd', '2026-11-30');
		is('us-federal', '2026-11-30', '-5cd', '2026-11-20');
		is('us-federal', '2026-11-12', '+2w', '2026-11-27');
		is('us-federal', '2026-10-31', '+1m', '2026-11-30');
		is('us-federal', '2026-01-31', '+1m', '2026-03-02');
		is('us-federal', '2024-02-29', '+1y', '2025-02-28');
		is('us-federal', '2026-11-26', '+0d', '2026-11-27');
	});
});

describe('California counts', () => {
	it('lengthen the period before one roll', () => {
		is('us-ca-superior', '2026-11-20', '+30d', '2026-12-28', { service: 'mail-in-state' });
		is('us-ca-superior', '2026-11-20', '+30d', '2026-12-30', { service: 'mail-out-of-state' });
		is('us-ca-superior', '2026-11-20', '+30d', '2027-01-11', { service: 'mail-abroad' });
		is('us-ca-superior', '2026-11-20', '+30d', '2026-12-22', { service: 'electronic' });
		is('us-ca-superior', '2026-11-20', '+30d', '2026-12-21', { service: 'personal' });
	});
	it('lengthen a notice backwards from the day found', () => {
		is('us-ca-superior', '2026-12-10', '-16cd', '2026-11-16');
		is('us-ca-superior', '2026-12-10', '-16cd', '2026-11-12', { service: 'electronic' });
		is('us-ca-superior', '2026-12-10', '-16cd', '2026-11-10', { service: 'mail-in-state' });
	});
	it('skip the day after Thanksgiving', () =>
		is('us-ca-superior', '2026-11-25', '+1cd', '2026-11-30'));
});

describe('New York counts', () => {
	it('leave weekends out of exactly two days', () => {
		is('us-ny-supreme', '2026-11-20', '+2d', '2026-11-24');
		is('us-ny-supreme', '2026-11-23', '-2d', '2026-11-19');
		is('us-ny-supreme', '2026-11-20', '+3d', '2026-11-23');
		is('us-ny-supreme', '2026-11-20', '+2d', '2026-11-23', { everyDay: true });
	});
	it('roll a last day at the end only, after service, in exactly two days', () => {
		// Thu 23 Feb 2023: Friday is the first day, Saturday the last; a business day on is Monday.
		is('us-ny-supreme', '2023-02-23', '+2d', '2023-02-27');
		is('us-ny-supreme', '2023-02-23', '+2d', '2023-02-27', { service: 'overnight' });
		is('us-ny-supreme', '2023-02-23', '+2d', '2023-03-03', { service: 'mail-out-of-state' });
		// Tue 3 Mar 2026 back: Monday is the first day, Sunday the last; it goes back to Friday.
		is('us-ny-supreme', '2026-03-03', '-2d', '2026-02-27');
	});
	it('lengthen by service before one roll', () => {
		is('us-ny-supreme', '2026-11-20', '+20d', '2026-12-15', { service: 'mail-in-state' });
		is('us-ny-supreme', '2026-11-20', '+20d', '2026-12-16', { service: 'mail-out-of-state' });
		is('us-ny-supreme', '2026-11-20', '+20d', '2026-12-11', { service: 'overnight' });
		is('us-ny-supreme', '2026-12-14', '-8d', '2026-12-01', { service: 'mail-in-state' });
	});
});

describe('Texas counts', () => {
	it('skip weekends and holidays in five days or less', () => {
		is('us-tx-district', '2026-11-20', '+5d', '2026-12-01');
		is('us-tx-district', '2026-11-20', '+6d', '2026-11-30');
		is('us-tx-district', '2026-11-24', '-3d', '2026-11-20', { everyDay: true });
		is('us-tx-district', '2026-11-20', '+30d', '2026-12-23', { service: 'mail' });
	});
	it('end on December 24 forwards, and before it backwards', () => {
		is('us-tx-district', '2026-11-24', '+30d', '2026-12-24');
		is('us-tx-district', '2026-12-31', '-7d', '2026-12-23');
		is('us-tx-district', '2026-12-21', '+4d', '2026-12-28');
	});
});

describe('counts of England and Wales', () => {
	it('are clear days before an event', () => {
		is('gb-ew-cpr', '2023-10-20', '-3d', '2023-10-16');
		is('gb-ew-cpr', '2026-12-17', '-3d', '2026-12-11');
		is('gb-ew-cpr', '2026-12-17', '-14d', '2026-12-02');
		is('gb-ew-cpr', '2026-11-20', '+14d', '2026-12-04');
		is('gb-ew-cpr', '2026-12-22', '+5d', '2026-12-31');
	});
	it('start on the deemed day of service', () => {
		is('gb-ew-cpr', '2026-11-20', '+0d', '2026-11-23', { service: 'first-class-post' });
		is('gb-ew-cpr', '2026-11-20', '+14d', '2026-12-04', { service: 'email', time: '16:29' });
		is('gb-ew-cpr', '2026-11-20', '+14d', '2026-12-07', { service: 'email', time: '16:30' });
		is('gb-ew-cpr', '2026-11-20', '+0d', '2026-11-24', { service: 'claim-form' });
		is('gb-ew-cpr', '2026-12-24', '+0d', '2026-12-30', { service: 'claim-form' });
		assert.throws(() => run('gb-ew-cpr', '2026-11-20', '+14d', { service: 'email' }), /time/);
		is('gb-ew-cpr', '2026-11-21', '+0d', '2026-11-23', { service: 'email' });
	});
});

describe('agency counts', () => {
	it('roll days and never hours', () => {
		is('us-agency', '2026-11-20', '+4cd', '2026-11-27');
		is('us-agency', '2026-11-20', '+24h', '2026-11-21 09:00', { time: '09:00' });
		is('eu-data-incident', '2026-10-23', '+72h', '2026-10-26 09:00', { time: '10:00' });
	});
});

describe('every count', () => {
	const arb = fc.record({
		book: fc.constantFrom(...listShippedBooks().map((b) => b.id)),
		from: fc.integer({ min: 11_000, max: 47_000 }),
		n: fc.integer({ min: 0, max: 200 }),
		sign: fc.constantFrom(1 as const, -1 as const),
		unit: fc.constantFrom('d', 'cd', 'w', 'm', 'y')
	});
	it('lands on a court day, on the right side, and says how', () => {
		fc.assert(
			fc.property(arb, ({ book, from, n, sign, unit }) => {
				const b = shippedBook(book);
				const amount = parseAmount(`${sign === 1 ? '+' : '-'}${unit === 'y' ? n % 20 : n}${unit}`);
				const counted = count(b.method, b.calendar, { from: fromDay(from), amount });
				assert.equal(b.calendar.closed(toDay(counted.date), sign), undefined);
				assert.ok((toDay(counted.date) - from) * sign >= 0);
				const text = explainTrace(counted.trace);
				assert.ok(
					text.length >= 2 &&
						text.every((value) => value.length > 10 && !value.includes('undefined'))
				);
				const cells = strip(counted.trace, counted.date, b.calendar);
				assert.equal(
					cells.filter(
						(cell) =>
							'role' in cell &&
							(cell.role === 'result' || (cell.role === 'zero' && cell.date === counted.date))
					).length,
					1
				);
			}),
			{ numRuns: 400 }
		);
	});
	it('of court days comes back where it began, from a court day', () => {
		fc.assert(
			fc.property(
				fc.constantFrom('us-federal', 'us-ca-superior', 'us-ny-supreme', 'us-agency'),
				fc.integer({ min: 11_000, max: 47_000 }),
				fc.integer({ min: 1, max: 120 }),
				(id, from, n) => {
					const b = shippedBook(id);
					const there = count(b.method, b.calendar, {
						from: fromDay(from),
						amount: { sign: 1, n, unit: 'cd' }
					});
					const back = count(b.method, b.calendar, {
						from: there.date,
						amount: { sign: -1, n, unit: 'cd' }
					});
					if (!b.calendar.closed(from, 1)) assert.equal(back.date, fromDay(from));
					else assert.ok(back.date < fromDay(from));
				}
			),
			{ numRuns: 300 }
		);
	});
	it('agrees with a walk day by day', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 11_000, max: 47_000 }),
				fc.integer({ min: 0, max: 150 }),
				fc.boolean(),
				(from, n, mail) => {
					const b = shippedBook('us-federal.ca-nd');
					const roll = (day: number) => {
						while (b.calendar.closed(day, 1)) day++;
						return day;
					};
					let number = roll(from + n);
					if (mail) number = roll(number + 3);
					assert.equal(
						count(b.method, b.calendar, {
							from: fromDay(from),
							amount: { sign: 1, n, unit: 'd' },
							service: mail ? 'mail' : 'personal'
						}).date,
						fromDay(number)
					);
				}
			)
		);
	});
	it('refuses what is not a count', () => {
		for (const bad of ['21d', '+d', '+1.5d', '+21', '+99999999d', '+21x', '', undefined])
			assert.throws(() => parseAmount(bad), CountError);
		assert.throws(() => run('us-federal', '2026-11-20', '+24h'), /needs a time/);
		assert.throws(
			() => run('us-federal', '2026-11-20', '+21d', { service: 'pigeon' }),
			/not a way of service/
		);
		assert.throws(
			() => run('us-agency', '2026-11-20', '+21d', { service: 'mail' }),
			/adds nothing for service/
		);
		assert.throws(() => run('us-federal', '2199-12-20', '+21d'), /leaves the years/);
	});
});

describe('the strip', () => {
	it('numbers the days of the count and of service, and folds a long middle', () => {
		const b = shippedBook('us-federal.ca-nd');
		const counted = run('us-federal.ca-nd', '2026-10-30', '+21d', { service: 'clerk' });
		const cells = strip(counted.trace, counted.date, b.calendar);
		const at = (day: string) => cells.find((cell) => 'role' in cell && cell.date === day);
		assert.deepEqual(
			{ ...at('2026-10-30') },
			{ date: '2026-10-30', weekday: 5, day: 30, closed: null, label: '0', role: 'zero' }
		);
		assert.equal((at('2026-11-20') as { label: string }).label, '21');
		assert.equal((at('2026-11-22') as { label: string }).label, '+2');
		assert.equal((at('2026-11-11') as { closed: string }).closed, 'Veterans Day');
		assert.equal((at('2026-11-23') as { role: string }).role, 'result');
		const long = run('us-federal', '2026-10-30', '+180d');
		const folded = strip(long.trace, long.date, b.calendar);
		assert.equal(folded.filter((cell) => 'fold' in cell).length, 1);
		assert.ok(folded.length <= 40);
	});
});
