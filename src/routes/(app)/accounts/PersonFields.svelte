<!-- Who somebody is and what they may do. -->
<script lang="ts">
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	export type Person = {
		name: string;
		email: string;
		role: string;
		level: string;
		office: string;
	};
	type Props = {
		person: Person;
		roles: readonly { id: string; name: string }[];
		levels: readonly string[];
		errors: Record<string, string>;
	};
	let { person = $bindable(), roles, levels, errors }: Props = $props();
</script>

<TextField
	label="Name"
	name="name"
	bind:value={person.name}
	error={errors.name}
	autocomplete="off"
/>
<TextField
	label="Mail address"
	name="email"
	bind:value={person.email}
	error={errors.email}
	autocomplete="off"
/>
<div class="grid grid-cols-2 gap-3">
	<SelectField label="Role" name="role" bind:value={person.role} error={errors.role}>
		<option value="">Choose</option>
		{#each roles as { id, name } (id)}<option value={id}>{name}</option>{/each}
	</SelectField>
	<SelectField
		label="Level"
		hint="for rates"
		name="level"
		bind:value={person.level}
		error={errors.level}
	>
		<option value="">Choose</option>
		{#each levels as level (level)}<option>{level}</option>{/each}
	</SelectField>
</div>
<TextField
	label="Office"
	hint="where they sit: calendars are shown by office"
	name="office"
	bind:value={person.office}
	error={errors.office}
	autocomplete="off"
/>
