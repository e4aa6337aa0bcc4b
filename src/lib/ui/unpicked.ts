/**
 * A field that finds sends what was chosen, not what was typed. Words that were typed and not
 * chosen would be lost in silence, so a form that holds some is not sent.
 */
import { tick } from 'svelte';

/** Tells such a field that its form was to be sent. */
export const UNPICKED = 'unpicked';

/** Whether a form is not to be sent; the fields say why, and the first has the focus. */
export function refuseUnpicked(form: HTMLFormElement): boolean {
	const fields = form.querySelectorAll<HTMLElement>('[data-unpicked]');
	for (const field of fields) field.dispatchEvent(new CustomEvent(UNPICKED));
	void tick().then(() => fields[0]?.querySelector<HTMLElement>('input')?.focus());
	return fields.length > 0;
}
