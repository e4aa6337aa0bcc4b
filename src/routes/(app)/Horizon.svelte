<!-- The next fifteen working days, with a mark for everything that stands on each. -->
<script lang="ts">
	import {
		dayToCivil,
		MONTHS,
		toDay,
		WEEKDAYS,
		weekday,
		type PlainDate
	} from '#core/dates/plain.ts';
	import Kite from '$lib/docket/Kite.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import type { PageData } from './$types.js';
	type Inside = Extract<PageData, { inside: true }>;
	let { data }: { data: Inside } = $props();
	const part = (date: PlainDate) => ({
		...dayToCivil(toDay(date)),
		name: WEEKDAYS[weekday(toDay(date))]!.slice(0, 3)
	});
	/** Where the long words of holidays may be divided on a narrow strip. */
	const DIVIDED = ['Thanks-giving', 'Independ-ence', 'Washing-ton', 'June-teenth', 'Indige-nous'];
	const divide = (name: string) =>
		DIVIDED.reduce(
			(words, word) => words.replace(word.replace('-', ''), word.replace('-', '\u00AD')),
			name.replace(/ Day$/, '')
		);
	type Day = Inside['days'][number];
	/** A run of closed days without a mark is narrow. */
	const narrow = (day: Day) =>
		(day.closed === 'Saturday' || day.closed === 'Sunday') && day.marks.length === 0;
</script>

<ol class="horizon mt-3" aria-label="The next fifteen working days">
	{#each data.days as d (d.date)}
		{@const at = part(d.date)}
		<li
			class="day"
			class:hatch={d.closed}
			class:narrow={narrow(d)}
			class:now={d.date === data.today}
		>
			{#if narrow(d)}<span class="vh">{d.closed}</span>{:else}
				<div class="head">
					<span class="sub text-note">{at.name}</span><b class="read text-head font-medium"
						>{at.day}</b
					>{#if at.day === 1}<span class="text-note">{MONTHS[at.month - 1]!.slice(0, 3)}</span>{/if}
				</div>
				<div class="marks mt-0.5">
					{#each d.marks as m, i (i)}<a href={m.href} title={m.title} aria-label={m.title}
							>{#if m.kind === 'deadline'}<Kite
									state={m.state!}
									sort={m.sort}
									checked={m.checked ?? false}
									adrift={m.adrift}
									late={d.date === data.today && m.state === 'docketed'}
									size={15}
								/>{:else}<Mark kind={m.kind} size={14} />{/if}</a
						>{/each}
					{#if d.more}<a
							class="sub text-tiny"
							href="/docket?who=mine&from={d.date}&to={d.date}"
							aria-label="{d.more} more on this day">+{d.more}</a
						>{/if}
				</div>
				{#if d.closed && !/^(Satur|Sun)day$/.test(d.closed)}<span class="closed"
						>{divide(d.closed)}</span
					>{/if}
			{/if}
		</li>
	{/each}
</ol>

<style>
	.horizon {
		display: flex;
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		background: var(--color-white);
		min-height: 116px;
		overflow: hidden;
	}
	.day {
		flex: 1 1 0;
		min-width: 0;
		padding: 5px 4px 18px 7px;
		border-right: 1px solid var(--color-rule-2);
		position: relative;
	}
	.day.narrow {
		flex: 0 0 8px;
		padding: 0;
		border-right: 0;
	}
	.day.now::after {
		content: '';
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 4px;
		background: var(--color-saffron);
	}
	.head {
		display: flex;
		align-items: baseline;
		gap: 4px;
		white-space: nowrap;
	}
	@media (max-width: 1180px) {
		.head {
			flex-wrap: wrap;
			line-height: 1.1;
			column-gap: 4px;
		}
		.head span:first-child {
			flex-basis: 100%;
		}
		.day {
			padding-right: 0;
		}
	}
	/* Each mark can be hit with a finger. */
	.marks {
		display: flex;
		flex-wrap: wrap;
		margin-left: -4px;
	}
	.marks a {
		display: grid;
		place-items: center;
		min-width: 24px;
		height: 24px;
	}
	.closed {
		position: absolute;
		left: 5px;
		right: 1px;
		bottom: 3px;
		font-size: 11px;
		letter-spacing: -0.01em;
		color: var(--color-ink-2);
		line-height: 1.1;
		overflow-wrap: break-word;
	}
	@media (max-width: 640px) {
		.horizon {
			flex-wrap: wrap;
		}
		.day {
			flex: 0 0 20%;
			min-height: 80px;
		}
	}
</style>
