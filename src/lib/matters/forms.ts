/** What the drawers of a matter need beyond its page, asked for when one of them opens. */
import type { StoredKind } from '#server/kinds/queries.ts';
import type { MatterRulebook } from '#server/matters/sheet.ts';

export type MatterForms = {
	kinds: StoredKind[];
	books: MatterRulebook[];
	teams: { id: string; name: string; members: string[] }[];
	/** Those that are offered. */
	origins: { id: string; label: string }[];
	/** What a colleague may be on a matter; other words may be written. */
	parts: readonly string[];
	/** Roles of people that fit any kind. */
	otherRoles: readonly string[];
};

/** @throws where the server does not answer */
export async function fetchMatterForms(): Promise<MatterForms> {
	const response = await fetch('/api/matter-forms');
	if (!response.ok) throw new Error(`the forms of matters: ${response.status}`);
	return (await response.json()) as MatterForms;
}
