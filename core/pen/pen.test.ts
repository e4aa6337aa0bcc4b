import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { may, ROLES, sees } from '../access/table.ts';
import type { PlainDate } from '../dates/plain.ts';
import { parseHours, formatClock, formatHours } from '../format/hours.ts';
import { foldName, formatInitials } from '../people/names.ts';
import { roundState, signersInTurn } from '../signing/round.ts';
import { listMissing, formatValue, type Tag } from '../templates/merge.ts';
import { parseCountLine } from './count-line.ts';
import { parseLine } from './parse.ts';

describe('the pen line', () => {
	it('logs time', () => {
		assert.deepEqual(parseLine('0.4 LF-2026-0031 call with opposing counsel'), {
			kind: 'time',
			minutes: 24,
			matter: 'LF-2026-0031',
			words: 'call with opposing counsel',
			fault: null
		});
		assert.deepEqual(parseLine('1:30 call lf-2026-0031 twice'), {
			kind: 'time',
			minutes: 90,
			matter: 'LF-2026-0031',
			words: 'call twice',
			fault: null
		});
	});
	it('says what is wrong with a line of time', () => {
		const fault = (text: string, current: string | null = null) => {
			const understood = parseLine(text, current);
			return understood.kind === 'time' ? understood.fault : understood.kind;
		};
		assert.match(fault('0.4 call')!, /Name a matter/);
		for (const alone of ['0.4', '1:30', '20m']) assert.match(fault(alone)!, /Name a matter/);
		assert.equal(fault('2026'), 'find');
		assert.match(fault('0.4', 'LF-2026-0031')!, /what was done/);
		assert.equal(fault('0.4 call', 'LF-2026-0001'), null);
		assert.match(fault('0.4 LF-2026-0031')!, /what was done/);
		assert.match(fault('-0.4 LF-2026-0031 call')!, /negative/);
		assert.match(fault('26 LF-2026-0031 call')!, /24 hours/);
	});
	it('takes notes, goes, opens and finds', () => {
		assert.deepEqual(parseLine('note LF-2026-0031 spoke to the insurer'), {
			kind: 'note',
			matter: 'LF-2026-0031',
			words: 'spoke to the insurer',
			fault: null
		});
		assert.deepEqual(parseLine('go costs'), { kind: 'go', place: '/costs' });
		assert.deepEqual(parseLine('open a matter Ramp repair'), {
			kind: 'open',
			words: 'Ramp repair'
		});
		assert.deepEqual(parseLine('  Müller   hull '), { kind: 'find', words: 'Müller hull' });
		assert.deepEqual(parseLine(' '), { kind: 'empty' });
	});
});

const COURTS = [
	{
		id: 'us-federal',
		words: 'us federal Federal courts civil',
		services: [{ id: 'mail', words: 'mail by mail' }]
	},
	{
		id: 'us-federal.ca-nd',
		words: 'us federal ca nd Northern District of California',
		services: [{ id: 'mail', words: 'mail by mail' }]
	},
	{
		id: 'us-ca-superior',
		words: 'us ca superior California Superior Court civil',
		services: [
			{ id: 'electronic', words: 'electronic electronically' },
			{ id: 'mail-in-state', words: 'mail in state by mail within California' }
		]
	},
	{
		id: 'us-ny-supreme',
		words: 'us ny supreme New York Supreme Court',
		services: [{ id: 'overnight', words: 'overnight by overnight delivery' }]
	}
];
const MONDAY = '2026-11-23' as PlainDate;
describe('a line that counts', () => {
	const read = (line: string) => {
		const understood = parseLine(line);
		assert.equal(understood.kind, 'count', line);
		return parseCountLine((understood as { words: string }).words.split(' '), COURTS, MONDAY);
	};
	it('takes days, the day they run from, the court and the service', () => {
		assert.deepEqual(read('count 30d from Friday ca superior electronic'), {
			amount: '+30d',
			from: '2026-11-20',
			court: 'us-ca-superior',
			service: 'electronic',
			fault: null
		});
		assert.deepEqual(read('count 16cd before 25 Jan 2027 california superior by mail'), {
			amount: '-16cd',
			from: '2027-01-25',
			court: 'us-ca-superior',
			service: 'mail-in-state',
			fault: null
		});
		assert.deepEqual(read('count 21 days from 2026-11-02 federal'), {
			amount: '+21d',
			from: '2026-11-02',
			court: 'us-federal',
			service: null,
			fault: null
		});
		assert.deepEqual(read('count 9 court days before 1 Dec new york'), {
			amount: '-9cd',
			from: '2026-12-01',
			court: 'us-ny-supreme',
			service: null,
			fault: null
		});
		assert.equal(read('count 14d northern district of california').court, 'us-federal.ca-nd');
	});
	it('says what is missing or unknown', () => {
		assert.match(read('count 30d from Friday').fault!, /Name the court/);
		assert.match(read('count 30d from Friday mars superior').fault!, /No court/);
		assert.match(
			read('count 30d from Friday ca superior pigeon').fault!,
			/No court and way of service/
		);
		assert.equal(parseLine('count the boxes').kind, 'find');
	});
});
describe('hours', () => {
	it('are read in tenths, clock and minutes', () => {
		for (const [text, minutes] of [
			['0.4', 24],
			['.5', 30],
			['1:30', 90],
			['45m', 45],
			['1h 20m', 80],
			['24', 1440]
		] as const)
			assert.deepEqual(parseHours(text), { minutes });
		for (const bad of ['', 'abc', '-1', '0', '26', '1:75', '0.001'])
			assert.ok('error' in parseHours(bad), bad);
		assert.equal(formatHours(24), '0.4');
		assert.equal(formatHours(75), '1.25');
		assert.equal(formatClock(2_530_000), '0:42:10');
	});
});

describe('access', () => {
	it('lets a business partner see no matter at all', () => {
		assert.equal(may('business-partner', 'matter.read'), false);
		assert.equal(may('business-partner', 'sign.own'), true);
		assert.deepEqual(
			ROLES.filter((item) => may(item, 'cost.run')),
			['legal-operations', 'administrator']
		);
	});
	it('hides a restricted matter from everyone outside it, an administrator too', () => {
		const item = { restricted: true, responsible: 'a', members: ['b'] };
		const who = (id: string, role: (typeof ROLES)[number]) => sees(item, { id, role });
		assert.deepEqual(
			[
				who('a', 'counsel'),
				who('b', 'paralegal'),
				who('c', 'administrator'),
				who('b', 'business-partner')
			],
			[true, true, false, false]
		);
		assert.equal(sees({ ...item, restricted: false }, { id: 'c', role: 'counsel' }), true);
	});
});

describe('assembly', () => {
	const tag = (
		name: string,
		kind: Tag['kind'] = 'value',
		inside: Tag[] = [],
		inverted = false
	): Tag => ({ name, kind, inside, inverted });
	const data = {
		matter: { title: 'Fall', openedOn: '2026-07-28' },
		parties: [{ name: 'Ann' }, { name: '' }],
		litigation: true
	};
	it('formats values', () => {
		assert.equal(formatValue([data], 'matter.openedOn | date'), '28 July 2026');
		assert.equal(formatValue([{ total: 123_450 }], 'total | money'), '1,234.50');
		assert.equal(formatValue([data], 'matter.none'), undefined);
		assert.throws(() => formatValue([data], 'matter.title | shout'), /no format/);
	});
	it('asks only for what is missing, and only in parts that apply', () => {
		assert.deepEqual(
			listMissing(
				[
					tag('matter.title'),
					tag('reference'),
					tag('reference'),
					tag('litigation', 'part', [tag('court')]),
					tag('lease', 'part', [tag('rent')]),
					tag('parties', 'part', [tag('name')])
				],
				data
			),
			['reference', 'court', 'name']
		);
		assert.deepEqual(listMissing([tag('lease', 'part', [tag('why')], true)], data), ['why']);
	});
});

describe('a signing round', () => {
	const signers = (...params: ['waiting' | 'signed' | 'declined', number][]) =>
		params.map(([state, position], i) => ({ id: String(i), state, position }));
	const round = (item: ReturnType<typeof signers>, over = {}) => ({
		withdrawn: false,
		expires: null,
		inOrder: true,
		signers: item,
		...over
	});
	it('goes in order, and ends', () => {
		assert.deepEqual(
			signersInTurn(
				round(signers(['signed', 1], ['waiting', 2], ['waiting', 2], ['waiting', 3])),
				'2026-11-23'
			).map((signer) => signer.id),
			['1', '2']
		);
		assert.equal(
			signersInTurn(
				round(signers(['waiting', 1], ['waiting', 2]), { inOrder: false }),
				'2026-11-23'
			).length,
			2
		);
		assert.equal(roundState(round(signers(['signed', 1])), '2026-11-23'), 'finished');
		assert.equal(
			roundState(round(signers(['signed', 1], ['declined', 2])), '2026-11-23'),
			'declined'
		);
		assert.equal(
			roundState(round(signers(['waiting', 1]), { withdrawn: true }), '2026-11-23'),
			'withdrawn'
		);
		assert.equal(
			roundState(round(signers(['waiting', 1]), { expires: '2026-11-22' }), '2026-11-23'),
			'expired'
		);
		assert.deepEqual(
			signersInTurn(round(signers(['waiting', 1]), { withdrawn: true }), '2026-11-23'),
			[]
		);
	});
});

describe('names', () => {
	it('fold case, accents and punctuation', () => {
		assert.equal(foldName('  Müller-Łukasz, Ltd. '), 'muller lukasz ltd');
		assert.equal(formatInitials('Ines Okafor'), 'IO');
		assert.equal(formatInitials('Ana Maria de Sousa'), 'AS');
	});
});
