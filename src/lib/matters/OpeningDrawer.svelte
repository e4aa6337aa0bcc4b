<!--
	The drawer in which a matter is opened. It comes when it is first asked for, with the kinds there
	are and what each asks: it has most of the fields there are.
-->
<script lang="ts">
	import { untrack, type Component } from 'svelte';
	import { toast } from 'svelte-sonner';
	import type { Kind } from '#core/kinds/kind.ts';
	import { opening } from './opening.svelte.ts';

	let OpenMatter = $state.raw<Component<{ kinds: Kind[] }>>();
	let kinds = $state.raw<Kind[]>([]);

	$effect(() => {
		if (opening.open) untrack(() => void load());
	});
	async function load() {
		try {
			const [drawer, found] = await Promise.all([import('./OpenMatter.svelte'), fetchKinds()]);
			kinds = found;
			OpenMatter = drawer.default;
		} catch {
			if (OpenMatter) return; // with the kinds it has
			opening.open = false;
			toast.error('The form did not come. Try again.');
		}
	}
	async function fetchKinds(): Promise<Kind[]> {
		const response = await fetch('/api/kinds');
		if (!response.ok) throw new Error(`kinds: ${response.status}`);
		return (await response.json()) as Kind[];
	}
</script>

{#if OpenMatter}<OpenMatter {kinds} />{/if}
