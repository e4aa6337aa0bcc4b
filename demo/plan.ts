/** What happened in the cases of the demo and what lies ahead, in days from today. */
import type { PlainDate } from '#core/dates/plain.ts';

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
export function listPlans(day: (from: number) => PlainDate): Plan[] {
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
			name: 'motion to compel arbitration',
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
		ahead('Turnstile patent', 'close-of-all-discovery', 45, -60),
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
			name: 'counterclaim',
			unchecked: true
		}),
		item('Chief engineer dismissal', 'request-for-waiver-of-service-sent', -20, {
			docket: ['return-the-waiver', 'answer-or-rule-12-motion']
		}),
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
