<!-- A link that sets a password, once: shown to who made it, to be handed to whom it is for. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	type Props = { link: string; name: string };
	let { link, name }: Props = $props();
	let field = $state<HTMLInputElement>();
	async function copy() {
		await navigator.clipboard.writeText(link).then(
			() => say('The link is copied.'),
			() => field?.select()
		);
	}
</script>

<div class="mt-3 border-l-[3px] border-saffron bg-saffron-wash p-3" data-link>
	<label class="label" for="password-link">
		Hand this to {name} yourself. It sets their password once, within two days.
	</label>
	<p class="sub mb-1">It is shown only now.</p>
	<div class="flex gap-2">
		<input id="password-link" class="box" readonly value={link} bind:this={field} />
		<button type="button" class="btn" onclick={copy}>Copy</button>
	</div>
</div>
