/** People and matters found while one types, as items to choose from. */
import type { Item } from './ui/Choose.svelte';

export async function findPeople(typed: string): Promise<Item[]> {
	const r = await fetch(`/api/people?q=${encodeURIComponent(typed)}`);
	if (!r.ok) return [];
	return (
		(await r.json()) as {
			id: string;
			name: string;
			kind: string;
			status: string;
			roles: string;
			formerNames: string;
		}[]
	).map((p) => ({
		value: p.id,
		label: p.name,
		about: [
			p.status !== 'active' && p.status,
			p.roles.replaceAll(',', ', ') || p.kind,
			p.formerNames && `also ${p.formerNames}`
		]
			.filter(Boolean)
			.join(', ')
	}));
}
export async function findMatters(typed: string): Promise<Item[]> {
	const r = await fetch(`/api/matters?q=${encodeURIComponent(typed)}`);
	return r.ok
		? ((await r.json()) as { number: string; title: string; status: string }[]).map((m) => ({
				value: m.number,
				label: `${m.number} ${m.title}`,
				about: m.status === 'open' ? '' : m.status
			}))
		: [];
}
