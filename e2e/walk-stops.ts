/** Where every route is walked: with what belongs to a matter that nobody outside may see. */
import type { Hidden } from './hidden-matter.ts';

/**
 * Where each route is walked; null: it has its own test for who may enter (a signing link, signing
 * in and out, health).
 */
export type Stop = string | [path: string, body: unknown];
const plain = (...paths: string[]) => Object.fromEntries(paths.map((path) => [path, () => [path]]));
export type Walk = Record<string, (() => Stop[]) | null>;
export function stopsOf(hidden: Hidden, run: string): Walk {
	const roomOf = (room: string) => `/matters/${hidden.number}/${room}`;
	return {
		'/': () => ['/'],
		'/matters': () => ['/matters?who=all', '/matters?who=all&q=Heron', '/matters?who=all&closed=1'],
		'/matters/[number]': () => [`/matters/${hidden.number}`],
		'/matters/[number]/docket': () =>
			['', '?view=list&when=all', '?view=timeline', '?view=month'].map(
				(x) => `/matters/${hidden.number}/docket${x}`
			),
		'/matters/[number]/docket/schedule': () => [roomOf('docket/schedule')],
		'/matters/[number]/mail/[id]': () => [roomOf(`mail/${hidden.mail}`)],
		'/matters/[number]/tasks': () => [`/matters/${hidden.number}/tasks`],
		'/matters/[number]/documents': () => [`/matters/${hidden.number}/documents`],
		'/matters/[number]/logbook': () => [`/matters/${hidden.number}/logbook?q=Heron`],
		'/matters/[number]/logbook/more': () => [`/matters/${hidden.number}/logbook/more`],
		'/matters/[number]/trial': () => [`/matters/${hidden.number}/trial`],
		'/matters/export': () => [
			'/matters/export?who=all&closed=1&as=csv&cols=number,title,opponent,references,fact:entity',
			'/matters/export?who=all&closed=1&as=csv&q=Heron'
		],
		'/figures': () => ['/figures'],
		'/people': () => [
			'/people',
			'/people?q=Heron',
			'/people?role=counterparty',
			'/people?page=2',
			'/people?page=3'
		],
		'/people/export': () => ['/people/export', '/people/export?as=csv'],
		'/people/[id]/vcard': () => [`/people/${hidden.card}/vcard`],
		'/people/[id]/merge': () => [`/people/${hidden.person}/merge?with=${hidden.card}`],
		'/interest': () => ['/interest'],
		'/interest/[id]': () => [`/interest/${hidden.check}`],
		'/requests': () => ['/requests', '/requests?show=done', '/requests?show=mine'],
		'/requests/[id]': () => [`/requests/${hidden.request}`],
		'/requests/[id]/file/[file]': () => [`/requests/${hidden.request}/file/${hidden.paper}`],
		'/kinds/[id]': () => ['/kinds/corporate'],
		'/kinds/[id]/yaml': () => ['/kinds/corporate/yaml'],
		'/imports': () => ['/imports'],
		'/imports/[id]': () => ['/imports/wrk_nothing'],
		'/imports/[id]/faults': () => ['/imports/wrk_nothing/faults'],
		'/imports/sample': () => ['/imports/sample?what=matters&as=csv'],
		'/api/matter-forms': () => ['/api/matter-forms'],
		'/api/matters': () => ['/api/matters?q=heron', `/api/matters?q=${hidden.number}`],
		'/matters/[number]/time': () => [roomOf('time')],
		'/docket': () => [
			'/docket?show=all',
			'/docket?show=open',
			'/docket?show=unchecked',
			'/docket?show=proposed',
			'/docket?show=all&page=2',
			'/docket?show=all&view=timeline',
			'/docket?view=month',
			'/docket?show=all&matter=' + hidden.number
		],
		'/docket/authority/[id]': () => [`/docket/authority/${hidden.deadline}`],
		'/docket/reconcile': () => ['/docket/reconcile'],
		'/docket/sign-off': () => ['/docket/sign-off', '/docket/sign-off?week=2026-11-16'],
		'/docket/papers/[id]': () => [`/docket/papers/${hidden.paperIn}`],
		'/docket/check': () => ['/docket/check', `/docket/check?deadline=${hidden.deadline}`],
		'/docket/changes': () => ['/docket/changes'],
		'/docket/closures': () => ['/docket/closures'],
		'/docket/report': () => [
			'/docket/report?go=1&show=all',
			'/docket/report?go=1&show=all&order=matter&long=1'
		],
		'/docket/report/export': () =>
			['csv', 'ics'].map((as) => `/docket/report/export?go=1&show=all&as=${as}`),
		'/rulebooks': () => ['/rulebooks'],
		'/rulebooks/new': () => ['/rulebooks/new', '/rulebooks/new?as=rules', '/rulebooks/new?as=yaml'],
		'/rulebooks/[id]': () => ['/rulebooks/us-federal.ca-nd'],
		'/rulebooks/[id]/edit': () => ['/rulebooks/us-federal/edit'],
		'/rulebooks/[id]/yaml': () => ['/rulebooks/us-federal/yaml'],
		'/docket/calculator': () => ['/docket/calculator?court=us-federal&amount=21'],
		...plain('/notes', '/staff', '/account', '/accounts', '/jobs', '/kinds', '/docket/papers'),
		'/calendar': () =>
			[
				...['', '?view=month&open=2026-11-25', '?view=team', '?view=agenda&who=all'],
				...['?view=day&who=all', `?matter=${hidden.number}`, '?appointment=apt_nothing']
			].map((query) => `/calendar${query}`),
		...plain('/resources'),
		'/api/live': null,
		'/api/preview/common-hours': () => [
			[
				'/api/preview/common-hours',
				{
					...{ staff: ['stf_okafor', 'stf_wardle'], resource: 'any', minutes: 60 },
					...{ from: '2026-11-23', to: '2026-12-04', firstHour: 8, lastHour: 19 }
				}
			]
		],
		'/password/[token]': null,
		'/feed/[token]': null,
		'/documents': () => ['/documents', '/documents?q=Heron'],
		'/documents/[id]': () => [`/documents/${hidden.document}`],
		'/documents/[id]/file': () => [
			`/documents/${hidden.document}/file`,
			`/documents/${hidden.document}/file?version=1&download=1`
		],
		'/documents/[id]/sign': () => [`/documents/${hidden.document}/sign`],
		'/signing/[id]': () => [`/signing/${hidden.signer}`],
		'/signing/[id]/file': () => [`/signing/${hidden.signer}/file`],
		'/time': () => ['/time'],
		'/costs': () => ['/costs'],
		'/costs/[id]': () => [`/costs/${run}`],
		'/costs/[id]/journal': () => [`/costs/${run}/journal`],
		'/costs/[id]/statement-[unit]': () => [`/costs/${run}/statement-unit_5`],
		'/mail': () => ['/mail', '/mail?q=Heron', '/mail?page=2'],
		'/mail/[id]/[n]': () => [`/mail/${hidden.post}/0`],
		'/people/[id]': () => [`/people/${hidden.person}`, `/people/${hidden.card}`],
		'/api/pen': () => [
			'/api/pen?line=heron',
			`/api/pen?line=${encodeURIComponent(`0.4 ${hidden.number} call`)}`,
			`/api/pen?line=${encodeURIComponent(`event ${hidden.number} complaint filed yesterday`)}`,
			'/api/pen?line=secret+paper'
		],
		'/api/people': () => ['/api/people?q=a'],
		'/api/counts/[id]': () => [`/api/counts/${hidden.deadline}`],
		'/api/preview/event': () => [
			[
				'/api/preview/event',
				{ matterId: hidden.id, eventKey: 'complaint-filed', date: '2026-11-16' }
			]
		],
		'/api/preview/move': () => [['/api/preview/move', { eventId: hidden.event, to: '2026-11-20' }]],
		'/api/preview/reschedule': () => [
			['/api/preview/reschedule', { deadlineId: hidden.deadline, how: 'order', by: '+7d' }]
		],
		'/api/preview/day': () => [['/api/preview/day', { matterId: hidden.id, date: '2026-12-12' }]],
		'/api/preview/schedule': () => [
			['/api/preview/schedule', { matterId: hidden.id, title: 'An order', dated: '2026-11-16' }]
		],
		'/api/preview/order': () => [
			[
				'/api/preview/order',
				{
					...{ matterId: hidden.id, title: 'An order', dated: '2026-11-16' },
					...{ book: 'us-federal.ca-nd', sort: 'standing order' },
					lines: [{ do: 'off', event: 'complaint-filed', rule: 'serve-each-defendant' }]
				}
			]
		],
		'/api/preview/closure': () => [
			[
				'/api/preview/closure',
				{ book: 'us-federal', date: '2027-02-16', kind: 'holiday', name: 'Closed' }
			]
		],
		'/api/preview/book': () => [['/api/preview/book', { yaml: 'book: own.x' }]],
		'/api/preview/book-shape': () => [['/api/preview/book-shape', { below: 'us-federal' }]],
		'/sign/[token]': null,
		'/sign/[token]/file': null,
		...{ '/sign-in': null, '/sign-in/second': null },
		'/sign-out': null,
		'/healthz': null
	};
}
