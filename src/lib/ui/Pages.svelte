<!-- Pages of a long list. -->
<script lang="ts">
	import { page } from '$app/state';
	import { formatTotal } from '#core/format/words.ts';
	type Props = { total: number; per: number; what: string };
	let { total, per, what }: Props = $props();
	const at = $derived(Math.max(1, Number(page.url.searchParams.get('page') ?? 1) || 1));
	const last = $derived(Math.max(1, Math.ceil(total / per)));
	const to = (n: number) => {
		const p = new URLSearchParams(page.url.searchParams);
		p.set('page', String(n));
		return `?${p}`;
	};
</script>

{#if total > per}
	<nav class="no-print mt-3 flex items-center gap-3" aria-label="Pages of {what}">
		<span class="sub"
			>{(at - 1) * per + 1} to {Math.min(total, at * per)} of {formatTotal(total)} {what}</span
		>
		{#if at > 1}<a class="act" href={to(at - 1)}>Before</a>{/if}
		{#if at < last}<a class="act" href={to(at + 1)}>Next</a>{/if}
	</nav>
{/if}
