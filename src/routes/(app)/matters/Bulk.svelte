<!-- Changes many matters at once: first what it would do to each, then all of them or none. -->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { plural } from '$lib/ui/format.ts';
	type Fate = { number: string; title: string; was: string; fault: string | null };
	let {
		open = $bindable(),
		numbers,
		kinds,
		ondone
	}: {
		open: boolean;
		numbers: string[];
		kinds: Record<string, string>;
		ondone: () => void;
	} = $props();
	let what = $state('responsible'),
		value = $state(''),
		reason = $state(''),
		preview = $state<Fate[] | null>(null);
	let was = false;
	$effect(() => {
		if (open && !was) {
			preview = null;
			value = '';
			reason = '';
		}
		was = open;
	});
	const can = $derived((preview ?? []).filter((p) => p.fault === null).map((p) => p.number));
	const reset = () => {
		preview = null;
	};
</script>

<Drawer
	bind:open
	title="Change {plural(numbers.length, 'matter')}"
	about="Nothing is saved until you have seen what becomes of each."
	wide
>
	<ActionForm
		action="?/preview"
		stay
		ondone={(d) => {
			preview = d.preview as Fate[];
		}}
	>
		{#snippet children({ errors, busy })}
			{#each numbers as n (n)}<input type="hidden" name="numbers" value={n} />{/each}
			<div class="grid grid-cols-2 gap-3">
				<SelectField
					label="What changes"
					error={errors.what}
					name="what"
					bind:value={what}
					onchange={() => {
						value = '';
						reset();
					}}
					>{#each Object.entries(kinds) as [k, n] (k)}<option value={k}>{n}</option
						>{/each}</SelectField
				>
				<SelectField label="To" error={errors.value} name="value" bind:value onchange={reset}
					><option value="">Choose</option>
					{#if what === 'responsible' || what === 'member'}{#each page.data.staff as s (s.id)}<option
								value={s.id}>{s.name}</option
							>{/each}{:else if what === 'unit'}{#each page.data.units as u (u.id)}<option
								value={u.id}>{u.name}</option
							>{/each}{:else if what === 'priority'}<option>high</option><option>normal</option
						><option>low</option>{:else}<option>open</option><option>on hold</option><option
							>proposed</option
						>{/if}</SelectField
				>
			</div>
			{#if what === 'status'}<TextField
					class="mt-3"
					label="Reason"
					error={errors.reason}
					name="reason"
					bind:value={reason}
					oninput={reset}
				/>{/if}
			<div class="mt-3"><button class="btn" disabled={busy}>Show what it would do</button></div>
		{/snippet}
	</ActionForm>
	{#if preview}
		<table class="list mt-4">
			<thead
				><tr><th>Matter</th><th class="w-[150px]">Now</th><th class="w-[190px]">Then</th></tr
				></thead
			><tbody
				>{#each preview as p (p.number)}<tr
						><td><b class="font-semibold">{p.number}</b> {p.title}</td><td>{p.was}</td><td
							class={p.fault ? 'text-madder' : 'text-spruce'}>{p.fault ?? 'changes'}</td
						></tr
					>{/each}</tbody
			>
		</table>
		{#if can.length}
			<ActionForm
				action="?/bulk"
				class="mt-4"
				ondone={(d) => {
					open = false;
					say(`Changed ${d.changed} matters.`);
					ondone();
				}}
				>{#snippet children({ busy })}{#each can as n (n)}<input
							type="hidden"
							name="numbers"
							value={n}
						/>{/each}<input type="hidden" name="what" value={what} /><input
						type="hidden"
						name="value"
						{value}
					/><input type="hidden" name="reason" value={reason} /><button
						class="btn go"
						disabled={busy}>Change {plural(can.length, 'matter')}</button
					>{/snippet}</ActionForm
			>
		{:else}<p class="sub mt-3">None of them can be changed so.</p>{/if}
	{/if}
</Drawer>
