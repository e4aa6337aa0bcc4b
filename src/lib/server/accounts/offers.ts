/** What was begun with a second factor and awaits its answer: a secret, or a challenge. */
import type { Context } from '#server/app/application.ts';
import { maybeOne, remove, run } from '#server/db/sql.ts';
import type { FactorOfferRow } from '#server/access/rows.ts';

const MINUTES = 15;

/** Keeps an offer in the place of the one before. */
export function keepOffer(
	{ db, clock }: Context,
	offer: Pick<FactorOfferRow, 'staff_id' | 'sort'> &
		Partial<Pick<FactorOfferRow, 'secret' | 'challenge'>>
): void {
	run(
		db,
		`INSERT INTO factor_offer (staff_id, sort, secret, challenge, expires_at)
		VALUES (@staff_id, @sort, @secret, @challenge, @expires_at)
		ON CONFLICT (staff_id, sort) DO UPDATE
		SET secret = excluded.secret, challenge = excluded.challenge, expires_at = excluded.expires_at`,
		{
			secret: null,
			challenge: null,
			...offer,
			expires_at: new Date(Date.parse(clock.now()) + MINUTES * 60_000).toISOString()
		}
	);
}

/** The offer that stands; undefined where it is too old. */
export const findOffer = (
	{ db, clock }: Context,
	staff_id: string,
	sort: FactorOfferRow['sort']
): FactorOfferRow | undefined =>
	maybeOne(
		db,
		`SELECT *
		FROM factor_offer
		WHERE staff_id = @staff_id AND sort = @sort AND expires_at > @now`,
		{ staff_id, sort, now: clock.now() }
	);

export const endOffer = ({ db }: Context, staff_id: string, sort: FactorOfferRow['sort']): void =>
	void remove<FactorOfferRow>(db, 'factor_offer', { staff_id, sort });
