/**
 * The drawer for opening a matter can be called from anywhere: the band, the pen line, a key, a
 * request, a person's card.
 */
type Start = {
	title?: string;
	kind?: string;
	unitId?: string;
	opponentId?: string;
	opponent?: string;
	opponentKind?: string;
	requestId?: string;
	requestNumber?: string;
	priority?: string;
};
/** A line of the form: somebody in a role. */
export type PartyLine = { role: string; personId: string; name: string; kind: string };
/** A line of the form: a colleague, and what they are on the matter. */
export type MemberLine = { staffId: string; part: string };

class Opening {
	open = $state(false);
	start = $state<Start | null>(null);
	show(start: Start | string = {}) {
		this.start = typeof start === 'string' ? (start ? { title: start } : null) : start;
		this.open = true;
	}
}
export const opening = new Opening();
