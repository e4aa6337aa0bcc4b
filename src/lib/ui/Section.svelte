<!-- A heading over a rule, with a few words beside it and what can be done at its right. -->
<script lang="ts">
	import type { Snippet } from 'svelte';
	type Props = {
		title: string;
		about?: string;
		children?: Snippet;
		tools?: Snippet;
		class?: string;
	};
	let { title, about = '', children, tools, class: more = '' }: Props = $props();
</script>

<section class={more}>
	<div class="ruled">
		<h2>{title}</h2>
		{#if about}<span class="sub">{about}</span>{/if}{#if tools}<span
				class="ml-auto flex items-baseline gap-3">{@render tools()}</span
			>{/if}
	</div>
	{@render children?.()}
</section>
