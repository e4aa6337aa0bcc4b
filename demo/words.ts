/** The words of the demo. Every name is made up; any likeness is chance. */
import type { PlainDate } from '#core/dates/plain.ts';
import type { UNITS } from './house.ts';

type Unit = (typeof UNITS)[number];
export const FIRST = [
	'Adaeze',
	'Bodil',
	'Caspian',
	'Delphine',
	'Emeka',
	'Fenna',
	'Gideon',
	'Halina',
	'Idris',
	'Jorun',
	'Katya',
	'Leopold',
	'Marisol',
	'Nadim',
	'Odalys',
	'Perrin',
	'Quilla',
	'Rosalind',
	'Stellan',
	'Thandiwe',
	'Ulrike',
	'Vasco',
	'Wiremu',
	'Ximena',
	'Yorick',
	'Zofia',
	'Łucja',
	'Zoë'
];
export const LAST = [
	'Abelard',
	'Brightwater',
	'Cormorant',
	'Dunmore',
	'Eastlake',
	'Fenwright',
	'Gallowglass',
	'Hollingbury',
	'Ironwood',
	'Juniper',
	'Kestrelby',
	'Lanternhall',
	'Mossgrove',
	'Netherby',
	'Oakhampton',
	'Pennyfold',
	'Quillfeather',
	'Ravenscar',
	'Saltmarsh',
	'Thistledown',
	'Underhay',
	'Vantongeren',
	'Wetherlam',
	'Yarrowby',
	'Müllersen',
	'Østerhus'
];
export const ORG_FIRST = [
	'Bremner',
	'Sablewood',
	'Tidewrack',
	'Gannet',
	'Halyard',
	'Quoin',
	'Fathomline',
	'Bollard',
	'Spindrift',
	'Northquay',
	'Leeward',
	'Capstan',
	'Marlinspike',
	'Foreshore',
	'Ebbtide',
	'Breakwater',
	'Samphire',
	'Kittiwake',
	'Windlass',
	'Copperhull'
];
export const ORG_SECOND = [
	'Marine',
	'Logistics',
	'Insurance',
	'Catering',
	'Engineering',
	'Staffing',
	'Fuel',
	'Properties',
	'Dredging',
	'Ticketing',
	'Provisions',
	'Surveying',
	'Advocates',
	'Chandlery',
	'Towage',
	'Coatings'
];
export const ORG_KIND = ['Inc.', 'LLC', 'Co.', 'Ltd.', 'LLP', 'Partners'];

export type DemoMatter = {
	title: string;
	kind: string;
	unit: Unit;
	age: number;
	lawyer?: string;
	court?: string;
	book?: string;
	caution?: string;
	restricted?: boolean;
	split?: [Unit, number][];
};
const ND = 'N.D. Cal., San Francisco';
export const MATTERS: DemoMatter[] = [
	{
		title: 'Pier 9 passenger fall',
		kind: 'litigation',
		unit: 'Passenger',
		age: 118,
		lawyer: 'okafor',
		court: ND,
		caution: 'Call claimant only through counsel',
		split: [
			['Passenger', 70],
			['Terminals', 30]
		]
	},
	{
		title: 'Bremner wage claim',
		kind: 'litigation',
		unit: 'Freight',
		age: 203,
		lawyer: 'wardle',
		court: ND,
		split: [
			['Freight', 85],
			['Engineering', 15]
		]
	},
	{
		title: 'Sablewood hull warranty',
		kind: 'litigation',
		unit: 'Engineering',
		age: 151,
		lawyer: 'okafor',
		court: ND,
		split: [
			['Engineering', 50],
			['Freight', 30],
			['Passenger', 20]
		]
	},
	{
		title: 'Dock 4 sublease',
		kind: 'litigation',
		unit: 'Terminals',
		age: 260,
		lawyer: 'quiroga',
		court: ND
	},
	{
		title: 'Fog bell collision',
		kind: 'litigation',
		unit: 'Passenger',
		age: 642,
		lawyer: 'okafor',
		court: ND,
		split: [
			['Passenger', 60],
			['Engineering', 40]
		]
	},
	{
		title: 'Turnstile patent',
		kind: 'litigation',
		unit: 'Terminals',
		age: 410,
		lawyer: 'lindqvist',
		court: ND
	},
	{
		title: 'Galley fire subrogation',
		kind: 'litigation',
		unit: 'Onboard Retail',
		age: 330,
		lawyer: 'reyes',
		court: ND
	},
	{
		title: 'Diesel overcharge',
		kind: 'litigation',
		unit: 'Freight',
		age: 745,
		lawyer: 'wardle',
		court: ND,
		split: [
			['Freight', 50],
			['Passenger', 50]
		]
	},
	{
		title: 'Season ticket class action',
		kind: 'litigation',
		unit: 'Passenger',
		age: 520,
		lawyer: 'okafor',
		court: ND,
		caution: 'No statement to the press'
	},
	{
		title: 'Breakwater wake damage',
		kind: 'litigation',
		unit: 'Engineering',
		age: 96,
		lawyer: 'quiroga',
		court: ND
	},
	{
		title: 'Chief engineer dismissal',
		kind: 'employment',
		unit: 'Corporate',
		age: 75,
		lawyer: 'wardle',
		court: ND,
		restricted: true
	},
	{
		title: 'Harbor pilot fees',
		kind: 'litigation',
		unit: 'Freight',
		age: 40,
		lawyer: 'reyes',
		court: ND
	},
	{
		title: 'Ramp hydraulics failure',
		kind: 'litigation',
		unit: 'Terminals',
		age: 21,
		lawyer: 'okafor',
		court: ND
	},
	{
		title: 'Left luggage robbery',
		kind: 'litigation',
		unit: 'Terminals',
		age: 870,
		lawyer: 'lindqvist',
		court: ND
	},
	{
		title: 'Fuel supply 2027',
		kind: 'agreement',
		unit: 'Freight',
		age: 271,
		lawyer: 'quiroga',
		split: [
			['Freight', 45],
			['Passenger', 45],
			['Engineering', 10]
		]
	},
	{
		title: 'Crew agency agreement',
		kind: 'agreement',
		unit: 'Passenger',
		age: 109,
		lawyer: 'wardle',
		split: [
			['Passenger', 50],
			['Freight', 25],
			['Onboard Retail', 25]
		]
	},
	{
		title: 'Onboard card terminals',
		kind: 'agreement',
		unit: 'Onboard Retail',
		age: 34,
		lawyer: 'wardle'
	},
	{ title: 'Dry dock framework', kind: 'agreement', unit: 'Engineering', age: 390 },
	{ title: 'Terminal cleaning', kind: 'agreement', unit: 'Terminals', age: 180 },
	{ title: 'Coffee concession, Pier 2', kind: 'agreement', unit: 'Onboard Retail', age: 95 },
	{ title: 'Route data license', kind: 'agreement', unit: 'Corporate', age: 60 },
	{ title: 'Tug standby, Galveston', kind: 'agreement', unit: 'Freight', age: 500 },
	{ title: 'Uniform supply', kind: 'agreement', unit: 'Passenger', age: 720 },
	{ title: 'Ticket app maintenance', kind: 'agreement', unit: 'Passenger', age: 45 },
	{ title: 'Berth 11 lease', kind: 'real-estate', unit: 'Terminals', age: 880 },
	{
		title: 'Shore power pilot',
		kind: 'agreement',
		unit: 'Engineering',
		age: 150,
		split: [
			['Engineering', 40],
			['Terminals', 60]
		]
	},
	{
		title: 'Solent berth licence',
		kind: 'regulatory',
		unit: 'Passenger',
		age: 70,
		lawyer: 'okafor'
	},
	{
		title: 'Harbor discharge notice',
		kind: 'regulatory',
		unit: 'Terminals',
		age: 96,
		lawyer: 'quiroga'
	},
	{ title: 'Accessibility of gangways', kind: 'regulatory', unit: 'Passenger', age: 300 },
	{ title: 'Emission reporting', kind: 'regulatory', unit: 'Engineering', age: 410 },
	{ title: 'Liquor permits, three vessels', kind: 'regulatory', unit: 'Onboard Retail', age: 600 },
	{ title: 'Safety citation, Yard 3', kind: 'regulatory', unit: 'Engineering', age: 33 },
	{ title: 'Dangerous goods review', kind: 'regulatory', unit: 'Freight', age: 240 },
	{ title: 'Customs bond renewal', kind: 'regulatory', unit: 'Freight', age: 820 },
	{
		title: 'Board and securities',
		kind: 'corporate',
		unit: 'Corporate',
		age: 1090,
		lawyer: 'okafor'
	},
	{
		title: 'Berth financing',
		kind: 'corporate',
		unit: 'Corporate',
		age: 130,
		lawyer: 'okafor',
		split: [
			['Corporate', 50],
			['Terminals', 50]
		]
	},
	{ title: 'Subsidiary housekeeping', kind: 'corporate', unit: 'Corporate', age: 1000 },
	{
		title: 'Project Heron',
		kind: 'corporate',
		unit: 'Corporate',
		age: 52,
		lawyer: 'okafor',
		restricted: true
	},
	{ title: 'Insurance program', kind: 'corporate', unit: 'Corporate', age: 420 },
	{ title: 'Trademark watch', kind: 'trademark', unit: 'Onboard Retail', age: 650 }
];

export type Plan = {
	title: string;
	event: string;
	date: PlainDate;
	entered: PlainDate;
	service?: string;
	name?: string;
	time?: string;
	docket?: string[];
	unchecked?: boolean;
	missed?: string;
};
/** What happened and what lies ahead, by days from today. */
export function events(_: unknown, day: (n: number) => PlainDate): Plan[] {
	const item = (
		title: string,
		event: string,
		on: number,
		more: Partial<Plan> & { after?: number } = {}
	): Plan => {
		const { after = 1, ...rest } = more;
		return { title, event, date: day(on), entered: day(Math.min(on + after, 0)), ...rest };
	};
	const ahead = (
		title: string,
		event: string,
		on: number,
		entered: number,
		more: Partial<Plan> = {}
	): Plan => ({ title, event, date: day(on), entered: day(entered), ...more });
	return [
		item('Pier 9 passenger fall', 'summons-and-complaint-served-on-a-defendant', -21, {
			service: 'clerk',
			name: 'Larkhaven Ferries'
		}),
		ahead('Pier 9 passenger fall', 'scheduling-conference-or-order-due', 38, -6, {
			name: 'initial'
		}),
		ahead('Pier 9 passenger fall', 'trial-date', 294, -5, {
			name: 'jury',
			docket: ['expert-disclosures', 'pretrial-disclosures']
		}),
		ahead('Pier 9 passenger fall', 'hearing-of-a-motion', 8, -3, {
			name: 'motion to strike',
			time: '10:00',
			docket: []
		}),
		item('Bremner wage claim', 'interrogatories-served', -29, {
			service: 'electronic',
			name: 'First set, to Larkhaven',
			unchecked: true
		}),
		item('Bremner wage claim', 'request-for-production-served', -12, {
			service: 'mail',
			name: 'First set',
			unchecked: true
		}),
		item('Bremner wage claim', 'answer-served', -60, {
			service: 'electronic',
			docket: ['answer-to-a-counterclaim-or-crossclaim-in-it']
		}),
		item('Sablewood hull warranty', 'subpoena-for-documents-served', -11, { name: 'yard records' }),
		item('Sablewood hull warranty', 'parties-conference-held', -9),
		ahead('Sablewood hull warranty', 'trial-date', 210, -20, {
			docket: ['expert-disclosures', 'pretrial-disclosures', 'offer-of-judgment']
		}),
		ahead('Sablewood hull warranty', 'hearing-of-a-motion', 1, -36, {
			name: 'motion to compel',
			time: '14:00',
			docket: []
		}),
		item('Dock 4 sublease', 'motion-filed', -7, { name: 'to dismiss' }),
		item('Dock 4 sublease', 'motion-filed', -2, { name: 'to transfer', unchecked: true }),
		ahead('Dock 4 sublease', 'hearing-of-a-motion', 16, -4, {
			name: 'to dismiss',
			time: '09:30',
			docket: []
		}),
		item('Fog bell collision', 'judgment-entered', -19, {
			docket: [
				'new-trial',
				'alter-or-amend-the-judgment',
				'attorney-s-fees-motion',
				'notice-of-appeal'
			]
		}),
		item('Fog bell collision', 'costs-taxed-by-the-clerk', -5),
		item('Turnstile patent', 'request-for-admission-served', -26, {
			service: 'mail',
			name: 'Second set'
		}),
		item('Turnstile patent', 'close-of-all-discovery', -20),
		item('Turnstile patent', 'magistrate-judge-s-nondispositive-order-served', -10, {
			service: 'electronic',
			name: 'claim terms'
		}),
		item('Galley fire subrogation', 'other-side-s-expert-disclosure', -13),
		item('Galley fire subrogation', 'offer-of-judgment-served', -6, {
			service: 'mail',
			unchecked: true
		}),
		item('Diesel overcharge', 'pretrial-disclosures-served', -8, { service: 'electronic' }),
		ahead('Diesel overcharge', 'trial-date', 37, -90, {
			docket: ['pretrial-disclosures', 'offer-of-judgment']
		}),
		ahead('Diesel overcharge', 'hearing-of-a-motion', 9, -30, {
			name: 'final pretrial',
			time: '11:00',
			docket: []
		}),
		item('Season ticket class action', 'class-certification-order-entered', -11),
		item('Season ticket class action', 'administrative-motion-filed', -3, { name: 'to seal' }),
		item('Season ticket class action', 'interrogatories-served', -75, {
			service: 'electronic',
			name: 'To plaintiffs'
		}),
		item('Breakwater wake damage', 'rule-12-motion-served', -17, { service: 'electronic' }),
		item('Breakwater wake damage', 'amended-pleading-served', -4, {
			service: 'mail',
			unchecked: true
		}),
		item('Chief engineer dismissal', 'request-for-waiver-of-service-sent', -20, {
			docket: ['return-the-waiver', 'answer-or-rule-12-motion']
		}),
		item('Harbor pilot fees', 'complaint-filed', -35),
		item('Harbor pilot fees', 'state-complaint-served-on-a-defendant', -25, {
			service: 'personal'
		}),
		item('Ramp hydraulics failure', 'notice-of-removal-filed', -9, {
			docket: ['motion-to-remand', 'answer-if-none-before-removal'],
			unchecked: true
		}),
		item('Left luggage robbery', 'judgment-entered', -320, {
			docket: ['notice-of-appeal', 'attorney-s-fees-motion']
		}),
		item('Left luggage robbery', 'order-on-the-last-post-judgment-motion-entered', -33, {
			missed: 'notice-of-appeal'
		})
	];
}

export const WORK: [string, string][] = [
	['Call with claims adjuster about extension', 'CALL'],
	['Call with opposing counsel', 'CALL'],
	['Reviewed vessel log extracts', 'REVIEW'],
	['Drafted answer', 'DRAFT'],
	['Drafted responses to interrogatories', 'DISC'],
	['Collected documents from the yard', 'DISC'],
	['Meeting with the business unit', 'MEET'],
	['Research on limitation of liability', 'RESEARCH'],
	['Negotiated indemnity clause', 'NEGO'],
	['Revised agreement after comments', 'DRAFT'],
	['Prepared for hearing', 'HEAR'],
	['Advice on incident report', 'ADVICE'],
	['Interview with {person}', 'MEET'],
	['Reviewed survey report', 'REVIEW'],
	['Letter to insurer', 'DRAFT'],
	['Call with {person} about next steps', 'CALL'],
	['Checked production for privilege', 'DISC'],
	['Attended conference', 'HEAR']
];
export const NOTES = [
	'Claims adjuster confirms that the policy applies; written position to follow.',
	'Spoke to the terminal manager: the camera pictures are kept for ninety days, asked to keep them longer.',
	'Other side would talk about settlement after the survey.',
	'Two crew members are back from leave next week and can be heard then.',
	'Asked finance for an accrual until the end of the quarter.',
	'The business unit wants to keep the supplier; tone of letters accordingly.'
];
export const TASKS = [
	'Collect vessel log extracts',
	'Draft meet-and-confer letter',
	'Review redline',
	'Ask insurer for its position',
	'Export payroll records',
	'Interview the deck crew',
	'Order the survey report',
	'Prepare exhibit binder',
	'Update the accrual note',
	'Confirm hearing room',
	'File proof of service',
	'Send the agreement to Procurement'
];
export const PAPERS: [
	string,
	'Pleadings' | 'Correspondence' | 'Discovery' | 'Agreements' | 'Evidence' | 'Internal'
][] = [
	['Incident report', 'Evidence'],
	['Answer, draft 3', 'Pleadings'],
	['First set of interrogatories', 'Discovery'],
	['Responses to first interrogatories', 'Discovery'],
	['Framework agreement, draft 2', 'Agreements'],
	['Survey report', 'Evidence'],
	['Board consent', 'Agreements'],
	['Memo on exposure', 'Internal'],
	['Letter from insurer', 'Correspondence'],
	['Stipulation on the timetable', 'Pleadings'],
	['Notice of deposition', 'Discovery'],
	['Crew statement', 'Evidence']
];
export const SENTENCES = [
	'The vessel left the berth at 07:40 in light fog.',
	'The parties agree that the notice was received within the period named.',
	'Nothing in this document is an admission.',
	'The supplier keeps records for seven years and opens them on request.',
	'The ramp was inspected in the spring and found to be in order.',
	'Passengers were told by the crew to hold on to the rail.',
	'Payment is due thirty days after a correct invoice.',
	'The insurer reserves its position until the survey is complete.',
	'Each side bears its own cost unless the court orders otherwise.',
	'The cargo was stowed as the plan of the master required.'
];
