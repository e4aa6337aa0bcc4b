/**
 * The demo scenario: Larkhaven Ferries. Everything is made up. Made through the same commands as
 * everything else, with a clock that moves.
 */
import { addDays } from '#core/dates/plain.ts';
import { run } from '#server/db/sql.ts';
import { writeNote } from '#server/logbook/commands.ts';
import { startTimer } from '#server/time/timers.ts';
import { fillCalendars } from './calendar.ts';
import { makeCards } from './cast.ts';
import { enterDates } from './dates.ts';
import { setTasks } from './tasks.ts';
import { addDocketDepth } from './docket.ts';
import { tellStory } from './file.ts';
import { makeHouse } from './house.ts';
import { addIncidentClock } from './incident.ts';
import { writeLetters } from './letters.ts';
import { addMarks } from './marks.ts';
import { addRequestsAndTrials } from './more.ts';
import { describeStory, openStory } from './open.ts';
import { addPapers } from './papers.ts';
import { closePast, listPast } from './past.ts';
import { startRounds } from './rounds.ts';
import { Scene } from './scene.ts';
import { addStanding } from './standing.ts';
import { STORIES } from './stories/index.ts';
import { logThisMonth, logThreeYears } from './time.ts';
import { relate } from './trial.ts';

const scene = new Scene();
const { app, as, done, today } = scene;
await makeHouse(app, true);
const { humans, orgs } = await makeCards(scene);

// Matters, oldest first.
const openings = [
	...listPast(scene),
	...STORIES.filter(({ elsewhere }) => !elsewhere).map((story) => ({
		age: story.age,
		open: () => openStory(scene, story)
	}))
];
for (const { open } of openings.sort((one, other) => other.age - one.age)) await open();
for (const story of STORIES) if (!story.elsewhere) describeStory(scene, story);
await logThreeYears(scene);
closePast(scene);
const dates = enterDates(scene);
setTasks(scene, dates);

await addRequestsAndTrials({ scene, humans, orgs });
await addDocketDepth(scene);
relate(scene);
for (const story of STORIES) {
	const isThere = scene.matters.some(({ title }) => title === story.title);
	const made = isThere ? scene.matter(story.title) : await openStory(scene, story);
	made.story = story;
	made.work = story.work;
	if (story.elsewhere) describeStory(scene, story);
	await tellStory(scene, story);
	if (story.elsewhere) logThisMonth(scene, made);
}
addIncidentClock(scene);
await writeLetters(scene);
await startRounds(scene);
await addPapers(scene);
addMarks(scene);
addStanding(scene);
await fillCalendars(scene);
askAboutTheForm();

// Old mail has long been read; the last days' waits for the Post room.
run(app.db, 'DELETE FROM mail_out WHERE queued_at < @queuedAt', {
	queuedAt: `${addDays(today, -6)}T00:00:00.000Z`
});
scene.at(today);
const timed = as('okafor');
done(
	startTimer(
		{ ...timed, clock: { ...timed.clock, now: () => scene.minutesAgo(42) } },
		{ matterId: scene.matter('Pier 9 passenger fall').id, words: 'Answer, second draft' }
	)
);
app.db.pragma('synchronous = FULL');
app.db.exec('ANALYZE');
app.db.close();

/** A question in the logbook that was answered, and what came of it. */
function askAboutTheForm(): void {
	const { id: matterId } = scene.matter('Pier 9 passenger fall');
	const other = scene.matter('Season ticket class action').number;
	scene.at(addDays(today, -3));
	const asked = done(
		writeNote(as('castellan'), {
			matterId,
			words:
				'@Ines Okafor do we want the joint report under the standing order or the local form? #schedule',
			asks: true
		})
	);
	done(
		writeNote(as('abernathy'), {
			matterId,
			words: 'The custodians are listed: eleven people, two shared mailboxes. #evidence'
		})
	);
	scene.at(addDays(today, -2));
	done(
		writeNote(as('wardle'), {
			matterId,
			words: `The standing order has its own form; I used it last month in ${other}.`,
			answers: asked.logId
		})
	);
	done(
		writeNote(as('okafor'), {
			matterId,
			words:
				'The handrail was replaced on the day after; the old one is at Yard 3, tagged. #evidence'
		})
	);
}
