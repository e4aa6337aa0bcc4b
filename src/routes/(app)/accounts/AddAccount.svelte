<!-- Somebody comes into the department. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import PasswordLink from './PasswordLink.svelte';
	import PersonFields, { type Person } from './PersonFields.svelte';
	type Props = {
		open: boolean;
		roles: readonly { id: string; name: string }[];
		levels: readonly string[];
	};
	let { open = $bindable(), roles, levels }: Props = $props();
	const blank = (): Person => ({ name: '', email: '', role: '', level: '', office: '' });
	let login = $state('');
	let person = $state(blank());
	let made = $state<{ link: string; name: string }>();
	function done({ link }: Record<string, unknown>) {
		made = { link: String(link), name: person.name };
		login = '';
		person = blank();
	}
</script>

<Drawer
	bind:open={
		() => open,
		(next) => {
			open = next;
			if (!next) made = undefined;
		}
	}
	title="Add an account"
	about="they set their password by a link that you hand them"
>
	{#if made}
		<PasswordLink {...made} />
		<button type="button" class="act mt-4" onclick={() => (made = undefined)}>Add another</button>
	{:else}
		<ActionForm action="?/add" ondone={done}>
			{#snippet children({ errors, busy })}
				<div class="flex flex-col gap-3">
					<TextField
						label="Signs in as"
						name="login"
						bind:value={login}
						error={errors.login}
						autocomplete="off"
					/>
					<PersonFields bind:person {roles} {levels} {errors} />
					<div><button class="btn go" disabled={busy}>Add the account</button></div>
				</div>
			{/snippet}
		</ActionForm>
	{/if}
</Drawer>
