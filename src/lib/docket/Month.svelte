<!--
	One month: each day with its dates and hearings; days on which the court does not sit are hatched.
-->
<script lang="ts">
	import type { Sort } from '#core/docket/occasion.ts';
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import {
		addDays,
		plainDate,
		civilToDay,
		daysInMonth,
		fromDay,
		MONTHS,
		weekday,
		type PlainDate
	} from '#core/dates/plain.ts';
	import type { DeadlineState } from '#server/docket/list.ts';
	import { formatDate } from '#core/format/dates.ts';
	import Kite from './Kite.svelte';
	import WorkingMark from './WorkingMark.svelte';
	import { page } from '$app/state';
	type Mark = {
		id: string;
		date: string;
		title: string;
		/** The title with what it is of. */
		full?: string;
		about: string;
		state: DeadlineState;
		sort: Sort;
		checked: boolean;
		adrift?: boolean;
		/** The department's own word on it. */
		workingMark?: string | null;
		href: string;
	};
	type Props = {
		month: string;
		marks: Mark[];
		closed: Record<string, string>;
		today: string;
	};
	let { month, marks, closed, today }: Props = $props();
	const [y, m] = $derived(month.split('-').map(Number) as [number, number]);
	const first = $derived(civilToDay(y, m, 1));
	const lead = $derived((weekday(first) + 6) % 7);
	const weeks = $derived(Math.ceil((lead + daysInMonth(y, m)) / 7));
	const days = $derived(Array.from({ length: weeks * 7 }, (_, i) => fromDay(first - lead + i)));
	const to = (n: number) => {
		const p = new URLSearchParams(page.url.searchParams);
		p.set('month', (n > 0 ? addDays(fromDay(first), 32) : addDays(fromDay(first), -1)).slice(0, 7));
		return `?${p}`;
	};
	const on = (d: string) => marks.filter((x) => x.date === d);
	const describe = ({ title, full = title, about, adrift, workingMark }: Mark) =>
		[full, about, adrift && NO_LONGER_FOLLOWS, workingMark].filter(Boolean).join(', ');
	const MOST = 4;
	const say = (d: string) => formatDate(plainDate(d) as PlainDate);
</script>

<div class="flex items-baseline gap-3">
	<h2 class="read text-head font-medium">{MONTHS[m - 1]} {y}</h2>
	<a class="act no-print" href={to(-1)}>month before</a><a class="act no-print" href={to(1)}
		>month after</a
	>
</div>
<table class="cal mt-2">
	<thead
		><tr
			>{#each ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as d (d)}<th
					scope="col"><span aria-hidden="true">{d.slice(0, 3)}</span><span class="vh">{d}</span></th
				>{/each}</tr
		></thead
	>
	<tbody>
		{#each Array.from({ length: weeks }, (_, i) => i) as w (w)}
			<tr
				>{#each days.slice(w * 7, w * 7 + 7) as d (d)}
					<td
						class:hatch={closed[d]}
						class:out={!d.startsWith(month)}
						class:today={d === today}
						title={closed[d] ? `${say(d)}: ${closed[d]}` : undefined}
					>
						<div class="flex items-baseline gap-1">
							<span class="num-day">{Number(d.slice(8))}<span class="vh">, {say(d)}</span></span
							>{#if closed[d] && !/^(Satur|Sun)day$/.test(closed[d]!)}<span
									class="truncate text-tiny text-ink-2">{closed[d]}</span
								>{/if}
						</div>
						{#each on(d).slice(0, MOST) as x (x.id)}<a
								class="it"
								href={x.href}
								title={describe(x)}
								data-mark={x.title}
								><Kite
									state={x.state}
									sort={x.sort}
									checked={x.checked}
									adrift={x.adrift}
									late={x.state === 'docketed' && x.date <= today}
									size={12}
								/><span class="truncate"
									><WorkingMark mark={x.workingMark ?? null} class="mr-1 ml-0" />{x.title}</span
								></a
							>{/each}
						{#if on(d).length > MOST}<a
								class="sub block min-h-6 text-note underline"
								href="/docket?show=all&from={d}&to={d}">{on(d).length - MOST} more</a
							>{/if}
					</td>
				{/each}</tr
			>
		{/each}
	</tbody>
</table>

<style>
	.cal {
		width: 100%;
		border-collapse: collapse;
		table-layout: fixed;
	}
	.cal th {
		text-align: left;
		font: 500 12.5px/1.3 var(--font-ui);
		color: var(--color-ink-2);
		padding: 4px 6px;
		border-bottom: 1.5px solid var(--color-ink);
	}
	.cal td {
		height: 92px;
		vertical-align: top;
		border: 1px solid var(--color-rule);
		padding: 3px 5px;
		background: var(--color-white);
		overflow: hidden;
	}
	.cal td.hatch {
		background: var(--hatch);
	}
	.cal td.out:not(.hatch) {
		background: var(--color-mist);
	}
	.cal td.out .num-day {
		color: var(--color-ink-3);
	}
	.cal td.today {
		box-shadow: inset 0 3px 0 var(--color-saffron);
	}
	.num-day {
		font: 500 15px/1.2 var(--font-read);
	}
	.it {
		display: flex;
		align-items: center;
		gap: 4px;
		font-size: 12px;
		line-height: 1.45;
		min-width: 0;
		min-height: 24px;
	}
	.hatch .it {
		background: color-mix(in srgb, var(--color-white) 80%, transparent);
	}
	.it:hover {
		text-decoration: underline;
	}
</style>
