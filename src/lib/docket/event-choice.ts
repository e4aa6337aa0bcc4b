/** What can be entered on a matter, as the server lists it for a form. */
export type Question = {
	id: string;
	ask: string;
	kind: 'choice' | 'date';
	options?: { id: string; label: string }[] | undefined;
	if?: Record<string, string> | undefined;
};
export type EventChoice = {
	id: string;
	book: string;
	bookShort: string;
	text: string;
	served: boolean;
	ahead: string | null;
	timed: boolean;
	hint: string | null;
	questions: Question[];
};

/** Questions that depend on another's answer come with it. */
export const listAsked = (
	questions: readonly Question[],
	answers: Record<string, string>
): Question[] =>
	questions.filter(({ if: conditions = {} }) =>
		Object.entries(conditions).every(([id, wanted]) => {
			const first = questions.find((other) => other.id === id)?.options?.[0]?.id;
			return (answers[id] || first) === wanted;
		})
	);
