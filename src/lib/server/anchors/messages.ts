/** What the mail with a head of the audit trail says. */
import { plural } from '#core/format/words.ts';
import type { Message } from '#server/mail/queue.ts';
import type { Anchor } from './file.ts';

/** @param day as people read it */
export const headOfTrail = ({ entries, head }: Anchor, day: string): Message => ({
	subject: `Head of the audit trail, ${day}`,
	text: [
		`The audit trail has ${plural(entries, 'entry', 'entries')} this morning. The hash of the last one:`,
		head,
		'Keep this mail. Whoever looks after the server can check any day that the trail still holds this entry:',
		`npm run audit -- --head ${head}`
	].join('\n\n')
});
