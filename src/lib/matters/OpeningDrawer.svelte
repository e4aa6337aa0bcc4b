<!--
	The drawer in which a matter is opened. It comes when it is first asked for, with the kinds there
	are and what each asks: it has most of the fields there are.
-->
<script lang="ts">
	import { untrack, type Component } from 'svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import { fetchMatterForms, type MatterForms } from './forms.ts';
	import { opening } from './opening.svelte.ts';

	let OpenMatter = $state.raw<Component<{ forms: MatterForms }>>();
	let forms = $state.raw<MatterForms>();

	$effect(() => {
		if (opening.open) untrack(() => void load());
	});
	async function load() {
		try {
			const [drawer, found] = await Promise.all([
				import('./OpenMatter.svelte'),
				fetchMatterForms()
			]);
			forms = found;
			OpenMatter = drawer.default;
		} catch {
			if (OpenMatter) return; // with the forms it has
			opening.open = false;
			say('The form did not come. Try again.');
		}
	}
</script>

{#if OpenMatter && forms}<OpenMatter {forms} />{/if}
