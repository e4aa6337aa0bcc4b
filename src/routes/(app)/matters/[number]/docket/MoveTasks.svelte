<!-- The tasks that move with a date, each with its old and its new day. -->
<script lang="ts">
	import type { TaskMove } from '#server/docket/hanging.ts';
	import { formatDay } from '$lib/ui/format.ts';
	let { tasks, today }: { tasks: readonly TaskMove[]; today: string } = $props();
	const dayOnly = (date: string | null) => (date ? formatDay(date, today).slice(4) : '');
	const formatDays = (days: number) =>
		days === 0 ? '' : `${days > 0 ? '+' : '−'}${Math.abs(days)}`;
</script>

{#each tasks as { taskId, subject, assignee, from, to, days } (taskId)}
	<div class="grid grid-cols-[1fr_auto_auto_40px] items-baseline gap-2 text-note text-ink-2">
		<span class="pl-3">task: {subject}, {assignee}</span>
		<s class="sub">{dayOnly(from)}</s>
		<b class="font-semibold">{dayOnly(to)}</b>
		<b class="num text-petrol">{formatDays(days)}</b>
	</div>
{/each}
