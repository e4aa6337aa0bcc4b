<!-- Dates by rule that stand on the matter: those that the order displaces are switched off. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import type { RuleDate } from '#server/docket/schedule-views.ts';
	type Props = {
		dates: RuleDate[];
		today: string;
		off: string[];
		error?: string | undefined;
	};
	let { dates, today, off = $bindable(), error }: Props = $props();
</script>

{#if dates.length}
	<details class="mt-4" open={off.length > 0}>
		<summary class="act inline-block">
			Dates by rule that the order displaces{off.length ? `: ${off.length}` : ''}
		</summary>
		<p class="sub mt-1">What is ticked is taken off, with the order as the authority.</p>
		<div class="mt-1 grid grid-cols-1 gap-x-6 md:grid-cols-2">
			{#each dates as { key, title, event, date } (key)}
				<label class="row flex items-baseline gap-2 py-1">
					<input type="checkbox" name="off" value={key} bind:group={off} class="accent-petrol" />
					<span class="w-[104px] shrink-0 whitespace-nowrap">{formatDay(date, today)}</span>
					<span class="min-w-0 truncate">{title} <span class="sub">{event}</span></span>
				</label>
			{/each}
		</div>
		{#if error}<p class="fault">{error}</p>{/if}
	</details>
{/if}
