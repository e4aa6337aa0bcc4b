<!-- What one shows beside the password at a sign-in. -->
<script lang="ts">
	import AddFactor from '$lib/accounts/AddFactor.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { FactorView } from '#server/access/factors.ts';
	type Props = {
		factors: readonly FactorView[];
		/** The role may not sign in without one. */
		needed: boolean;
		zone: string;
		today: string;
	};
	let { factors, needed, zone, today }: Props = $props();
	let removing = $state('');
	let password = $state('');
	const SORTS = { code: 'code', passkey: 'passkey' };
</script>

<Section
	title="Second step"
	about={needed ? 'your role needs one' : 'asked at each sign-in once there is one'}
	class="mt-7"
>
	{#each factors as { id, sort, label, addedAt, usedAt } (id)}
		<div class="row flex min-h-11 flex-wrap items-center gap-x-3 gap-y-1 py-1" data-factor={label}>
			<b class="font-semibold">{label}</b>
			<span class="sub min-w-0 grow">
				{SORTS[sort]}, since {formatInstant(addedAt, zone, today)}{usedAt
					? `, used ${formatInstant(usedAt, zone, today)}`
					: ''}
			</span>
			{#if removing === id}
				<ActionForm
					action="?/removeFactor"
					class="flex items-end gap-2"
					ondone={() => {
						removing = password = '';
						say('It is not asked any more.');
					}}
				>
					{#snippet children({ errors, busy })}
						<input type="hidden" name="factorId" value={id} />
						<TextField
							label="Your password"
							name="password"
							type="password"
							autocomplete="current-password"
							bind:value={password}
							error={errors.password}
							autofocus
						/>
						<button class="btn" disabled={busy}>Remove it</button>
						<button type="button" class="act pb-2" onclick={() => (removing = '')}>cancel</button>
					{/snippet}
				</ActionForm>
			{:else}
				<button class="act" aria-label="Remove {label}" onclick={() => (removing = id)}
					>remove</button
				>
			{/if}
		</div>
	{:else}
		<p class="sub mt-2">None: the password alone lets you in.</p>
	{/each}
	<div class="mt-3"><AddFactor ondone={() => say('It is asked from the next sign-in on.')} /></div>
</Section>
