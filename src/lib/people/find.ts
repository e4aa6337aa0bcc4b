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
type FoundMatter = { id: string; number: string; title: string; status: string };

async function askMatters(typed: string, key: 'id' | 'number'): Promise<Item[]> {
	const response = await fetch(`/api/matters?q=${encodeURIComponent(typed)}`);
	if (!response.ok) return [];
	return ((await response.json()) as FoundMatter[]).map((item) => ({
		value: item[key],
		label: `${item.number} ${item.title}`,
		about: item.status === 'open' ? '' : item.status
	}));
}
/** By their numbers. */
export const findMatters = (typed: string): Promise<Item[]> => askMatters(typed, 'number');
/** By their ids. */
export const findMatterIds = (typed: string): Promise<Item[]> => askMatters(typed, 'id');
