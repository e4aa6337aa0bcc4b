import { json } from '@sveltejs/kit';
import { theWorld } from '#server/web.ts';

export function GET() {
	theWorld().db.prepare('SELECT 1').get();
	return json({ ok: true });
}
