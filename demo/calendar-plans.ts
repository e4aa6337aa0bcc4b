/** What stands in the calendars of the demo, week by week from the one that has today. */

export type Plan = {
	/** So many weeks from this one. */
	week?: number;
	/** Days after Monday. */
	on: number;
	/** "9:30-10:30"; empty: all day. */
	at: string;
	/** Logins; the first makes it. */
	who: readonly [string, ...string[]];
	subject: string;
	/** The title of a matter. */
	matter?: string;
	room?: string;
	sort?: string;
	place?: string;
	private?: boolean;
	rule?: string;
	lastDay?: string;
	whereabouts?: 'office' | 'court' | 'home' | 'travelling';
	guests?: { name: string; email: string }[];
	notes?: string;
	priority?: 'high' | 'normal' | 'low';
};

const ALL = [
	'okafor',
	'wardle',
	'quiroga',
	'lindqvist',
	'reyes',
	'abernathy',
	'fairweather',
	'castellan'
] as const;

/** What comes again. */
export const SERIES: readonly Plan[] = [
	{
		...{ week: -8, on: 1, at: '09:00-09:45', subject: 'Department meeting', room: 'Room 1' },
		...{ who: ['okafor', ...ALL.slice(1)], sort: 'Meeting', rule: 'FREQ=WEEKLY;BYDAY=TU' }
	},
	{
		...{ week: -8, on: 0, at: '09:00-09:30', subject: 'Dates of the week', sort: 'Call' },
		...{ who: ['castellan', 'okafor', 'abernathy'], rule: 'FREQ=WEEKLY;BYDAY=MO' }
	},
	{
		...{ week: -6, on: 2, at: '16:00-16:30', subject: 'Freight: open questions', sort: 'Call' },
		...{ who: ['lindqvist', 'okafor'], rule: 'FREQ=WEEKLY;INTERVAL=2;BYDAY=WE' }
	},
	{
		...{ week: -5, on: 4, at: '11:00-12:00', subject: 'New York office', room: 'Harbor room' },
		...{ who: ['quiroga', 'reyes', 'oyelaran'], sort: 'Meeting', rule: 'FREQ=WEEKLY;BYDAY=FR' }
	},
	{
		...{ week: -9, on: 4, at: '15:00-16:00', subject: 'Numbers of the month', room: 'Room 4' },
		...{ who: ['haddad', 'okafor'], sort: 'Meeting', rule: 'FREQ=MONTHLY;BYDAY=-1FR' }
	},
	{
		...{ week: -4, on: 0, at: '17:30-18:30', subject: 'Physiotherapy', private: true },
		...{ who: ['wardle'], rule: 'FREQ=WEEKLY;BYDAY=MO;COUNT=10' }
	},
	{
		...{ week: -4, on: 4, at: '08:30-09:00', subject: 'School run', private: true },
		...{ who: ['reyes'], rule: 'FREQ=WEEKLY;BYDAY=MO,WE,FR' }
	}
];

/** What comes once. */
export const PLANS: readonly Plan[] = [
	{
		...{ on: 0, at: '10:30-11:15', subject: 'Call with opposing counsel', sort: 'Call' },
		...{ who: ['okafor'], matter: 'Pier 9 passenger fall', priority: 'high' }
	},
	{
		...{ on: 0, at: '14:00-15:30', subject: 'Dentist', private: true, who: ['okafor'] }
	},
	{
		...{ on: 1, at: '10:30-12:00', subject: 'Witness: Kestrel deck crew', place: 'Yard 3' },
		...{ who: ['okafor', 'abernathy'], matter: 'Pier 9 passenger fall', sort: 'Preparation' }
	},
	{
		...{ on: 1, at: '15:00-16:00', subject: 'Budget with Freight', room: 'Room 4' },
		...{ who: ['okafor', 'haddad'], sort: 'Meeting' }
	},
	{
		...{ on: 2, at: '14:00-16:30', subject: 'Mediation, preparation', room: 'Room 4' },
		...{ who: ['okafor', 'abernathy', 'castellan'], matter: 'Pier 9 passenger fall' },
		sort: 'Preparation'
	},
	{
		...{ on: 4, at: '10:00-11:00', subject: 'Training: privilege in mail', room: 'Room 1' },
		...{ who: ['wardle', 'okafor', 'lindqvist', 'castellan'], sort: 'Training' }
	},
	{
		...{ on: 4, at: '13:30-15:00', subject: 'Board committee', who: ['okafor', 'harrowgate'] },
		...{ matter: 'Board and securities', sort: 'Meeting' }
	},
	{
		...{ on: 0, at: '11:00-12:30', subject: 'Discovery plan', room: 'Room 4' },
		...{ who: ['wardle', 'abernathy'], matter: 'Bremner wage claim', sort: 'Meeting' }
	},
	{
		...{ on: 2, at: '09:30-11:00', subject: 'Draft of the petition, together' },
		...{ who: ['wardle', 'fairweather'], matter: 'Season ticket class action' },
		sort: 'Preparation'
	},
	{
		...{ on: 4, at: '12:30-13:30', subject: 'Union, second call', who: ['wardle'] },
		...{ matter: 'Deck hand overtime letters', sort: 'Call' }
	},
	{
		...{ on: 0, at: '13:00-14:30', subject: 'Claim charts with the expert', who: ['lindqvist'] },
		...{ matter: 'Turnstile patent', sort: 'Call' },
		guests: [{ name: 'Expert’s office', email: 'office@expert.example' }]
	},
	{
		...{ on: 1, at: '13:00-17:00', subject: 'Deposition, preparation' },
		...{ who: ['lindqvist', 'abernathy'], matter: 'Turnstile patent', sort: 'Preparation' }
	},
	{
		...{ on: 2, at: '', subject: 'In Boston', who: ['quiroga'], whereabouts: 'travelling' }
	},
	{
		...{ on: 0, at: '10:00-11:30', subject: 'Markup with the supplier', who: ['quiroga'] },
		...{ matter: 'Fuel supply 2027', sort: 'Call' }
	},
	{
		...{ on: 1, at: '13:30-15:00', subject: 'Dry dock, clause by clause', who: ['quiroga'] },
		...{ matter: 'Dry dock framework', sort: 'Meeting' }
	},
	{
		...{ on: 2, at: '10:00-12:00', subject: 'Ramp: look at the cylinder', place: 'Pier 2' },
		...{ who: ['okafor', 'fairweather'], matter: 'Ramp hydraulics failure', room: 'Pool car' },
		sort: 'Site visit'
	},
	{
		...{ on: 1, at: '14:00-15:00', subject: 'Lease, with Terminals', who: ['reyes'] },
		...{ matter: 'Berth 11 lease', sort: 'Call' }
	},
	{
		...{ on: 4, at: '14:00-16:00', subject: 'Schedules to the lease', who: ['fairweather'] },
		...{ matter: 'Berth 11 lease', sort: 'Preparation' }
	},
	{
		...{ on: 0, at: '15:00-16:00', subject: 'Connections and keys', who: ['harrowgate'] }
	},
	{
		...{ week: 1, on: 0, at: '10:00-12:00', subject: 'Trial team', room: 'Room 1' },
		...{ who: ['okafor', 'wardle', 'abernathy', 'castellan'], matter: 'Diesel overcharge' },
		sort: 'Preparation'
	},
	{
		...{ week: 1, on: 2, at: '09:00-17:00', subject: 'On the Solent', who: ['wardle'] },
		...{ matter: 'Solent pontoon collision', whereabouts: 'travelling' }
	},
	{
		...{ week: 1, on: 3, at: '13:00-14:00', subject: 'Insurer, quarterly', who: ['okafor'] },
		sort: 'Call'
	},
	{
		...{ week: 1, on: 4, at: '11:00-12:00', subject: 'Interview: paralegal', room: 'Room 4' },
		...{ who: ['okafor', 'abernathy'], private: true }
	},
	{
		...{ week: -1, on: 2, at: '10:00-11:30', subject: 'Case conference, preparation' },
		...{ who: ['okafor', 'wardle'], matter: 'Pier 9 passenger fall', sort: 'Preparation' }
	},
	{
		...{
			week: -1,
			on: 3,
			at: '15:00-16:00',
			subject: 'Settlement range',
			who: ['wardle', 'okafor']
		},
		...{ matter: 'Bremner wage claim', sort: 'Meeting' }
	}
];
