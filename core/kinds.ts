/** The kinds of matter that ship, and the words for their parts. */
export const KINDS = [
	{ id: 'litigation', name: 'Litigation', plural: 'Litigation', opponent: 'Opponent', rulebook: 'us-federal.ca-nd', quietDays: 30 },
	{ id: 'agreement', name: 'Agreement', plural: 'Agreements', opponent: 'Counterparty', rulebook: null, quietDays: 21 },
	{ id: 'regulatory', name: 'Regulatory', plural: 'Regulatory', opponent: 'Agency', rulebook: null, quietDays: 45 },
	{ id: 'corporate', name: 'Corporate', plural: 'Corporate', opponent: 'Counterparty', rulebook: null, quietDays: 60 }
] as const;
export type KindId = (typeof KINDS)[number]['id'];
export const kindOf = (id: string) => KINDS.find((k) => k.id === id) ?? KINDS[0];
