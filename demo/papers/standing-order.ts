/** A judge's standing order, of which the demo lays one paragraph over the rules. */
import type { Content } from 'pdfmake/interfaces.js';
import { numbered, paragraph } from './parts.ts';

const PARAGRAPHS = [
	'Who this is for. This order applies to every civil case that is assigned to this judge, from its assignment on. Whoever files the first paper in a case serves this order on every other party within seven days and files a proof of it.',
	'Speaking with chambers. Questions about the calendar go to the courtroom deputy by mail, with a copy to all other counsel. Nobody calls chambers about the merits. The deputy cannot say how the court will rule, and will not be asked.',
	'Courtesy copies. Of every paper of more than ten pages one copy on paper, printed on both sides, bound on the left, with tabs for its exhibits, reaches chambers on the court day after it is filed.',
	'Stipulations. Parties may agree on more time to answer a complaint once, for no more than thirty days, without an order. Every other agreement on a date that the court has set needs its approval, is asked for at least five court days before the date, and says what has been done and what is left to do.',
	'First conference. Lead counsel who will try the case appear in person. They come with their calendars, with the names of those from whom documents will be asked, and with authority to agree on dates.',
	'Discovery disputes. No motion about discovery is filed before lead counsel have met, in person or by video, and have written a joint letter of no more than five pages. A joint letter on discovery, which lists what each side will ask for and what is contested already, is lodged twenty-one days after the parties’ conference.',
	'Motions. A motion is filed forty-two days before its hearing at the latest. The papers for and against it are due as the local rules say. A brief has no more than twenty pages, its footnotes among them; a reply has ten. A proposed order that only grants the motion is of no use; one that gives reasons is welcome.',
	'Hearings. Civil motions are heard on Tuesdays at ten. Where a lawyer in the first five years of practice will argue, the court hears argument on every motion and gives more time for it; the papers say so on their first page.',
	'Summary judgment. Each side has one such motion. Facts that are not disputed are put together in one statement that both sides sign; what is not in it is disputed.',
	'Sealing. What is asked to be sealed is marked in the text, line by line, with the reason beside it. That the parties have agreed is no reason.',
	'Trial. Pretrial papers are lodged fourteen days before the pretrial conference. Each side has as many hours as the court sets then, counted by the deputy, for everything but the choice of the jury.',
	'Changes. This order is changed from time to time; the one in force is on the court’s page. A party that was misled by an earlier one says so at once.'
];

export const writeStandingOrder = (judge: string): Content[] => [
	paragraph(`${judge} orders, for all civil cases:`),
	numbered(PARAGRAPHS),
	paragraph('It is so ordered.'),
	paragraph(judge)
];
