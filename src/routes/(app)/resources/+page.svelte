<!-- Rooms and things that can be booked, and the department's sorts of appointments. -->
<script lang="ts">
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Section from '$lib/ui/Section.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { plural } from '$lib/ui/format.ts';
	let { data } = $props();
	type Resource = (typeof data.resources)[number];
	const blank = () => ({ id: '', name: '', sort: 'room', office: '', seats: '', put: false });
	let form = $state(blank());
	let isOpen = $state(false);
	function change(one: Resource) {
		form = { ...one, seats: String(one.seats ?? ''), put: one.active === 0 };
		isOpen = true;
	}
	function add() {
		form = blank();
		isOpen = true;
	}
	// svelte-ignore state_referenced_locally
	let names = $state(data.sorts.join('\n'));
</script>

<svelte:head><title>Rooms and things · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-4">
		<h1 class="grow">Rooms and things</h1>
		<HouseTabs />
		<button type="button" class="btn go" onclick={add}>Add one</button>
	</div>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,1fr)_340px]">
		<Section title="What can be booked" about={String(data.resources.length || '')}>
			{#each data.resources as one (one.id)}
				<div class="row flex min-h-9 items-center gap-4">
					<b class="min-w-0 grow truncate font-semibold">{one.name}</b>
					<span class="sub">
						{[one.sort, one.seats && plural(one.seats, 'seat'), one.office]
							.filter(Boolean)
							.join(', ')}{one.active ? '' : ', put away'}
					</span>
					<button type="button" class="act" onclick={() => change(one)}>change</button>
				</div>
			{:else}
				<Empty>No room yet. Add one, and it can be booked with an appointment.</Empty>
			{/each}
		</Section>
		<Section title="Sorts of appointments" about="the department’s own, one a line">
			<ActionForm action="?/sorts" ondone={() => say('The list is kept.')}>
				{#snippet children({ errors, busy })}
					<TextArea
						label="The list"
						name="names"
						bind:value={names}
						error={errors.names}
						rows={8}
					/>
					<button class="btn mt-2" disabled={busy}>Keep the list</button>
				{/snippet}
			</ActionForm>
		</Section>
	</div>
</div>

<Drawer bind:open={isOpen} title={form.id ? 'Change it' : 'Something that can be booked'}>
	<ActionForm
		action="?/resource"
		ondone={() => {
			say(`${form.name} is kept.`);
			isOpen = false;
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3">
				<input type="hidden" name="resourceId" value={form.id} />
				<TextField
					label="Name"
					name="name"
					bind:value={form.name}
					error={errors.name}
					autocomplete="off"
				/>
				<div class="grid grid-cols-2 gap-3">
					<SelectField label="What it is" name="sort" bind:value={form.sort} error={errors.sort}>
						<option>room</option>
						<option>vehicle</option>
						<option>thing</option>
					</SelectField>
					<TextField
						label="Seats"
						name="seats"
						bind:value={form.seats}
						error={errors.seats}
						inputmode="numeric"
						autocomplete="off"
					/>
				</div>
				<TextField label="Office" name="office" bind:value={form.office} error={errors.office} />
				{#if form.id}
					<label class="flex min-h-6 items-center gap-2">
						<input type="checkbox" name="put" class="accent-petrol" bind:checked={form.put} />
						put away: it is not booked any more
					</label>
				{/if}
				<div><button class="btn go" disabled={busy}>Keep it</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
