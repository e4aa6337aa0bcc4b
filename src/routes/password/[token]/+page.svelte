<script lang="ts">
	import Logo from '$lib/shell/Logo.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import NewPassword from '$lib/ui/NewPassword.svelte';
	let { data } = $props();
	let password = $state('');
	let again = $state('');
	let login = $state('');
</script>

<svelte:head
	><title>Set a password · Kite Pen</title><meta name="robots" content="noindex" /></svelte:head
>
<header class="flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<Logo /><span class="read text-head font-medium">{data.department || 'Kite Pen'}</span>
</header>
<main class="mx-auto max-w-[380px] px-6 pt-16">
	{#if login}
		<h1>The password is set</h1>
		<p class="mt-3">You sign in as <b>{login}</b>. This link is used up.</p>
		<p class="mt-4"><a class="btn go" href="/sign-in">Sign in</a></p>
	{:else if data.person}
		<h1>Set a password</h1>
		<p class="sub mt-1">{data.person.name}, who signs in as {data.person.login}</p>
		<ActionForm
			action=""
			class="mt-5 flex flex-col gap-4"
			stay
			ondone={(done) => void (login = String(done.login))}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" autocomplete="username" value={data.person?.login} />
				<NewPassword label="The new password" bind:password bind:again {errors} />
				<div><button class="btn go" disabled={busy}>Set the password</button></div>
			{/snippet}
		</ActionForm>
	{:else}
		<h1>This link does not hold any more</h1>
		<p class="mt-3">It was used, or is older than two days. Ask an administrator for another.</p>
	{/if}
</main>
