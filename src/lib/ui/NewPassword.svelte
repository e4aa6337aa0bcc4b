<!-- A new password, and the same again. -->
<script lang="ts">
	import TextField from './TextField.svelte';
	type Props = { label: string; password: string; again: string; errors: Record<string, string> };
	let { label, password = $bindable(), again = $bindable(), errors }: Props = $props();
</script>

<TextField
	{label}
	hint="at least 12 characters; a few words are best"
	name="password"
	type="password"
	autocomplete="new-password"
	bind:value={password}
	error={errors.password}
/>
<TextField
	label="{label} again"
	name="again"
	type="password"
	autocomplete="new-password"
	bind:value={again}
	error={errors.again}
/>
