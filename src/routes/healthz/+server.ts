import { json } from '@sveltejs/kit';
import { alive } from '#server/house.ts';
import { theWorld } from '#server/web.ts';

export function GET() {
	alive(theWorld());
	return json({ ok: true });
}
