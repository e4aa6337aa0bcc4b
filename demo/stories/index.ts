/** Every story of the demo, a file each; matters of the same age are opened in this order. */
import type { Story } from '../story.ts';
import { story as accessibilityOfGangways } from './accessibility-of-gangways.ts';
import { story as berth11Lease } from './berth-11-lease.ts';
import { story as berthFinancing } from './berth-financing.ts';
import { story as boardAndSecurities } from './board-and-securities.ts';
import { story as bolivarRampCraneClaim } from './bolivar-ramp-crane-claim.ts';
import { story as breakwaterWakeDamage } from './breakwater-wake-damage.ts';
import { story as bremnerWageClaim } from './bremner-wage-claim.ts';
import { story as cardTerminalsNewProvider } from './card-terminals-new-provider.ts';
import { story as chiefEngineerDismissal } from './chief-engineer-dismissal.ts';
import { story as coffeeConcessionPier2 } from './coffee-concession-pier-2.ts';
import { story as crewAgencyAgreement } from './crew-agency-agreement.ts';
import { story as customsBondRenewal } from './customs-bond-renewal.ts';
import { story as dangerousGoodsReview } from './dangerous-goods-review.ts';
import { story as deckHandOvertimeLetters } from './deck-hand-overtime-letters.ts';
import { story as dieselOvercharge } from './diesel-overcharge.ts';
import { story as dock4Sublease } from './dock-4-sublease.ts';
import { story as dryDockFramework } from './dry-dock-framework.ts';
import { story as emissionReporting } from './emission-reporting.ts';
import { story as fogBellCollision } from './fog-bell-collision.ts';
import { story as fuelSupply2027 } from './fuel-supply-2027.ts';
import { story as galleyFireSubrogation } from './galley-fire-subrogation.ts';
import { story as harborDischargeNotice } from './harbor-discharge-notice.ts';
import { story as harborPilotFees } from './harbor-pilot-fees.ts';
import { story as insuranceProgram } from './insurance-program.ts';
import { story as kittiwakeCafeMark } from './kittiwake-cafe-mark.ts';
import { story as leftLuggageRobbery } from './left-luggage-robbery.ts';
import { story as liquorPermitsThreeVessels } from './liquor-permits-three-vessels.ts';
import { story as onboardCardTerminals } from './onboard-card-terminals.ts';
import { story as pier9PassengerFall } from './pier-9-passenger-fall.ts';
import { story as projectHeron } from './project-heron.ts';
import { story as purchaseOfTheFerryDunlin } from './purchase-of-the-ferry-dunlin.ts';
import { story as pursersLeaveComplaint } from './pursers-leave-complaint.ts';
import { story as quayWallDamageBerth4 } from './quay-wall-damage-berth-4.ts';
import { story as rampHydraulicsFailure } from './ramp-hydraulics-failure.ts';
import { story as routeDataLicense } from './route-data-license.ts';
import { story as sablewoodHullWarranty } from './sablewood-hull-warranty.ts';
import { story as safetyCitationYard3 } from './safety-citation-yard-3.ts';
import { story as seasonTicketClassAction } from './season-ticket-class-action.ts';
import { story as shorePowerPilot } from './shore-power-pilot.ts';
import { story as slip4Subsidence } from './slip-4-subsidence.ts';
import { story as solentBerthLicence } from './solent-berth-licence.ts';
import { story as solentPontoonCollision } from './solent-pontoon-collision.ts';
import { story as subsidiaryHousekeeping } from './subsidiary-housekeeping.ts';
import { story as terminalBGroundLease } from './terminal-b-ground-lease.ts';
import { story as terminalCleaning } from './terminal-cleaning.ts';
import { story as ticketAppMaintenance } from './ticket-app-maintenance.ts';
import { story as ticketKioskExposure } from './ticket-kiosk-exposure.ts';
import { story as trademarkWatch } from './trademark-watch.ts';
import { story as tugStandbyGalveston } from './tug-standby-galveston.ts';
import { story as turnstilePatent } from './turnstile-patent.ts';
import { story as uniformSupply } from './uniform-supply.ts';
import { story as wharfTenantFitOutClaim } from './wharf-tenant-fit-out-claim.ts';

export const STORIES: readonly Story[] = [
	pier9PassengerFall,
	bremnerWageClaim,
	sablewoodHullWarranty,
	dock4Sublease,
	fogBellCollision,
	turnstilePatent,
	galleyFireSubrogation,
	dieselOvercharge,
	seasonTicketClassAction,
	breakwaterWakeDamage,
	chiefEngineerDismissal,
	harborPilotFees,
	rampHydraulicsFailure,
	leftLuggageRobbery,
	fuelSupply2027,
	crewAgencyAgreement,
	onboardCardTerminals,
	dryDockFramework,
	terminalCleaning,
	coffeeConcessionPier2,
	routeDataLicense,
	tugStandbyGalveston,
	uniformSupply,
	ticketAppMaintenance,
	berth11Lease,
	shorePowerPilot,
	solentBerthLicence,
	harborDischargeNotice,
	accessibilityOfGangways,
	emissionReporting,
	liquorPermitsThreeVessels,
	safetyCitationYard3,
	dangerousGoodsReview,
	customsBondRenewal,
	boardAndSecurities,
	berthFinancing,
	subsidiaryHousekeeping,
	projectHeron,
	insuranceProgram,
	trademarkWatch,
	bolivarRampCraneClaim,
	solentPontoonCollision,
	slip4Subsidence,
	wharfTenantFitOutClaim,
	purchaseOfTheFerryDunlin,
	pursersLeaveComplaint,
	deckHandOvertimeLetters,
	cardTerminalsNewProvider,
	terminalBGroundLease,
	kittiwakeCafeMark,
	ticketKioskExposure,
	quayWallDamageBerth4
];
