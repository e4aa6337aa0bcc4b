/**
 * A calendar file that somebody chose: looked into by a worker, before any of its events is
 * entered.
 */
import { z } from 'zod';
import type { Context } from '#server/app/application.ts';
import { Refused } from '#server/app/errors.ts';
import { MEGABYTE } from '#server/files/media.ts';
import { CALENDAR_LIMIT, type CalendarEvent } from './read.ts';
import { readCalendarTask } from './tasks.ts';

const input = z.object({ ics: z.file({ error: 'Choose a calendar file.' }) });

export type FoundEvents = {
	found: CalendarEvent[];
	/** How many were left out. */
	left: number;
	file: string;
};

/** What a calendar file has, as a spec of what a form asks. */
export const readCalendarFile = {
	input,
	async run(ctx: Context, { ics }: z.output<typeof input>): Promise<FoundEvents> {
		if (ics.size > CALENDAR_LIMIT)
			throw new Refused(
				`The file has ${(ics.size / MEGABYTE).toFixed(1)} MB: a calendar to bring in has at most 1 MB. Export a shorter span.`,
				'ics'
			);
		const data = new Uint8Array(await ics.arrayBuffer());
		const read = await readIn(ctx, data);
		if ('error' in read) throw new Refused(read.error, 'ics');
		return { found: read.events, left: read.left, file: ics.name };
	}
};

/** A limit that was met is told beside the field. */
async function readIn(ctx: Context, data: Uint8Array) {
	try {
		return await ctx.work.run(readCalendarTask, { data, zone: ctx.clock.zone });
	} catch (error) {
		if (error instanceof Refused) throw new Refused(error.message, 'ics');
		throw error;
	}
}
