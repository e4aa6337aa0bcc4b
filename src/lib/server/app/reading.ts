/**
 * Reading for a page that may take long in a large department: it is done in a worker, with a
 * connection that only reads, so that whoever asks something else meanwhile does not wait for it.
 */
import type { PlainDate } from '#core/dates/plain.ts';
import type { Application, Reader, Staff } from './application.ts';
import { task } from './task.ts';

/** The department's clock at the moment of asking. */
type Moment = { today: PlainDate; now: string; zone: string };
type Asked<Args> = { moment: Moment; me: Staff; args: Args };
type Read<Args, Value> = (reader: Reader, me: Staff, args: Args) => Value;

const momentOf = ({ clock }: Application): Moment => ({
	today: clock.today(),
	now: clock.now(),
	zone: clock.zone
});

/**
 * Declares a reading.
 * @param load imports what reads, when it is first asked for
 * @returns asks for it as a member of staff; @throws Refused where it takes too long
 */
export function reading<Args, Value>(
	name: string,
	load: () => Promise<Read<Args, Value>>
): (app: Application, me: Staff, args: Args) => Promise<Value> {
	const declared = task<Asked<Args>, Value>({
		name,
		lane: 'pages',
		seconds: 30,
		tooMuch: 'This page takes too long to put together. Narrow it, or try again.',
		async run({ moment: { today, now, zone }, me, args }, { db }) {
			const clock = { today: () => today, now: () => now, zone };
			return (await load())({ db, clock }, me, args);
		}
	});
	return (app, me, args) => app.work.run(declared, { moment: momentOf(app), me, args });
}
