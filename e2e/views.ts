/** The views of the legal people. */
const DOCKET = [
	'/docket',
	'/docket?view=timeline',
	'/docket?view=month',
	'/docket/papers',
	'/docket/check',
	'/docket/sign-off',
	'/docket/reconcile',
	'/docket/changes',
	'/docket/closures',
	'/docket/report',
	'/rulebooks'
];

/** @param matter the address of a matter of litigation */
export const listViews = (matter: string): string[] => [
	'/',
	'/matters?who=all',
	matter,
	`${matter}/docket`,
	`${matter}/docket/schedule`,
	`${matter}/docket?view=timeline`,
	`${matter}/docket?view=month`,
	`${matter}/logbook`,
	`${matter}/trial`,
	'/calendar',
	'/calendar?view=day&who=all',
	'/calendar?view=month&open=2026-11-25',
	'/calendar?view=agenda',
	'/calendar?view=team',
	'/people',
	'/notes',
	'/interest',
	'/requests',
	'/figures',
	...DOCKET,
	'/docket/calculator?court=us-ca-superior&amount=16&unit=cd&way=before&from=2027-01-25',
	'/documents',
	'/time',
	'/account'
];
