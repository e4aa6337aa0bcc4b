import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { describePeople, formatHolder } from './people.ts';

describe('whose a date is', () => {
	const here = { responsible: 'TW', standIn: 'SR', holder: 'TW' };
	it('is its responsible person, while they are here', () => {
		assert.equal(formatHolder(here), 'TW');
		assert.equal(describePeople(here), 'held by TW, SR stands in');
		assert.equal(describePeople({ ...here, standIn: null }), 'held by TW');
	});
	it('is the stand-in for the one who is away', () => {
		const away = { ...here, holder: 'SR' };
		assert.equal(formatHolder(away), 'SR for TW');
		assert.equal(describePeople(away), 'held by SR while TW is away');
	});
});
