import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { clockAt, dayAt, timeAt } from './zone.ts';

/** The clock by another road: a text of the language's own, taken apart. */
function writtenClock(instant: number, zone: string): string {
	return new Intl.DateTimeFormat('sv-SE', {
		timeZone: zone,
		dateStyle: 'short',
		timeStyle: 'short'
	}).format(instant);
}
const clockText = (instant: number, zone: string): string => {
	const { date, minutes } = clockAt(instant, zone);
	const two = (figure: number) => String(figure).padStart(2, '0');
	return `${date} ${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
};
const ZONES = Intl.supportedValuesOf('timeZone');
const span = { min: Date.UTC(1950, 0, 1), max: Date.UTC(2060, 0, 1) };

describe('the clock of a zone', () => {
	it('says what the language says, in every zone, at any instant', () => {
		fc.assert(
			fc.property(fc.constantFrom(...ZONES), fc.integer(span), (zone, instant) => {
				assert.equal(clockText(instant, zone), writtenClock(instant, zone));
			}),
			{ numRuns: 3000 }
		);
	});

	it('says so minute by minute on days on which clocks are set', () => {
		const days: [zone: string, day: string][] = [
			['America/New_York', '2026-03-08'],
			['America/New_York', '2026-11-01'],
			['Europe/London', '2026-10-25'],
			['Australia/Lord_Howe', '2026-04-04'],
			['Pacific/Apia', '2011-12-30'],
			['Asia/Kathmandu', '1985-12-31']
		];
		for (const [zone, day] of days)
			for (let minute = -1440; minute < 2880; minute++) {
				const instant = Date.parse(`${day}T00:00:00.000Z`) + minute * 60_000;
				assert.equal(clockText(instant, zone), writtenClock(instant, zone), `${zone} ${instant}`);
			}
	});

	it('is of the day before, in the evening of UTC', () => {
		assert.equal(dayAt('2026-11-24T03:30:00.000Z', 'America/New_York'), '2026-11-23');
		assert.equal(timeAt('2026-11-24T03:30:00.000Z', 'America/New_York'), '22:30');
	});
});
