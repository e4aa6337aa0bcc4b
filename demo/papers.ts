/** Papers that came in and wait: one whose matter is known by its number, one without a matter. */
import { addDays } from '#core/dates/plain.ts';
import { formatDate } from '#core/format/dates.ts';
import { one } from '#server/db/sql.ts';
import { makePdf } from '#server/files/pdf.ts';
import { receivePapers } from '#server/papers/commands.ts';
import type { Scene } from './scene.ts';

type Caption = { court: string; number: string; title: string };
const makePaper = async (name: string, caption: Caption, lines: readonly string[]) => {
	const pdf = await makePdf({
		info: { title: name },
		content: [
			{ text: caption.court.toUpperCase(), alignment: 'center', margin: [0, 0, 0, 24] },
			{ text: caption.title, margin: [0, 0, 0, 4] },
			{ text: `Case No. ${caption.number}`, margin: [0, 0, 0, 24] },
			{ text: name.toUpperCase(), bold: true, alignment: 'center', margin: [0, 0, 0, 16] },
			...lines.map((text) => ({ text, margin: [0, 0, 0, 10] as [number, number, number, number] }))
		]
	});
	return new File([new Uint8Array(pdf)], `${name}.pdf`);
};

export async function addPapers({ as, done, at, app: world, today }: Scene): Promise<void> {
	const caption = one<Caption>(
		world.db,
		`SELECT c.value AS court, n.value AS number, m.title
		FROM matter m
		JOIN matter_fact c ON c.matter_id = m.id AND c.fact = 'court' AND c.row = 0
		JOIN matter_fact n ON n.matter_id = m.id AND n.fact = 'case-number' AND n.row = 0
		WHERE m.title = 'Turnstile patent'`
	);
	const served = formatDate(addDays(today, -3));
	const set = "Plaintiff's second set of interrogatories";
	at(addDays(today, -3));
	const known = await makePaper(set, caption, [
		'Propounding party: plaintiff. Responding party: Larkhaven Ferries. Set number: two.',
		'These interrogatories are answered separately and fully in writing and under oath.',
		`Proof of service: served by electronic mail on counsel of record on ${served}.`
	]);
	done(await receivePapers(as('castellan'), { files: [known] }));
	at(today);
	const other = { court: 'Superior Court, Alameda County', number: '26CV078812', title: '' };
	const unknown = await makePaper('Notice of motion', other, [
		`The hearing of the motion is set for ${formatDate(addDays(today, 45))}.`
	]);
	done(await receivePapers(as('abernathy'), { files: [unknown] }));
}
