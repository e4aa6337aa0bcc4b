<script lang="ts">
	import { startAuthentication } from '@simplewebauthn/browser';
	import AddFactor from '$lib/accounts/AddFactor.svelte';
	import Logo from '$lib/shell/Logo.svelte';
	let { data, form } = $props();
	/** Kept through a wrong try. */
	const way = $derived(`&to=${encodeURIComponent(data.to)}`);
	let fault = $state('');
	let answer = $state('');
	let passkeyForm = $state<HTMLFormElement>();
	async function usePasskey() {
		fault = '';
		try {
			const response = await startAuthentication({ optionsJSON: data.passkey! });
			answer = JSON.stringify(response);
			// The field takes the answer before the form goes.
			requestAnimationFrame(() => passkeyForm?.requestSubmit());
		} catch {
			fault = 'The passkey was not used. Try once more, or take another way.';
		}
	}
</script>

<svelte:head><title>Second step · Kite Pen</title></svelte:head>
<header class="flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<Logo /><span class="read text-head font-medium">Kite Pen</span>
</header>
<main class="mx-auto flex max-w-[420px] flex-col gap-5 px-6 pt-16">
	<div>
		<h1>{data.first ? 'One thing more' : 'The second step'}</h1>
		<p class="sub mt-1">{data.name}, {data.department}</p>
	</div>
	{#if data.first}
		<p>
			Your role needs something beside the password: the code of an authenticator app, or a passkey
			on this device or a key you carry.
		</p>
		<AddFactor to={data.to} />
	{/if}
	{#if data.passkey}
		<form method="post" action="?/passkey{way}" bind:this={passkeyForm}>
			<input type="hidden" name="to" value={data.to} />
			<input type="hidden" name="response" value={answer} />
			<button type="button" class="btn go" onclick={usePasskey}>Use the passkey</button>
		</form>
	{/if}
	{#if data.code}
		<form method="post" action="?/code{way}" class="flex flex-col gap-3">
			<input type="hidden" name="to" value={data.to} />
			<div>
				<label class="label" for="code">Code of the authenticator app</label>
				<input
					class="box num w-40"
					id="code"
					name="code"
					inputmode="numeric"
					autocomplete="one-time-code"
					aria-invalid={form?.error ? 'true' : undefined}
				/>
			</div>
			<div><button class="btn" class:go={!data.passkey}>Go in</button></div>
		</form>
	{/if}
	{#if fault || form?.error}<p class="fault" role="alert">{fault || form?.error}</p>{/if}
	<p class="sub">
		<a class="hover:underline" href="/sign-in">Begin again</a>{#if !data.first}. Lost it? An
			administrator takes it off your account.{/if}
	</p>
</main>
