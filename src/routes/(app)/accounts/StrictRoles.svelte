<!-- Which roles may not sign in by the password alone. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	type Props = { roles: readonly { id: string; name: string }[]; strict: readonly string[] };
	let { roles, strict }: Props = $props();
	// svelte-ignore state_referenced_locally
	let chosen = $state([...strict]);
</script>

<Section
	title="Second step"
	about="roles that need an authenticator app or a passkey to sign in"
	class="mt-7 max-w-form"
>
	<ActionForm
		action="?/strict"
		class="mt-2"
		ondone={() => say('Kept; it holds from the next sign-in on.')}
	>
		{#snippet children({ errors, busy })}
			<fieldset class="flex flex-wrap gap-x-6 gap-y-1">
				<legend class="vh">Roles</legend>
				{#each roles as { id, name } (id)}
					<label class="flex min-h-7 items-center gap-2">
						<input type="checkbox" name="roles" value={id} bind:group={chosen} />
						{name}
					</label>
				{/each}
			</fieldset>
			{#if errors.roles}<p class="fault mt-1" role="alert">{errors.roles}</p>{/if}
			<div class="mt-3"><button class="btn" disabled={busy}>Keep</button></div>
		{/snippet}
	</ActionForm>
</Section>
