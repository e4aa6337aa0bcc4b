/** People and matters found while one types, as items to choose from. */
import type { Item } from '$lib/ui/Choose.svelte';

export async function findPeople(typed: string): Promise<Item[]> {
	const response = await fetch(`/api/people?q=${encodeURIComponent(typed)}`);
	if (!response.ok) return [];
	return (
		(await response.json()) as {
			id: string;
			name: string;
			kind: string;
			status: string;
			roles: string;
			otherNames: string;
		}[]
	).map((item) => ({
		value: item.id,
		label: item.name,
		about: [
			item.status !== 'active' && item.status,
			item.roles.replaceAll(',', ', ') || item.kind,
			item.otherNames && `also ${item.otherNames}`
		]
			.filter(Boolean)
			.join(', ')
	}));
}
export async function findMatters(typed: string): Promise<Item[]> {
	const response = await fetch(`/api/matters?q=${encodeURIComponent(typed)}`);
	return response.ok
		? ((await response.json()) as { number: string; title: string; status: string }[]).map(
				(item) => ({
					value: item.number,
					label: `${item.number} ${item.title}`,
					about: item.status === 'open' ? '' : item.status
				})
			)
		: [];
}
