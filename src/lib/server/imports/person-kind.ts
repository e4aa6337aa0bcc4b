/** Whether a row speaks of a person or an organization. */
import type { PersonRow } from '#server/people/rows.ts';

const ORGANIZATION_WORDS =
	/\b(inc|llc|llp|ltd|limited|corp|corporation|company|co|gmbh|plc|partners|bank|agency|department|city|county|authority|group)\b\.?/i;

/** As the row says it, or else as its name looks; null where the word is neither. */
export function personKind(kind: string, name: string): PersonRow['kind'] | null {
	if (kind === '') return ORGANIZATION_WORDS.test(name) ? 'organization' : 'person';
	if (/^(p|person|individual|natural person)$/i.test(kind)) return 'person';
	return /^(o|org|organi[sz]ation|company|firm|entity)$/i.test(kind) ? 'organization' : null;
}
