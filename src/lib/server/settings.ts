/** The settings of a server, from its environment. */
import { join } from 'node:path';
import { parseDate } from '#core/dates/plain.ts';

export type Settings = {
	/** The folder of the database and the files. */
	data: string;
	/** The address people open, without a slash at its end. */
	origin: string;
	/** Cookies travel over HTTPS only. */
	secure: boolean;
	zone: string;
	/** A day, or a day with a time, at which the clock starts: for the demo and tests. */
	today: string | undefined;
	/** The address of a mail server; null for the Post room. */
	smtp: string | null;
	from: string;
	sealFile: string | null;
	sealPassword: string | null;
	/** 64 hexadecimal digits: by it identity numbers lie encrypted. */
	vaultKey: string | null;
	/** The file in which the audit trail's heads are kept. */
	heads: string;
};

/**
 * Reads the settings. @throws with the name of what is wrong; bin/start.mjs asks the same questions
 * first and prints them
 */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
	const today = env.KITE_TODAY || undefined;
	if (today !== undefined && !isStart(today)) throw new Error(`KITE_TODAY is not a date: ${today}`);
	const origin = (env.KITE_ORIGIN ?? `http://localhost:${env.PORT ?? '3000'}`).replace(/\/$/, '');
	const data = env.KITE_DATA ?? join(process.cwd(), 'data');
	return {
		data,
		origin,
		secure: origin.startsWith('https://'),
		zone: env.KITE_ZONE ?? 'America/Los_Angeles',
		today,
		smtp: env.KITE_SMTP_URL ?? null,
		from: env.KITE_MAIL_FROM ?? 'Larkhaven Ferries Legal <legal@larkhaven.example>',
		sealFile: env.KITE_SEAL_P12 ?? null,
		sealPassword: env.KITE_SEAL_PASSWORD ?? null,
		vaultKey: env.KITE_VAULT_KEY ?? null,
		heads: env.KITE_HEADS ?? join(data, 'heads.log')
	};
}

const isStart = (text: string): boolean =>
	parseDate(text.slice(0, 10)) !== undefined && /^.{10}(T([01]\d|2[0-3]):[0-5]\d)?$/.test(text);
