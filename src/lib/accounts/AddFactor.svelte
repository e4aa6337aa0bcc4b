<!--
	A second factor is set up: an authenticator app by its picture and first code, or a passkey by the
	browser.
-->
<script lang="ts">
	import {
		startRegistration,
		type PublicKeyCredentialCreationOptionsJSON
	} from '@simplewebauthn/browser';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Props = {
		/** Where to, once it is set up at a sign-in. */
		to?: string;
		ondone?: () => void;
	};
	let { to = '', ondone }: Props = $props();
	const way = $derived(to ? `&to=${encodeURIComponent(to)}` : '');
	let app = $state<{ secret: string; picture: string } | null>(null);
	let code = $state('');
	let name = $state('Authenticator app');
	let response = $state('');
	let keyName = $state('Passkey');
	let fault = $state('');
	const grouped = $derived(app?.secret.match(/.{1,4}/g)?.join(' ') ?? '');
	/** The picture comes from our own server, as an image: nothing in it can act. */
	const picture = $derived(app ? `data:image/svg+xml,${encodeURIComponent(app.picture)}` : '');
	async function make({ options }: Record<string, unknown>) {
		fault = '';
		try {
			const optionsJSON = options as PublicKeyCredentialCreationOptionsJSON;
			response = JSON.stringify(await startRegistration({ optionsJSON }));
		} catch {
			fault = 'No passkey was made. Try once more, or take an authenticator app.';
		}
	}
	function done() {
		app = null;
		code = response = '';
		ondone?.();
	}
</script>

{#if app}
	<ActionForm action="?/addCode{way}" ondone={done}>
		{#snippet children({ errors, busy })}
			<p>Let the app read this, or type the letters there; then write its first code here.</p>
			<div class="mt-3 grid gap-5 sm:grid-cols-[180px_minmax(0,1fr)]">
				<div>
					<img src={picture} alt="For the app to read" width="180" height="180" />
					<p class="mt-2 break-words" data-secret>{grouped}</p>
				</div>
				<div class="flex flex-col gap-3">
					<TextField
						label="Code"
						name="code"
						bind:value={code}
						error={errors.code}
						inputmode="numeric"
						autocomplete="one-time-code"
						autofocus
					/>
					<TextField label="A name for it" name="label" bind:value={name} error={errors.label} />
					<div class="flex gap-2">
						<button class="btn go" disabled={busy}>Add it</button>
						<button type="button" class="btn slight" onclick={() => (app = null)}>Cancel</button>
					</div>
				</div>
			</div>
		{/snippet}
	</ActionForm>
{:else if response}
	<ActionForm action="?/addPasskey{way}" ondone={done}>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="response" value={response} />
			<div class="flex flex-col gap-3">
				<TextField label="A name for it" name="label" bind:value={keyName} error={errors.label} />
				{#if errors.passkey}<p class="fault" role="alert">{errors.passkey}</p>{/if}
				<div class="flex gap-2">
					<button class="btn go" disabled={busy}>Add the passkey</button>
					<button type="button" class="btn slight" onclick={() => (response = '')}>Cancel</button>
				</div>
			</div>
		{/snippet}
	</ActionForm>
{:else}
	<div class="flex flex-wrap gap-2">
		<ActionForm
			action="?/beginCode{way}"
			stay
			ondone={({ secret, picture: svg }) =>
				void (app = { secret: String(secret), picture: String(svg) })}
		>
			{#snippet children({ busy })}
				<button class="btn" disabled={busy}>Add an authenticator app</button>
			{/snippet}
		</ActionForm>
		<ActionForm action="?/beginPasskey{way}" stay ondone={make}>
			{#snippet children({ busy })}
				<button class="btn" disabled={busy}>Add a passkey</button>
			{/snippet}
		</ActionForm>
	</div>
	{#if fault}<p class="fault mt-2" role="alert">{fault}</p>{/if}
{/if}
