/**
 * Money and shares as people write them and read them. Money is integer cents, a share
 * ten-thousandths of a percent.
 */
import { WHOLE_SHARE } from '../costs/money.ts';

/** "1,234.50"; negative with a true minus sign. */
export function formatCents(cents: number): string {
	const abs = Math.abs(cents);
	return `${cents < 0 ? '−' : ''}${Math.floor(abs / 100).toLocaleString('en-US')}.${String(abs % 100).padStart(2, '0')}`;
}

/** "70 %", "33.3333 %". */
export const formatShare = (share: number): string => `${share / 10_000} %`;

/**
 * Reads a percentage ("70", "33.3333") as a share; undefined where it is not one from 0 to 100 with
 * at most four decimals.
 */
export function parseShare(text: string): number | undefined {
	if (!/^\d{1,3}(\.\d{1,4})?$/.test(text.trim())) return undefined;
	const share = Math.round(Number(text) * 10_000);
	return share <= WHOLE_SHARE ? share : undefined;
}

/**
 * Reads an amount as people type it ("1,250.00", "1250", "$1,250.5", "-3.20") into cents; undefined
 * where it is none, or beyond what cents can hold.
 */
export function parseCents(text: string): number | undefined {
	const match = /^([-−])?[$€£]?\s?((?:\d{1,3}(?:,\d{3})+|\d{1,13}))(?:\.(\d{1,2}))?$/.exec(
		text.trim()
	);
	if (!match) return undefined;
	const cents =
		Number(match[2]!.replaceAll(',', '')) * 100 + Number((match[3] ?? '').padEnd(2, '0'));
	return Number.isSafeInteger(cents) ? (match[1] && cents !== 0 ? -cents : cents) : undefined;
}
