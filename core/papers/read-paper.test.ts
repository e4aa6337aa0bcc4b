import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { findCaseNumbers, listLikelyEvents } from './read-paper.ts';

const numbers = ['3:26-cv-01234', '26-1234', 'CGC-26-612345', '42'].map((number) => ({ number }));

describe('the case a paper belongs to', () => {
	it('is found by its number, however the court writes it', () => {
		for (const text of ['Case No. 3:26-cv-01234-JD', 'CASE 3:26-CV-01234', 'Nr 3:26 cv 01234'])
			assert.equal(findCaseNumbers(text, numbers)[0]?.number, '3:26-cv-01234');
		assert.equal(findCaseNumbers('No. CGC 26 612345', numbers)[0]?.number, 'CGC-26-612345');
	});
	it('is not found by a number too short to tell', () => {
		assert.deepEqual(findCaseNumbers('page 42 of 42', numbers), []);
		assert.deepEqual(findCaseNumbers('', numbers), []);
	});
});

describe('what a paper looks like', () => {
	const events = [
		'Complaint filed',
		'Interrogatories served',
		'Request for production served',
		'Request for admission served',
		'Notice of motion filed',
		'Summons and complaint served on a defendant'
	].map((text) => ({ text }));
	const first = (text: string) => listLikelyEvents(text, events)[0]?.text;

	it('is the event most of whose words its head has', () => {
		assert.equal(
			first("DEFENDANT'S FIRST SET OF INTERROGATORIES, served November 20, 2026"),
			'Interrogatories served'
		);
		assert.equal(
			first('PLAINTIFF SERVES THIS REQUEST FOR PRODUCTION OF DOCUMENTS, SET ONE. Proof: served'),
			'Request for production served'
		);
		assert.equal(
			first('SUMMONS. You have been sued. The complaint is served on you, the defendant.'),
			'Summons and complaint served on a defendant'
		);
	});
	it('is nothing where nothing fits, and never more than asked', () => {
		assert.deepEqual(listLikelyEvents('Lunch menu', events), []);
		assert.ok(
			listLikelyEvents('request served notice motion filed complaint', events, 2).length <= 2
		);
	});
});
