<!--
	The sheet as fields. While it is open, nothing from outside changes what is typed; only what
	differs from the beginning is sent.
-->
<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { isLawyer } from '#core/access/table.ts';
	import FactFields from '$lib/matters/FactFields.svelte';
	import type { MatterForms } from '$lib/matters/forms.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { PageData } from './$types.js';
	type Props = { data: PageData; forms: MatterForms; ondone: () => void };
	let { data, forms, ondone }: Props = $props();
	const caption = $derived(data.caption);
	const lawyers = $derived(
		data.staff.filter(({ role, id }) => isLawyer(role) || id === caption.responsibleId)
	);
	const kind = $derived(forms.kinds.find(({ id }) => id === caption.kind)!);
	const kinds = $derived(forms.kinds.filter(({ id, active }) => active || id === caption.kind));
	// svelte-ignore state_referenced_locally
	const base: Record<string, string> = { ...data.fields };
	let fields = $state<Record<string, string>>({ ...base });
	// svelte-ignore state_referenced_locally
	let names = $state<Record<string, string>>({ ...data.names });
	/** A coded value and the words beside it go together. */
	const otherHalf = (field: string) =>
		field.startsWith('more:')
			? field.replace('more:', 'fact:')
			: field.startsWith('fact:')
				? field.replace('fact:', 'more:')
				: field;
	/** One of two people's values is chosen; the names in a group are looked up anew. */
	async function take(field: string, value: string, words: string) {
		fields[field] = value;
		if (field in names) names[field] = words;
		if (!field.startsWith('group:')) return;
		await invalidateAll();
		const inGroup = Object.entries(data.names).filter(([key]) => key.startsWith(`${field}:`));
		Object.assign(names, Object.fromEntries(inGroup));
	}
	const changed = $derived(
		Object.fromEntries(
			Object.keys(fields)
				.filter((field) => fields[field] !== base[field])
				.flatMap((field) => [field, otherHalf(field)])
				.filter((field) => field in fields || field.startsWith('fact:'))
				.map((field) => [field, fields[field] ?? ''])
		)
	);
</script>

<ActionForm action="?/edit" {base} {take} ondone={() => ondone()}>
	{#snippet children({ errors, busy })}
		<div class="flex flex-col gap-3.5">
			<input type="hidden" name="matterId" value={caption.id} />
			<input type="hidden" name="fields" value={JSON.stringify(changed)} />
			<TextField label="Title" error={errors.title} bind:value={fields.title} />
			<div class="grid grid-cols-2 gap-3">
				<SelectField label="Kind" error={errors.kind} bind:value={fields.kind}>
					{#each kinds as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
				<SelectField label="Priority" error={errors.priority} bind:value={fields.priority}>
					<option>high</option>
					<option>normal</option>
					<option>low</option>
				</SelectField>
				<SelectField label="Business unit" error={errors.unit} bind:value={fields.unit}>
					{#each data.units as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
				<SelectField
					label="Responsible lawyer"
					error={errors.responsible}
					bind:value={fields.responsible}
				>
					{#each lawyers as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
				<SelectField label="Opened by" error={errors.originating} bind:value={fields.originating}>
					{#each data.staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</SelectField>
				<SelectField label="Origin" error={errors.origin} bind:value={fields.origin}>
					<option value="">Not said</option>
					{#each forms.origins as { id, label } (id)}<option value={id}>{label}</option>{/each}
				</SelectField>
			</div>
			<TextArea
				label="Description"
				error={errors.description}
				rows={4}
				bind:value={fields.description}
			/>
			<SelectField label="Rulebook" error={errors.rulebook} bind:value={fields.rulebook}>
				<option value="">None</option>
				{#each forms.books as { id, title } (id)}<option value={id}>{title}</option>{/each}
			</SelectField>
			<TextArea
				label="Cautions"
				error={errors.cautions}
				hint="Pinned on the caption strip, one a line"
				rows={2}
				bind:value={fields.cautions}
			/>
			<div class="ruled mt-1"><h2>Facts of {kind.name.toLowerCase()}</h2></div>
			{#if fields.kind === caption.kind}
				<FactFields {kind} bind:fields bind:names {errors} />
			{:else}
				<p class="sub">
					The facts of the new kind are asked for once it is saved. What is written now stays
					readable.
				</p>
			{/if}
			<div class="sticky bottom-[-24px] -mx-[22px] border-t border-rule bg-white px-[22px] py-3">
				<button class="btn go" disabled={busy}>Save the facts</button>
			</div>
		</div>
	{/snippet}
</ActionForm>
