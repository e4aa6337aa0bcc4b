/** An inaccessible clerk's office: what it moves, and that it gives nobody time inside a count. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { fromDay } from '../dates/plain.ts';
import { is, office } from '../testing/counting.ts';
import { shippedBook } from '../testing/books.ts';
import { count } from './count.ts';

describe('an inaccessible office', () => {
	it('gives nobody time inside a count of court days forwards', () => {
		// Fri 4 Dec: fourteen days with 7 Dec among them end on Thu 24 Dec.
		const closures = office('2026-12-07');
		is('us-federal.ca-nd', '2026-12-04', '+14cd', '2026-12-24', { closures });
		is('us-federal.ca-nd', '2026-12-04', '+14cd', '2026-12-24', { closures, act: 'serve' });
		// Two court days of service are counted the same way: from Mon 21 Dec, 22 and 23 Dec.
		const inside = { closures: office('2026-12-22'), service: 'electronic' };
		is('us-ca-superior', '2026-11-20', '+31d', '2026-12-23', { ...inside, act: 'serve' });
	});
	it('is left out of a count of court days backwards, for a filing', () => {
		// Mon 21 Dec: five days back are 18, 17, 16, 15, 14; without the 16th the fifth is Fri 11.
		const closures = office('2026-12-16');
		is('us-federal.ca-nd', '2026-12-21', '-5cd', '2026-12-11', { closures });
		is('us-federal.ca-nd', '2026-12-21', '-5cd', '2026-12-14', { closures, act: 'serve' });
	});
	it('is a holiday for acts at the office in California', () => {
		const closures = office('2026-12-07');
		is('us-ca-superior', '2026-12-04', '+5cd', '2026-12-14', { closures });
		is('us-ca-superior', '2026-12-04', '+5cd', '2026-12-11', { closures, act: 'serve' });
	});
	it('moves a filing of which it is the very last day, after any service', () => {
		const closures = office('2026-12-11');
		is('us-federal.ca-nd', '2026-12-04', '+5cd', '2026-12-14', { closures });
		is('us-federal.ca-nd', '2026-11-20', '+21d', '2026-12-14', { closures });
		is('us-federal.ca-nd', '2026-11-20', '+21d', '2026-12-14', { closures, service: 'mail' });
		is('us-federal.ca-nd', '2026-11-20', '+21d', '2026-12-11', { closures, act: 'serve' });
	});
	it('agrees with a walk day by day', () => {
		fc.assert(
			fc.property(
				fc.constantFrom('us-federal.ca-nd', 'us-ca-superior', 'us-tx-district', 'us-ny-supreme'),
				fc.integer({ min: 18_000, max: 24_000 }),
				fc.integer({ min: 6, max: 30 }),
				fc.constantFrom(1 as const, -1 as const),
				fc.boolean(),
				fc.integer({ min: 1, max: 45 }),
				(id, from, n, sign, files, away) => {
					const book = shippedBook(id);
					const shut = from + sign * away;
					const open = (day: number, skips: boolean) =>
						book.calendar.holiday(day, sign) === undefined && !(skips && day === shut);
					const skips = files && (sign === -1 || id === 'us-ca-superior');
					let day: number = from;
					for (let left = n; left > 0;) {
						day += sign;
						if (open(day, skips)) left--;
					}
					while (!open(day, files)) day += sign;
					const { date } = count(book.method, book.calendar.with(office(fromDay(shut))), {
						from: fromDay(from),
						amount: { sign, n, unit: 'cd' },
						act: files ? 'file' : 'serve'
					});
					assert.equal(date, fromDay(day));
				}
			)
		);
	});
});
