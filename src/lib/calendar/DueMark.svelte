<!-- What is due on a day: a kite or a square with its title; it is moved on its own sheet. -->
<script lang="ts">
	import Kite from '$lib/docket/Kite.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import type { DueItem } from '#server/calendar-sheet/due.ts';
	type Props = { item: DueItem; today: string; about?: boolean };
	let { item, today, about = false }: Props = $props();
	const late = $derived(item.kite?.state === 'docketed' && item.day <= today);
</script>

<a
	class="due"
	href={item.href}
	title="{item.title}, {item.about}"
	data-due={item.title}
	draggable="false"
>
	{#if item.kite}
		<Kite {...item.kite} {late} size={12} />
	{:else}
		<Mark kind="task" size={11} />
	{/if}
	<span class="truncate">
		<span class:font-semibold={late}>{item.title}</span>{#if about}<span class="text-ink-2"
				>, {item.matter}</span
			>{/if}
	</span>
</a>

<style>
	.due {
		display: flex;
		align-items: center;
		gap: 5px;
		min-width: 0;
		min-height: 24px;
		font-size: 12px;
		line-height: 1.3;
	}
	.due:hover {
		text-decoration: underline;
	}
</style>
