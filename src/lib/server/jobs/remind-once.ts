/** For the test that kills it: one pass of the reminders over a database, and the mail into its Post room. */
import { makeClock } from '../command.ts';
import { openDb } from '../db/open.ts';
import { fileStore } from '../trust/files.ts';
import { mailTo, sendWaiting, startPostRoom } from '../outside/mail.ts';
import { remind } from './reminders.ts';

const [file, today, folder] = process.argv.slice(2) as [string, string, string];
const w = {
	db: openDb(file),
	clock: makeClock('America/Los_Angeles', today),
	files: fileStore(folder),
	origin: 'http://localhost',
	seal: () => Promise.reject(new Error('no seal here'))
};
const room = await startPostRoom(w);
process.stdout.write('ready\n');
remind(w);
const transport = mailTo(room.url);
while ((await sendWaiting(w, transport, 'Kite Pen <legal@larkhaven.example>')) > 0);
process.exit(0);
