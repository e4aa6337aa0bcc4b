/**
 * How often each door may be used within a time: what is uploaded, links of guests, calendar
 * addresses. Signing in has limits of its own, which outlive a start anew.
 */
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';

const MINUTES_10 = 600;
const MEGABYTE = 1_000_000;

const LIMITS = {
	/** Megabytes a person sends; a smaller file counts as one. */
	upload: new RateLimiterMemory({ keyPrefix: 'upload', points: 2000, duration: MINUTES_10 }),
	/** What one address asks of links that need no account. */
	link: new RateLimiterMemory({ keyPrefix: 'link', points: 300, duration: MINUTES_10 }),
	/** What is asked of one calendar address; programs ask every few minutes. */
	feed: new RateLimiterMemory({ keyPrefix: 'feed', points: 60, duration: MINUTES_10 })
};
export type Door = keyof typeof LIMITS;

/** What a request takes of a limit. */
export type Draw = { door: Door; key: string; points: number };

type Asked = {
	path: string;
	method: string;
	contentType: string;
	contentLength: number;
	/** Who asks; undefined of a guest. */
	staffId: string | undefined;
	/** Asked for where it is needed: a probe of this machine comes without the proxy's header. */
	address(): string;
};

/** Which limit a request draws on; undefined where it draws on none. */
export function findDraw(asked: Asked): Draw | undefined {
	const { path, method, contentType, contentLength, staffId, address } = asked;
	if (path.startsWith('/feed/')) return { door: 'feed', key: path, points: 1 };
	if (staffId === undefined && /^\/(sign|password)\//.test(path))
		return { door: 'link', key: address(), points: 1 };
	if (method === 'POST' && contentType.startsWith('multipart/form-data')) {
		const points = Math.max(1, Math.ceil(contentLength / MEGABYTE));
		return { door: 'upload', key: staffId ?? address(), points };
	}
	return undefined;
}

/** Takes it; gives the seconds to wait where there is not enough left. */
export async function takeDraw({ door, key, points }: Draw): Promise<number | undefined> {
	try {
		await LIMITS[door].consume(key, points);
		return undefined;
	} catch (refused) {
		if (refused instanceof RateLimiterRes) return Math.ceil(refused.msBeforeNext / 1000);
		throw refused;
	}
}

export const WORDS: Readonly<Record<Door, string>> = {
	upload: 'That is more than is taken in ten minutes: wait a few minutes.',
	link: 'This was asked for too often from here. Wait a few minutes, then open the link again.',
	feed: 'This calendar was asked for too often. Its next asking in a few minutes is answered.'
};
