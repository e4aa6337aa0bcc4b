/**
 * Rows of the law written down once more, apart from the books, for the tests that walk them day by
 * day: event | authority | answers | count. `ext`: what service adds applies. `stays`: it is not
 * moved from a closed day.
 */
const ROWS = `
us-bankruptcy
	order-for-relief-entered-in-chapter-7-12-or-13-or-case-converted-to-chapter-12-or-13 | Fed. R. Bankr. P. 3002(c) | | +70d
	order-for-relief-entered-in-chapter-7-12-or-13-or-case-converted-to-chapter-12-or-13 | Fed. R. Bankr. P. 3002(c) | involuntary=yes | +90d
	first-date-set-for-the-meeting-of-creditors | Fed. R. Bankr. P. 4007(c) | | +60d
	first-date-set-for-the-meeting-of-creditors-in-chapter-7 | Fed. R. Bankr. P. 4004(a) | | +60d
	summons-issued-in-an-adversary-proceeding | Fed. R. Bankr. P. 7012(a) | | +30d
	summons-issued-in-an-adversary-proceeding | Fed. R. Bankr. P. 7012(a) | united-states=yes | +35d
	answer-with-counterclaim-or-crossclaim-served-in-an-adversary-proceeding | Fed. R. Bankr. P. 7012(a) | | +21d ext
	interrogatories-request-for-production-or-request-for-admission-served-in-an-adversary-proceeding-or-contested-matter | Fed. R. Bankr. P. 7033, 7034, 7036, 9014(c) | | +30d ext
	date-set-for-a-sale-use-or-lease-of-property-of-the-estate | Fed. R. Bankr. P. 6004(b) | | -7d
	order-entered-that-lifts-the-stay-authorizes-a-sale-or-the-assignment-of-a-contract-or-confirms-a-chapter-11-plan | Fed. R. Bankr. P. 4001(a), 6004(h), 6006(d), 3020(e) | | +14d
	judgment-entered | Fed. R. Bankr. P. 7052 | | +14d
	judgment-entered | Fed. R. Bankr. P. 9023 | | +14d
	judgment-order-or-decree-entered | Fed. R. Bankr. P. 8002(a)(1) | | +14d
	order-on-the-last-timely-post-judgment-motion-entered | Fed. R. Bankr. P. 8002(b)(1) | | +14d
	time-to-appeal-ends | Fed. R. Bankr. P. 8002(d)(1)(B) | | +21d
	order-for-relief-entered-suit-already-pending | Fed. R. Bankr. P. 9027(a)(2)(A) | | +90d
	initial-pleading-or-summons-received-whichever-came-first-claim-made-after-the-case-began | Fed. R. Bankr. P. 9027(a)(3) | | +30d
us-federal
	process-of-maritime-attachment-served-on-the-garnishee | Supplemental Rule B(3)(a) | | +21d
	process-of-maritime-attachment-executed | Supplemental Rule B(3)(b) | | +30d
	process-executed-on-an-arrested-vessel-or-other-property | Supplemental Rule C(6)(a)(i) | | +14d
	statement-of-right-or-interest-filed | Supplemental Rule C(6)(a)(iv) | | +21d
	first-written-notice-of-a-claim-received-vessel-not-a-covered-small-passenger-vessel | 46 U.S.C. 30529(a); Supplemental Rule F(1) | | +6m stays
	injury-by-a-maritime-tort-or-of-a-seaman | 46 U.S.C. 30106, 30104; 45 U.S.C. 56 | | +3y stays
	claim-in-admiralty-against-the-united-states-arises | 46 U.S.C. 30905 | | +2y stays
	aid-or-salvage-services-given | 46 U.S.C. 80107(c) | | +2y stays
	cargo-under-cogsa-delivered-or-due-to-be-delivered | 46 U.S.C. 30701 note, sec. 3(6) | | +1y stays
	cargo-under-cogsa-delivered-damage-not-apparent | 46 U.S.C. 30701 note, sec. 3(6) | | +3d stays
	arbitration-award-filed-or-delivered | 9 U.S.C. 12 | | +3m -1d stays
us-agency
	employer-knows-of-a-covered-injury-or-has-notice-of-it | 33 U.S.C. 914(b) | | +14d stays
	employer-knows-of-a-covered-injury-or-has-notice-of-it | 33 U.S.C. 914(d) | | +14d stays
	covered-injury-with-a-lost-shift-or-death-occurred | 33 U.S.C. 930(a) | | +10d stays
	installment-under-a-compensation-award-due | 33 U.S.C. 914(f) | | +10d stays
	compensation-order-filed-by-the-district-director | 33 U.S.C. 921(a); 20 C.F.R. 802.205(a) | | +30d
	benefits-review-board-decision-issued | 33 U.S.C. 921(c) | | +60d
	marine-casualty-occurred | 46 C.F.R. 4.05-10(a) | | +5d stays
	notice-received-that-our-vessel-or-facility-is-designated-the-source-of-an-oil-spill | 33 U.S.C. 2714(b)(1) | | +5d stays
	trademark-registered-not-by-extension-of-an-international-registration | 15 U.S.C. 1058(a) | | +6y
	trademark-registered-not-by-extension-of-an-international-registration | 15 U.S.C. 1058(a) | grace-8=yes | +78m
	trademark-registered-not-by-extension-of-an-international-registration | 15 U.S.C. 1059(a), 1058(a) | | +10y
	trademark-registered-not-by-extension-of-an-international-registration | 15 U.S.C. 1059(a), 1058(a) | grace-9=yes | +126m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | | +6m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | extensions=1 | +12m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | extensions=2 | +18m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | extensions=3 | +24m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | extensions=4 | +30m
	trademark-notice-of-allowance-issued | 15 U.S.C. 1051(d) | extensions=5 | +36m
	another-s-trademark-registered-on-the-principal-register | 15 U.S.C. 1064(1) | | +5y stays
	final-decision-of-the-trademark-trial-and-appeal-board-issued | 37 C.F.R. 2.145(d) | | +63d
	complaint-for-patent-infringement-served-on-us | 35 U.S.C. 315(b) | | +1y stays
	event-reportable-on-form-8-k-occurred | Form 8-K, General Instruction B.1 | | +4cd
	person-becomes-an-officer-director-or-ten-percent-owner | 15 U.S.C. 78p(a)(2)(B) | | +10d
	issuer-s-fiscal-year-ended | 17 C.F.R. 240.16a-3(f)(1) | | +45d
	first-sale-of-securities-under-regulation-d | 17 C.F.R. 230.503(a)(1) | | +15d
	premerger-waiting-period-expired | 16 C.F.R. 803.7(a) | | +1y stays
	abatement-date-of-a-workplace-safety-citation | 29 C.F.R. 1903.14a(c) | | +1cd
	final-offer-of-a-release-of-age-claims-made-to-an-employee-of-40-or-over | 29 U.S.C. 626(f)(1)(F) | | +21d stays
	final-offer-of-a-release-of-age-claims-made-to-an-employee-of-40-or-over | 29 U.S.C. 626(f)(1)(F) | group=yes | +45d stays
	release-of-age-claims-signed | 29 U.S.C. 626(f)(1)(G) | | +7d stays
	unfair-labor-practice-occurred | 29 U.S.C. 160(b) | | +6m stays
	benefit-claim-received-by-the-plan-not-for-health-benefits | 29 C.F.R. 2560.503-1(f)(1), (f)(3) | | +90d stays
	benefit-claim-received-by-the-plan-not-for-health-benefits | 29 C.F.R. 2560.503-1(f)(1), (f)(3) | disability=yes | +45d stays
	appeal-of-a-benefit-claim-received-by-the-plan-not-for-health-benefits-no-committee-that-meets-quarterly | 29 C.F.R. 2560.503-1(i)(1)(i), (i)(3)(i) | | +60d stays
	appeal-of-a-benefit-claim-received-by-the-plan-not-for-health-benefits-no-committee-that-meets-quarterly | 29 C.F.R. 2560.503-1(i)(1)(i), (i)(3)(i) | disability=yes | +45d stays
	breach-of-unsecured-protected-health-information-discovered | 45 C.F.R. 164.404(b), 164.408(b) | | +60d stays
	mass-layoff-relocation-or-termination-in-california-takes-effect | Cal. Lab. Code 1401(a) | | -60d
	breach-of-security-determined-with-residents-of-texas | Tex. Bus. & Com. Code 521.053(b) | | +60d stays
us-de-corporate
	stockholders-meeting | 8 Del. C. 213(a) | | -10d
	stockholders-meeting | 8 Del. C. 222(b), 251(c), 271(a) | | -10d
	stockholders-meeting | 8 Del. C. 222(b), 251(c), 271(a) | merger=yes | -20d
	stockholder-s-demand-to-inspect-made | 8 Del. C. 220(c) | | +5cd
us-ca-superior
	complaint-filed | Code Civ. Proc. 583.210(a) | | +3y stays
	complaint-filed | Code Civ. Proc. 583.310 | | +5y stays
	day-the-response-was-due-none-served | Cal. Rules of Court 3.110(g) | | +10d
	trial-or-hearing | Code Civ. Proc. 170.6(a)(2) | known=yes | -5d
	deposition-date | Code Civ. Proc. 2025.270(a) | | -10d ext
	deposition-date | Code Civ. Proc. 2025.410(a), (b) | | -3d
	record-of-the-deposition-completed | Code Civ. Proc. 2025.480(b) | | +60d
	hearing-of-an-ex-parte-application | Cal. Rules of Court 3.1203(a) | | -1cd
	notice-of-entry-of-judgment-served | Cal. Rules of Court 3.1700(a)(1) | | +15d
	notice-of-entry-of-judgment-served | Cal. Rules of Court 3.1702(b)(1) | | +60d
	notice-of-entry-of-judgment-served | Code Civ. Proc. 663a(a)(2), 629(b) | | +15d
	memorandum-of-costs-served | Cal. Rules of Court 3.1700(b)(1) | | +15d ext
	notice-that-the-same-judge-has-the-new-trial-after-reversal | Code Civ. Proc. 170.6(a)(2) | | +60d
	judgment-dismissal-order-or-default-taken-against-us | Code Civ. Proc. 473(b) | | +6m stays
	signed-copy-of-an-arbitration-award-served-on-us | Code Civ. Proc. 1288 | | +100d
	claim-against-a-public-entity-of-california-arises | Gov. Code 911.2(a) | | +6m stays
	claim-against-a-public-entity-of-california-arises | Gov. Code 911.2(a) | injury=no | +1y stays
us-ny-supreme
	time-to-answer-ended-without-an-answer | CPLR 3215(c) | | +1y
	settlement-papers-tendered-executed-release-and-stipulation-of-discontinuance | CPLR 5003-a(a) | | +21d
	decision-verdict-or-discharge-of-the-jury | CPLR 4405 | | +15d
	order-or-judgment-served-with-notice-of-entry | CPLR 5513(b), 5513(d) | | +30d ext
	date-of-the-notice-of-appeal-in-a-civil-case | 22 NYCRR 1250.9(a) | | +6m
	determination-final-and-binding | CPLR 217(1) | | +4m
	arbitration-award-delivered-to-us | CPLR 7511(a) | | +90d
us-tx-district
	hearing-of-a-motion-to-dismiss-a-baseless-claim | Tex. R. Civ. P. 91a.3(b) | | -21d
	hearing-of-a-motion-to-dismiss-a-baseless-claim | Tex. R. Civ. P. 91a.4 | | -7d
	notice-of-deposition-served | Tex. R. Civ. P. 199.4 | | +3cd
	trial-date | Tex. Civ. Prac. & Rem. Code 33.004(a) | | -60d
	order-of-dismissal-for-want-of-prosecution-signed | Tex. R. Civ. P. 165a(3) | | +30d
	time-to-appeal-ends | Tex. R. App. P. 26.3 | | +15d
	copy-of-an-arbitration-award-delivered-to-us | Tex. Civ. Prac. & Rem. Code 171.088(b) | | +90d
`;

export type WrittenRow = {
	book: string;
	event: string;
	authority: string;
	answers: Record<string, string>;
	/** One after the other: `+3m`, then `-1d`. */
	amounts: string[];
	extended: boolean;
	stays: boolean;
};

/** The rows of a book that are written down here. */
export function listWrittenRows(wanted: string): WrittenRow[] {
	const rows: WrittenRow[] = [];
	let book = '';
	for (const line of ROWS.trim().split('\n')) {
		const [event, authority, answers, count] = line.split('|').map((part) => part.trim());
		if (event === undefined || authority === undefined) {
			book = line.trim();
			continue;
		}
		const words = (count ?? '').split(' ');
		if (book === wanted)
			rows.push({
				book,
				event,
				authority,
				answers: Object.fromEntries(answers ? [answers.split('=')] : []),
				amounts: words.filter((word) => /^[+-]/.test(word)),
				extended: words.includes('ext'),
				stays: words.includes('stays')
			});
	}
	return rows;
}
