import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { filePath, matchFiles } from './paths.ts';

describe('a path that an index names', () => {
	it('is the same from any system and at any case', () => {
		assert.equal(filePath(' .\\Pleadings\\Complaint.PDF '), 'pleadings/complaint.pdf');
		assert.equal(filePath('/Pleadings/Complaint.pdf'), 'pleadings/complaint.pdf');
		assert.equal(filePath('Caf\u0065\u0301.txt'), filePath('Caf\u00e9.txt'));
	});

	it('is found inside the chosen folder, or beginning with its name', () => {
		const given = ['Old/Pleadings/Complaint.pdf', 'Old/Letter.docx'];
		assert.deepEqual(
			[...matchFiles(['pleadings/complaint.pdf', 'old/letter.docx', 'gone.pdf'], given)],
			[
				['pleadings/complaint.pdf', 'Old/Pleadings/Complaint.pdf'],
				['old/letter.docx', 'Old/Letter.docx']
			]
		);
	});

	it('by its name alone only where one file has it', () => {
		const given = ['Old/2024/Letter.pdf', 'Old/2025/Letter.pdf', 'Old/2025/Order.pdf'];
		assert.deepEqual(
			[...matchFiles(['letter.pdf', 'order.pdf'], given)],
			[['order.pdf', 'Old/2025/Order.pdf']]
		);
	});

	it('does not take a file of another folder for one of its own', () => {
		assert.equal(matchFiles(['2024/letter.pdf'], ['Old/2025/Letter.pdf']).size, 0);
	});
});
