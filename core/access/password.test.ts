import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { findPasswordFault } from './password.ts';

const OWN = ['okafor', 'Ines Okafor', 'Larkhaven Ferries'];

describe('a new password', () => {
	it('is refused where it is short, a run, common, or one own name', () => {
		for (const [password, fault] of [
			['short', /fewer than 12/],
			['x'.repeat(201), /more than 200/],
			['aaaaaaaaaaaaaa', /run/],
			['abcabcabcabc', /run/],
			['123456789012', /run/],
			['poiuytrewqpoiuytrewq'.slice(0, 10) + 'as', undefined],
			['qwertyuiopas', /run/],
			['P@ssw0rd2026!!', /first/],
			['Welcome12345!', /first/],
			['correcthorsebatterystaple', /first/],
			['InesOkafor2026', /your name/],
			['larkhavenferries1', /your name/]
		] as const) {
			const found = findPasswordFault(password, OWN);
			if (fault) assert.match(found ?? '', fault, password);
			else assert.equal(found, undefined, password);
		}
	});
	it('may be several words, in any letters', () => {
		for (const password of ['tide table under oath', 'Прилив у причала 9', 'x7!kQ-39dm2Lp'])
			assert.equal(findPasswordFault(password, OWN), undefined, password);
	});
});
