<!--
	A form that keeps what was typed: faults come back beside their fields, and a lost connection
	loses nothing.
-->
<script lang="ts">
	import { applyAction, enhance } from '$app/forms';
	import { goto, invalidateAll } from '$app/navigation';
	import type { ActionResult } from '@sveltejs/kit';
	import { tick, type Snippet } from 'svelte';
	import type { ConflictView } from '#server/app/errors.ts';
	import Differences from './Differences.svelte';
	import { refuseUnpicked } from './unpicked.ts';
	type Props = {
		action: string;
		ondone?: (data: Record<string, unknown>) => void | Promise<void>;
		/** The form stays busy until what stands now is there. */
		onconflict?: (c: ConflictView) => void | Promise<void>;
		/**
		 * What the fields held when the form was begun: two people's changes are put together by it.
		 * Where both changed a field, the form shows both and `take` puts the chosen one in its place.
		 */
		base?: Record<string, string> | undefined;
		take?: ((field: string, value: string, words: string) => void) | undefined;
		children: Snippet<[{ errors: Record<string, string>; busy: boolean; details: unknown }]>;
		class?: string;
		files?: boolean;
		before?: (data: FormData) => string | undefined;
		stay?: boolean;
	};
	let {
		action,
		ondone,
		onconflict,
		base,
		take,
		children,
		class: more = '',
		files = false,
		before,
		stay = false
	}: Props = $props();
	let errors = $state<Record<string, string>>({});
	/** What the screen needs to offer a way on. */
	let details = $state<unknown>();
	let busy = $state(false);
	// What stood when one began; what others do meanwhile is seen only as a difference.
	// svelte-ignore state_referenced_locally
	let shown = $state(base && { ...base });
	let conflict = $state<ConflictView>();
	let differences = $state<Differences>();

	/** What was seen of the other's change counts as shown from now on. */
	async function showConflict(found: ConflictView) {
		conflict = found;
		for (const { field, values } of found.differences)
			if (shown && values) shown[field] = values.theirs;
		await tick();
		differences?.focus();
	}

	/**
	 * What somebody typed while the answer was awaited: it belongs to what comes next, and is not
	 * cleared with the rest.
	 */
	let typedMeanwhile: { field: HTMLInputElement; value: string }[] = [];
	/** What the server said of a field holds until the field is mended. */
	function mend({ target }: Event) {
		if (!(target instanceof HTMLElement)) return;
		const named = target.closest<HTMLElement>('[data-field]')?.dataset.field;
		const field = (target as HTMLInputElement).name || named;
		if (!field || !errors[field]) return;
		errors = Object.fromEntries(Object.entries(errors).filter(([name]) => name !== field));
	}
	function keep(event: Event) {
		mend(event);
		const { target } = event;
		if (!busy) return;
		const isText =
			target instanceof HTMLTextAreaElement ||
			(target instanceof HTMLInputElement && !['file', 'checkbox', 'radio'].includes(target.type));
		if (!isText) return;
		const field = target as HTMLInputElement;
		typedMeanwhile = typedMeanwhile.filter((one) => one.field !== field);
		typedMeanwhile.push({ field, value: field.value });
	}
	async function putBack() {
		await tick();
		for (const { field, value } of typedMeanwhile) {
			if (!field.isConnected || field.value === value) continue;
			field.value = value;
			field.dispatchEvent(new InputEvent('input', { bubbles: true }));
		}
		typedMeanwhile = [];
	}

	async function finish(result: ActionResult, form: HTMLFormElement) {
		if (result.type === 'failure') {
			errors = (result.data?.errors as Record<string, string>) ?? { '': 'That was refused.' };
			details = result.data?.details;
			if (result.data?.conflict && onconflict) {
				errors = {};
				await onconflict(result.data.conflict as ConflictView);
				return;
			}
			if (result.data?.conflict && base) {
				errors = {};
				await showConflict(result.data.conflict as ConflictView);
				return;
			}
			// To the field at fault, but never away from one that somebody has begun to mend.
			const here = document.activeElement;
			requestAnimationFrame(() => {
				if (document.activeElement === here)
					form.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
			});
		} else if (result.type === 'redirect') await goto(result.location, { invalidateAll: true });
		else if (result.type === 'success') {
			conflict = undefined;
			if (!stay) await invalidateAll();
			await ondone?.((result.data as Record<string, unknown>) ?? {});
			shown = base && { ...base };
			await putBack();
		} else if (result.status === 401)
			errors = {
				'': 'You are signed out. Sign in again in another tab; what you typed is kept here.'
			};
		else if (result.status === 413)
			errors = { '': 'That is too large: a file may have at most 50 MB.' };
		else if (result.status)
			errors = {
				'': `${(result.error as { message?: string })?.message ?? 'Something went wrong.'} What you typed is kept; try again.`
			};
		else await applyAction(result);
	}
</script>

<form
	method="post"
	{action}
	class={more}
	enctype={files ? 'multipart/form-data' : undefined}
	novalidate
	aria-busy={busy}
	oninput={keep}
	use:enhance={({ formData, formElement, cancel }) => {
		errors = {};
		details = undefined;
		if (refuseUnpicked(formElement)) {
			cancel();
			return;
		}
		if (differences?.refuseUndecided()) {
			cancel();
			return;
		}
		const fault = before?.(formData);
		if (fault) {
			errors = { '': fault };
			cancel();
			return;
		}
		busy = true;
		typedMeanwhile = [];
		return async ({ result, formElement }) => {
			try {
				await finish(result, formElement);
			} finally {
				busy = false;
			}
		};
	}}
>
	{#if shown}<input type="hidden" name="base" value={JSON.stringify(shown)} />{/if}
	{#if conflict}
		{#key conflict}
			<Differences
				bind:this={differences}
				by={conflict.by}
				differences={conflict.differences}
				{take}
			/>
		{/key}
	{/if}
	{@render children({ errors, busy, details })}
	{#if errors['']}<p class="fault mt-2" role="alert">{errors['']}</p>{/if}
</form>
