<!-- A change of one of a series: which of them are meant. -->
<script lang="ts">
	import { onEscape } from '$lib/ui/keys.ts';
	import type { Scope } from './desk.svelte.ts';
	type Props = { words: string; onchoose: (scope: Scope) => void; onleave: () => void };
	let { words, onchoose, onleave }: Props = $props();
	const focus = (element: HTMLElement) => element.querySelector('button')?.focus();
</script>

<div
	class={[
		'no-print mt-2 flex flex-wrap items-center gap-x-4 gap-y-1',
		'border-l-[3px] border-saffron bg-saffron-wash px-4 py-2'
	]}
	role="group"
	aria-label="Which of the series"
	use:focus
	use:onEscape={onleave}
>
	<span>{words}</span>
	<button class="btn" onclick={() => onchoose('this')}>Only this one</button>
	<button class="btn" onclick={() => onchoose('later')}>This and later ones</button>
	<button class="btn" onclick={() => onchoose('all')}>All of them</button>
	<button class="act" onclick={onleave}>Leave it</button>
</div>
