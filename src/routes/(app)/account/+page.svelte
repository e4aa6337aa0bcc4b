<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import NewPassword from '$lib/ui/NewPassword.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import SecondFactors from './SecondFactors.svelte';
	let { data } = $props();
	let old = $state('');
	let password = $state('');
	let again = $state('');
	const others = $derived(data.sessions.filter(({ own }) => !own));
	function done({ ended }: Record<string, unknown>) {
		old = password = again = '';
		say(
			Number(ended)
				? `The password is changed; ${plural(Number(ended), 'other session')} ended.`
				: 'The password is changed.'
		);
	}
	/** "Firefox on Windows": what the browser calls itself, in two words. */
	function describe(agent: string): string {
		const browser =
			['Edg', 'OPR', 'Firefox', 'Chrome', 'Safari'].find((one) => agent.includes(one)) ?? '';
		const system =
			['Windows', 'Android', 'iPhone', 'iPad', 'Mac OS', 'Linux'].find((one) =>
				agent.includes(one)
			) ?? '';
		const name = { Edg: 'Edge', OPR: 'Opera' }[browser] ?? browser;
		return [name || 'a browser', system && `on ${system}`].filter(Boolean).join(' ');
	}
</script>

<svelte:head><title>Your account · Kite Pen</title></svelte:head>
<div class="max-w-form px-5 py-4">
	<h1>{data.me.name}</h1>
	<p class="sub mt-1">{data.me.role}; signs in as {data.login}; mail goes to {data.email}</p>
	<Section title="Password" class="mt-5">
		<ActionForm action="?/password" class="mt-3 flex flex-col gap-3" ondone={done}>
			{#snippet children({ errors, busy })}
				<TextField
					label="The password you have now"
					name="old"
					type="password"
					autocomplete="current-password"
					bind:value={old}
					error={errors.old}
				/>
				<NewPassword label="The new one" bind:password bind:again {errors} />
				<div><button class="btn go" disabled={busy}>Change the password</button></div>
			{/snippet}
		</ActionForm>
	</Section>
	<SecondFactors factors={data.factors} needed={data.needed} zone={data.zone} today={data.today} />
	<Section
		title="Where you are signed in"
		about="a session ends after three hours without use, and after twelve in any case"
		class="mt-7"
	>
		{#each data.sessions as { id, own, agent, address, createdAt, seenAt } (id)}
			<div class="row flex min-h-11 flex-wrap items-center gap-x-3 gap-y-1 py-1" data-session={own}>
				<b class="font-semibold">{describe(agent)}</b>
				<span class="sub min-w-0 grow">
					{address ? `from ${address}, ` : ''}since {formatInstant(
						createdAt,
						data.zone,
						data.today
					)}, used {formatInstant(seenAt, data.zone, data.today)}
				</span>
				{#if own}
					<span class="sub">this one</span>
				{:else}
					<RowAction action="?/end" fields={{ sessionId: id }}>end it</RowAction>
				{/if}
			</div>
		{/each}
		{#if others.length}
			<RowAction action="?/end" class="mt-3" fields={{ sessionId: '' }}>End all others</RowAction>
		{/if}
	</Section>
</div>
