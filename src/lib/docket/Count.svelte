<!-- The count behind a date: the strip of days and the sentences, from one trace. -->
<script lang="ts">
	import { MONTHS, WEEKDAYS } from '#core/dates/plain.ts';
	import type { CountView } from '#server/docket/counts.ts';
	type Props = { count: CountView; late?: boolean; strip?: boolean };
	let { count, late = false, strip = true }: Props = $props();
	/** Dates stand out in the sentences. */
	const parts = (s: string) =>
		s.split(/((?:Sun|Mon|Tues|Wednes|Thurs|Fri|Satur)day \d{1,2} [A-Z][a-z]+(?: \d{4})?)/);
</script>

<div class="border-l-[3px] bg-mist px-4 py-3 {late ? 'border-madder' : 'border-petrol'}" data-count>
	{#if strip}
		<ol class="strip" aria-label="The days of the count">
			{#each count.strip as c, i (i)}
				{#if 'fold' in c}
					<li class="fold" title="{c.from} to {c.to}">
						<span aria-hidden="true">··</span><b>{c.fold}</b><span class="vh"
							>days from {c.from} to {c.to} not shown</span
						>
					</li>
				{:else}
					<li
						class="cell {c.role} {c.closed ? 'hatch' : ''} {late && c.role === 'result'
							? 'late'
							: ''}"
						title="{WEEKDAYS[c.weekday]} {c.day} {MONTHS[Number(c.date.slice(5, 7)) - 1]}{c.closed
							? `, ${c.closed}`
							: ''}"
					>
						<span aria-hidden="true">{WEEKDAYS[c.weekday]!.slice(0, 2)}</span><b aria-hidden="true"
							>{c.day}</b
						><i aria-hidden="true">{c.label}</i>
						<span class="vh"
							>{c.date}{c.closed ? `, ${c.closed}` : ''}{c.label ? `, ${c.label}` : ''}</span
						>
					</li>
				{/if}
			{/each}
		</ol>
	{/if}
	<p class="read mt-2 text-read leading-[1.4]">
		{#each count.sentences as s, i (i)}{#each parts(i ? ` ${s}` : s) as p, k (k)}{#if k % 2}<b
						class="font-semibold">{p}</b
					>{:else}{p}{/if}{/each}{/each}
	</p>
	{#if count.reviewed}<p
			class="mt-1.5 text-note {count.stale ? 'font-semibold text-madder' : 'sub'}"
		>
			{count.bookTitle}, reviewed {count.reviewed}{count.stale ? ', more than a year ago' : ''}. To
			be checked against the current rules.
		</p>{/if}
</div>

<style>
	.strip {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 0;
	}
	.cell,
	.fold {
		flex: 1 0 24px;
		max-width: 27px;
		height: 50px;
		display: flex;
		flex-direction: column;
		align-items: center;
		justify-content: center;
		background: var(--color-white);
		border: 1px solid var(--color-rule-2);
		border-width: 1px 1px 1px 0;
		line-height: 1.15;
		position: relative;
	}
	.cell span {
		font-size: 10.5px;
		color: var(--color-ink-3);
	}
	.cell b {
		font-size: 13px;
		font-weight: 600;
	}
	.cell i {
		font-style: normal;
		font-size: 10.5px;
		min-height: 12px;
		color: var(--color-petrol);
		font-weight: 600;
	}
	.cell.hatch {
		background: var(--hatch);
	}
	.cell.outside b,
	.cell.outside span {
		color: var(--color-ink-3);
		font-weight: 400;
	}
	.cell.service i {
		color: var(--color-saffron-ink);
	}
	.cell.period-end::after {
		content: '';
		position: absolute;
		left: 2px;
		right: 2px;
		bottom: -1px;
		height: 3px;
		background: var(--color-petrol);
	}
	.cell.zero,
	.cell.result {
		background: var(--color-ink);
		border-color: var(--color-ink);
	}
	.cell.zero :is(span, b, i),
	.cell.result :is(span, b, i) {
		color: var(--color-white);
	}
	.cell.result {
		background: var(--color-petrol);
		border-color: var(--color-petrol);
	}
	.cell.result.late {
		background: var(--color-madder);
		border-color: var(--color-madder);
	}
	.fold {
		flex-basis: 34px;
		max-width: 34px;
		background: transparent;
		border-color: transparent;
		color: var(--color-ink-3);
		font-size: 12px;
	}
	@media print {
		.strip {
			break-inside: avoid;
		}
	}
</style>
