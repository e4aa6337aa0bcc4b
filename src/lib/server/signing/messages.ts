/** What mail about signing says. */
import type { PlainDate } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import type { Message } from '#server/mail/queue.ts';

type Round = { title: string; message: string; wanted_by: PlainDate | null };
/** @param guest somebody outside, whose path is a secret of theirs */
export function pleaseSign(
	round: Round,
	signer: { name: string; path: string; guest: boolean },
	from: string
): Message {
	const wanted = round.wanted_by ? ` It is wanted by ${formatDate(round.wanted_by)}.` : '';
	const paragraphs = [
		`${signer.name},`,
		`${from} asks you to sign “${round.title}”.${wanted}`,
		round.message,
		signer.guest
			? 'Open it at the address below; you need no account. The link is yours alone: do not pass it on.'
			: 'Open it here:'
	];
	return {
		subject: `Please sign: ${round.title}`,
		text: paragraphs.filter(Boolean).join('\n\n'),
		path: signer.path
	};
}

export const signingDeclined = (title: string, signer: string, reason: string): Message => ({
	subject: `Declined: ${title}`,
	text: `${signer} declined to sign: ${reason}`
});

export const roundWithdrawn = (title: string, by: string): Message => ({
	subject: `No longer needed: ${title}`,
	text: `${by} withdrew this document. There is nothing left to sign.`
});

export const everyoneSigned = (title: string): Message => ({
	subject: `Signed: ${title}`,
	text: `Everyone has signed “${title}”. Your copy is attached; its last page is the certificate.`
});
