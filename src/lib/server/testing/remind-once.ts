/**
 * A process that sends reminders and mail until it is killed: for the test that nothing is told
 * twice.
 */
import { workInline } from '#server/app/task.ts';
import { makeClock } from '#server/app/clock.ts';
import { openDb } from '#server/db/open.ts';
import { fileStore } from '#server/files/store.ts';
import { startPostRoom } from '#server/mail/post-room.ts';
import { openTransport, sendWaiting } from '#server/mail/send.ts';
import { sendReminders } from '#server/reminders/send.ts';

const [file = '', today, folder = ''] = process.argv.slice(2);
const clock = makeClock('America/Los_Angeles', today);
const db = openDb(file, () => clock.today());
const app = {
	db,
	clock,
	files: fileStore(folder),
	origin: 'http://localhost',
	vaultKey: () => Buffer.alloc(32),
	seal: () => Promise.reject(new Error('no seal here')),
	work: workInline(() => db),
	wake: () => undefined
};
const room = await startPostRoom(app);
process.stdout.write('ready\n');
await sendReminders(app);
const transport = await openTransport(room.url);
const FROM = 'Kite Pen <legal@larkhaven.example>';
while ((await sendWaiting(app, transport, FROM)).worked > 0);
process.exit(0);
