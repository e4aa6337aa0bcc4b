/** The stage of the demo: an application whose clock can be set, its people, and what was made. */
import type { PlainDate } from '#core/dates/plain.ts';
import { dayAt } from '#core/dates/zone.ts';
import type { Application, Context, Staff } from '#server/app/application.ts';
import { makeClock } from '#server/app/clock.ts';
import type { Result } from '#server/app/errors.ts';
import { openApplication } from '#server/open.ts';
import { readSettings } from '#server/settings.ts';
import { Chance } from './chance.ts';
import { initialsOf, PEOPLE } from './house.ts';
import type { Story } from './story.ts';

export type Made = {
	id: string;
	number: string;
	title: string;
	kind: string;
	lawyer: string;
	team: string[];
	from: PlainDate;
	/** The day before which it was still open. */
	until: PlainDate | null;
	restricted: boolean;
	work: readonly (readonly [narrative: string, activity: string])[];
	story: Story | null;
};

const DAY_SECONDS = 20_000;
/** What is done today was done within the last hour. */
const LAST_HOUR_MS = 3_600_000;

export class Scene {
	readonly app: Application;
	readonly today: PlainDate;
	readonly rnd = new Chance(20261123);
	readonly matters: Made[] = [];
	/** Ids of cards by their names. */
	readonly cards = new Map<string, string>();
	readonly #real: ReturnType<typeof makeClock>;
	readonly #staff: ReadonlyMap<string, Staff>;
	#day: PlainDate;
	#tick = 0;

	constructor() {
		const settings = readSettings(process.env);
		this.#real = makeClock(settings.zone, settings.today);
		this.today = this.#real.today();
		this.#day = this.today;
		const clock = { zone: settings.zone, today: () => this.#day, now: () => this.#now() };
		this.app = openApplication(settings, { clock });
		this.app.db.pragma('synchronous = OFF');
		this.#staff = new Map(
			PEOPLE.map((person): [string, Staff] => [
				person.login,
				{
					...person,
					id: `stf_${person.login}`,
					initials: initialsOf(person.name),
					email: `${person.login}@larkhaven.example`
				}
			])
		);
	}

	/** Seconds that go on from nine in the morning; of today, none that has not come yet. */
	#now(): string {
		const second = this.#tick++ % DAY_SECONDS;
		if (this.#day !== this.today) {
			const [year, month, day] = this.#day.split('-').map(Number) as [number, number, number];
			return new Date(Date.UTC(year, month - 1, day, 17, 0, second)).toISOString();
		}
		const real = Date.parse(this.#real.now());
		const ago = LAST_HOUR_MS - (second % (LAST_HOUR_MS / 1000)) * 1000;
		const instant = new Date(real - ago).toISOString();
		// Just after midnight the last hour was yesterday's.
		return dayAt(instant, this.#real.zone) === this.today ? instant : this.#real.now();
	}

	/** An instant before now. */
	minutesAgo = (minutes: number): string =>
		new Date(Date.parse(this.#real.now()) - minutes * 60_000).toISOString();

	get day(): PlainDate {
		return this.#day;
	}
	at = (day: PlainDate): void => {
		this.#day = day;
	};
	staff = (login: string): Staff => {
		const found = this.#staff.get(login);
		if (!found) throw new Error(`nobody is called ${login}`);
		return found;
	};
	as = (login: string): Context => ({ ...this.app, actor: { staff: this.staff(login) } });
	done = <Value>(result: Result<Value>): Value => {
		if (!result.ok) throw new Error(`${JSON.stringify(result.errors)} on ${this.#day}`);
		return result.value;
	};
	matter = (title: string): Made => {
		const found = this.matters.find((made) => made.title === title);
		if (!found) throw new Error(`no matter is called ${title}`);
		return found;
	};
	card = (name: string): string => {
		const found = this.cards.get(name);
		if (!found) throw new Error(`no card is called ${name}`);
		return found;
	};
}
