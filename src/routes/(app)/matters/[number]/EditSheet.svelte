<!--
	The whole sheet in a drawer. Where someone else changed the same field meanwhile, both versions
	are shown and one is chosen.
-->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import type { Difference } from '#server/app/errors.ts';
	import { isLawyer } from '#core/access/table.ts';
	import FactFields from '$lib/matters/FactFields.svelte';
	import type { MatterForms } from '$lib/matters/forms.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Differences from '$lib/ui/Differences.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { PageData } from './$types.js';
	type Props = { data: PageData; forms: MatterForms; open: boolean };
	let { data, forms, open = $bindable() }: Props = $props();
	const c = $derived(data.caption);
	const lawyers = $derived(
		data.staff.filter(({ role, id }) => isLawyer(role) || id === c.responsibleId)
	);
	const kind = $derived(forms.kinds.find(({ id }) => id === c.kind)!);
	const kinds = $derived(forms.kinds.filter(({ id, active }) => active || id === c.kind));
	let base = $state<Record<string, string>>({}),
		v = $state<Record<string, string>>({}),
		names = $state<Record<string, string>>({}),
		version = $state(0);
	let conflict = $state<{ by: string; differences: Difference[] } | null>(null),
		choice = $state<Record<string, 'theirs' | 'yours'>>({});
	let was = false;
	// The form begins from the sheet each time it is opened; while it is open, nothing from outside
	// changes what is typed.
	$effect(() => {
		if (open && !was) {
			base = { ...data.fields };
			v = { ...data.fields };
			names = { ...data.names };
			version = c.version;
			conflict = null;
		}
		was = open;
	});
	/** Only what differs from the beginning is sent; of a difference, what was chosen. */
	const changed = $derived(
		Object.fromEntries(
			Object.entries(v)
				.filter(
					([k, x]) =>
						x !== base[k] &&
						!(conflict?.differences.some((d) => d.field === k) && choice[k] === 'theirs')
				)
				.flatMap(([k, x]) =>
					k.startsWith('more:')
						? [
								[k, x],
								[k.replace('more:', 'fact:'), v[k.replace('more:', 'fact:')] ?? '']
							]
						: k.startsWith('fact:') && `more:${k.slice(5)}` in v
							? [
									[k, x],
									[`more:${k.slice(5)}`, v[`more:${k.slice(5)}`]!]
								]
							: [[k, x]]
				)
		)
	);
</script>

<Drawer bind:open title="Change the facts" about={c.number} wide>
	<ActionForm
		action="?/edit"
		ondone={() => {
			open = false;
		}}
		onconflict={(x) => {
			conflict = x;
			version = x.version;
			choice = Object.fromEntries(x.differences.map((d) => [d.field, 'yours']));
			say(`${x.by} changed this meanwhile.`);
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="matterId" value={c.id} /><input
					type="hidden"
					name="version"
					value={version}
				/><input type="hidden" name="base" value={JSON.stringify(base)} /><input
					type="hidden"
					name="fields"
					value={JSON.stringify(changed)}
				/>
				{#if conflict}<Differences
						by={conflict.by}
						differences={conflict.differences}
						bind:choice
					/>{/if}
				<TextField label="Title" error={errors.title} bind:value={v.title} />
				<div class="grid grid-cols-2 gap-3">
					<SelectField label="Kind" error={errors.kind} bind:value={v.kind}
						>{#each kinds as k (k.id)}<option value={k.id}>{k.name}</option>{/each}</SelectField
					>
					<SelectField label="Priority" error={errors.priority} bind:value={v.priority}
						><option>high</option><option>normal</option><option>low</option></SelectField
					>
					<SelectField label="Business unit" error={errors.unit} bind:value={v.unit}
						>{#each data.units as u (u.id)}<option value={u.id}>{u.name}</option
							>{/each}</SelectField
					>
					<SelectField
						label="Responsible lawyer"
						error={errors.responsible}
						bind:value={v.responsible}
						>{#each lawyers as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</SelectField
					>
					<SelectField label="Opened by" error={errors.originating} bind:value={v.originating}
						>{#each data.staff as s (s.id)}<option value={s.id}>{s.name}</option
							>{/each}</SelectField
					>
					<SelectField label="Origin" error={errors.origin} bind:value={v.origin}>
						<option value="">Not said</option>
						{#each forms.origins as { id, label } (id)}<option value={id}>{label}</option>{/each}
					</SelectField>
				</div>
				<TextArea
					label="Description"
					error={errors.description}
					rows={4}
					bind:value={v.description}
				/>
				<SelectField label="Rulebook" error={errors.rulebook} bind:value={v.rulebook}
					><option value="">None</option>{#each forms.books as b (b.id)}<option value={b.id}
							>{b.title}</option
						>{/each}</SelectField
				>
				<TextArea
					label="Cautions"
					error={errors.cautions}
					hint="Pinned on the caption strip, one a line"
					rows={2}
					bind:value={v.cautions}
				/>
				<div class="ruled mt-1"><h2>Facts of {kind.name.toLowerCase()}</h2></div>
				{#if v.kind === c.kind}<FactFields {kind} bind:fields={v} bind:names {errors} />{:else}<p
						class="sub"
					>
						The facts of the new kind are asked for once it is saved. What is written now stays
						readable.
					</p>{/if}
				<div class="sticky bottom-[-24px] -mx-[22px] border-t border-rule bg-white px-[22px] py-3">
					<button class="btn go" disabled={busy}>Save the facts</button>
				</div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
