/** Rows of the state courts and of England that hang on more than one day, by hand. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { plainDate } from '../dates/plain.ts';
import { shippedBook } from '../testing/books.ts';
import { propose } from './propose.ts';

const go = (
	book: string,
	event: string,
	day: string,
	answers: Record<string, string> = {},
	more: { service?: string; time?: string } = {}
) =>
	Object.fromEntries(
		propose(shippedBook(book), { event, date: plainDate(day), answers, ...more }).deadlines.map(
			(deadline) => [deadline.rule, deadline.date as string]
		)
	);

describe('rows that hang on more than one day', () => {
	it('count five days back from the day the answer is due, rolling back', () => {
		const item = go('us-ca-superior', 'service-of-summons-complete', '2026-10-30');
		assert.deepEqual(
			[item.answer, item['meet-and-confer-before-demurrer-or-motion-to-strike']],
			['2026-11-30', '2026-11-25']
		);
	});
	it('count removal from actual receipt by the federal calendar, which knows no Cesar Chavez Day', () => {
		assert.equal(
			go('us-ca-superior', 'service-of-summons-complete', '2026-03-05', { received: '2026-03-01' })[
				'notice-of-removal'
			],
			'2026-03-31'
		);
		assert.equal(
			go('us-ca-superior', 'service-of-summons-complete', '2026-03-01')['answer'],
			'2026-04-01'
		);
	});
	it('choose the summary judgment rule by the day of the hearing', () => {
		assert.equal(
			go('us-ca-superior', 'hearing-of-a-summary-judgment-motion', '2024-12-31')['opposition'],
			'2024-12-17'
		);
		assert.equal(
			go('us-ca-superior', 'hearing-of-a-summary-judgment-motion', '2025-01-02')['opposition'],
			'2024-12-13'
		);
	});
	it('take the later of the setting and of seventy days before trial', () => {
		assert.equal(
			go('us-ca-superior', 'initial-trial-date', '2027-03-15')['demand-for-expert-exchange'],
			'2027-01-04'
		);
		assert.equal(
			go('us-ca-superior', 'initial-trial-date', '2027-03-15', { 'set-on': '2027-01-14' })[
				'demand-for-expert-exchange'
			],
			'2027-01-25'
		);
		assert.throws(
			() => go('us-ca-superior', 'initial-trial-date', '2027-03-15', { 'set-on': '2027-04-01' }),
			/after the event itself/
		);
	});
	it('hold an appeal to 180 days from entry however late the notice came', () => {
		assert.equal(
			go('us-ca-superior', 'notice-of-entry-of-judgment-served', '2026-10-30', {
				entered: '2026-05-11'
			})['notice-of-appeal'],
			'2026-11-09'
		);
		assert.equal(
			go('us-ca-superior', 'notice-of-entry-of-judgment-served', '2026-10-30', {
				entered: '2026-10-20'
			})['notice-of-appeal'],
			'2026-12-29'
		);
	});
	it('put the jury fee on the day of the conference itself', () =>
		assert.equal(
			go('us-ca-superior', 'case-management-conference-initial', '2027-03-15')[
				'jury-fee-else-jury-waived'
			],
			'2027-03-15'
		));
	it('set an answer in Texas at ten on the Monday next after twenty days, past a holiday', () => {
		const at = (day: string) => {
			const proposal = propose(shippedBook('us-tx-district'), {
				event: 'citation-and-petition-served',
				date: plainDate(day),
				answers: {}
			}).deadlines.find((x) => x.rule === 'answer')!;
			return [proposal.date, proposal.time];
		};
		assert.deepEqual(at('2026-10-30'), ['2026-11-23', '10:00']);
		assert.deepEqual(at('2026-11-03'), ['2026-11-30', '10:00']); // the twentieth day is a Monday
		assert.deepEqual(at('2026-12-28'), ['2027-01-19', '10:00']); // the twentieth day is a Sunday, the Monday after is a holiday
	});
	it('end discovery nine months on, or thirty days before trial', () => {
		assert.equal(
			go('us-tx-district', 'initial-disclosures-due', '2026-03-02', { trial: '2026-12-07' })[
				'discovery-ends-level-2'
			],
			'2026-11-06'
		);
		assert.equal(
			go('us-tx-district', 'initial-disclosures-due', '2026-03-02')['discovery-ends-level-2'],
			'2026-12-02'
		);
	});
	it('refuse answers that contradict each other', () => {
		assert.throws(
			() =>
				go('us-ny-supreme', 'action-commenced', '2026-03-02', {
					short: 'no',
					'limitation-ends': '2026-05-01'
				}),
			/contradict/
		);
		assert.throws(
			() => go('us-ny-supreme', 'note-of-issue-filed', '2026-03-02', { 'set-day': '2026-05-01' }),
			/contradict/
		);
		assert.equal(
			go('us-ny-supreme', 'note-of-issue-filed', '2026-03-02', {
				less: 'yes',
				'set-day': '2026-05-02'
			})['serve-motion-for-summary-judgment'],
			'2026-05-02'
		);
	});
	it('raise reply papers in New York only where a 7-day answer is demanded', () => {
		assert.equal(
			go('us-ny-supreme', 'motion-return-date', '2027-01-25')['reply-papers'],
			undefined
		);
		assert.equal(
			go('us-ny-supreme', 'motion-return-date', '2027-01-25', { seven: 'yes' })['reply-papers'],
			'2027-01-22'
		);
	});
	it('deem a claim form served on the second business day whatever the way, and other papers by theirs', () => {
		for (const service of ['first-class-post', 'email', 'personal', 'claim-form'])
			assert.equal(
				go('gb-ew-cpr', 'claim-form-with-particulars-served', '2026-10-29', {}, { service })[
					'defence'
				],
				'2026-11-16',
				service
			);
		assert.equal(
			go(
				'gb-ew-cpr',
				'particulars-of-claim-served',
				'2026-11-13',
				{},
				{ service: 'email', time: '16:29' }
			)['defence'],
			'2026-11-27'
		);
		assert.equal(
			go(
				'gb-ew-cpr',
				'particulars-of-claim-served',
				'2026-11-13',
				{},
				{ service: 'email', time: '16:30' }
			)['defence'],
			'2026-11-30'
		);
		assert.throws(
			() => go('gb-ew-cpr', 'particulars-of-claim-served', '2026-11-13', {}, { service: 'email' }),
			/a time/
		);
	});
	it('leave service where it falls and say so, but move a filing on', () => {
		const proposal = propose(shippedBook('gb-ew-cpr'), {
			event: 'claim-form-served',
			date: plainDate('2026-12-11'),
			answers: {}
		}).deadlines[0]!;
		assert.equal(proposal.date, '2026-12-25');
		assert.ok(proposal.trace.some((step) => step.step === 'stays'));
		assert.equal(
			go('gb-ew-cpr', 'claim-form-with-particulars-served', '2026-12-11')[
				'acknowledgment-of-service'
			],
			'2026-12-29'
		);
	});
});
