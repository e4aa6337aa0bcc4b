/** A mail that was sent keeps its words and not the secret of its link. */
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { all } from '#server/db/sql.ts';
import { startPostRoom } from '#server/mail/post-room.ts';
import { testHouse } from '#server/testing/house.ts';
import { queueMail } from './queue.ts';
import { openTransport, sendWaiting } from './send.ts';

it('a signing link is readable in the queue only until it is sent', async () => {
	const house = await testHouse();
	queueMail(house.as('okafor'), {
		matterId: null,
		to: { name: 'Ana Prior', email: 'ana@prior.example' },
		message: { subject: 'To sign', text: 'Please sign.', path: '/sign/abc_DEF-123' }
	});
	const queued = () =>
		all<{ text: string }>(house.db, "SELECT text FROM mail_out WHERE subject = 'To sign'")[0]!.text;
	assert.match(queued(), /\/sign\/abc_DEF-123/);
	const room = await startPostRoom(house);
	const transport = await openTransport(room.url);
	try {
		assert.ok((await sendWaiting(house, transport, 'Legal <legal@larkhaven.example>')).worked >= 1);
	} finally {
		transport.close();
		await room.close();
	}
	assert.match(queued(), /Please sign\.[^]*\/sign\/…/);
	assert.doesNotMatch(queued(), /abc_DEF/);
	const [received] = all<{ text: string }>(
		house.db,
		"SELECT text FROM post WHERE subject = 'To sign'"
	);
	assert.match(received!.text, /\/sign\/abc_DEF-123/, 'who it was sent to has it');
});
