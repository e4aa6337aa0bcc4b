<!-- What of an event is corrected beside its day: its name, its time, how it was served. -->
<script lang="ts">
	import { capitalize } from '#core/format/words.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Props = {
		name: string;
		time: string;
		service: string;
		ahead: boolean;
		timed: boolean;
		/** The ways of service; null where it is not asked. */
		services: { id: string; label: string }[] | null;
		errors: Record<string, string>;
		/** The day stays as it is, where none is typed. */
		oncorrect: () => void;
	};
	let {
		name = $bindable(),
		time = $bindable(),
		service = $bindable(),
		ahead,
		timed,
		services,
		errors,
		oncorrect
	}: Props = $props();
</script>

<TextField
	label="Name it"
	error={errors.name}
	class="mt-3"
	hint="which one it is"
	name="name"
	bind:value={name}
	onchange={oncorrect}
	autocomplete="off"
/>
{#if ahead || timed}
	<TextField
		label="At"
		error={errors.time}
		class="mt-3"
		name="time"
		bind:value={time}
		placeholder="time"
	/>
{/if}
{#if services}
	<SelectField
		label={ahead ? 'To be served by' : 'Served by'}
		error={errors.service}
		class="mt-3"
		name="service"
		bind:value={service}
		onchange={oncorrect}
	>
		<option value="">Not served, or not known</option>
		{#each services as { id, label } (id)}<option value={id}>{capitalize(label)}</option>{/each}
	</SelectField>
{/if}
