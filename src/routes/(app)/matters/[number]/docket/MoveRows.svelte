<!-- What would move with an event, date by date: from where to where, and what speaks against. -->
<script lang="ts">
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import type { Move } from '#server/docket/moves.ts';
	import { formatDay } from '$lib/ui/format.ts';
	import MoveTasks from './MoveTasks.svelte';
	type Props = {
		moves: readonly Move[];
		/** Set only from the new day on. */
		born: readonly { title: string; date: string }[];
		/** Titles of what no rule sets from the new day. */
		gone: readonly string[];
		/** Of the event's own day. */
		warnings: readonly string[];
		/** Dates are chosen one by one. */
		choose: boolean;
		only: string[];
		today: string;
	};
	let { moves, born, gone, warnings, choose, only = $bindable(), today }: Props = $props();
	/** It was not chosen, and its rule gives another day. */
	const staysBehind = (move: Move) =>
		choose &&
		!only.includes(move.deadlineId) &&
		move.days !== 0 &&
		!move.held &&
		(move.state === 'docketed' || move.state === 'proposed');
	const sign = (n: number) => (n > 0 ? `+${n}` : String(n).replace('-', '−'));
</script>

{#each warnings as w (w)}<p class="mt-2 font-semibold text-saffron-ink">
		The event itself {w}
	</p>{/each}
{#each moves as m (m.deadlineId)}
	<div class="row py-1.5 {m.days === 0 ? 'text-ink-3' : ''}">
		<div class="grid grid-cols-[1fr_auto_auto_40px] items-baseline gap-2">
			{#if choose}<label class="flex gap-1.5"
					><input
						type="checkbox"
						name="only"
						value={m.deadlineId}
						bind:group={only}
						disabled={m.state === 'met'}
						class="accent-petrol"
					/>{m.title}</label
				>{:else}<span>{m.title}</span>{/if}<s class="sub">{formatDay(m.from, today).slice(4)}</s><b
				class="font-semibold">{formatDay(m.to, today).slice(4)}</b
			><b class="num font-semibold text-petrol">{m.days ? sign(m.days) : ''}</b>
		</div>
		<MoveTasks tasks={m.tasks} {today} />
		{#if staysBehind(m)}<p class="text-note font-semibold text-madder">
				stays on {formatDay(m.from, today)} and {NO_LONGER_FOLLOWS}
			</p>{/if}
		{#each m.warnings as w (w)}<p class="text-note font-semibold text-saffron-ink">
				{w}
			</p>{/each}
	</div>
{/each}
{#each born as b (b.title)}<p class="row py-1.5">
		{b.title}: <b class="font-semibold">{formatDay(b.date, today)}</b>, set only now; it comes as a
		proposal
	</p>{/each}
{#each gone as g (g)}<p class="row py-1.5 font-semibold text-saffron-ink">
		{g}: no rule sets it from this day; it stays, marked so, until it is taken off
	</p>{/each}
