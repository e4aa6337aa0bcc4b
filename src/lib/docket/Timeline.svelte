<!-- Dates over time: events with their dependents, closed days hatched; zoomed by keys, wheel. -->
<script lang="ts" module>
	import type { Sort } from '#core/docket/occasion.ts';
	import type { DeadlineState } from '#server/docket/list.ts';
	export type Lane = {
		id: string;
		label: string;
		about: string;
		href: string;
		event: { date: string; hearing: boolean } | null;
		marks: {
			id: string;
			date: string;
			title: string;
			state: DeadlineState;
			sort: Sort;
			checked: boolean;
			adrift?: boolean;
			/** The department's own word on it. */
			workingMark?: string | null;
			href: string;
			from?: string | null;
		}[];
	};
</script>

<script lang="ts">
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import { addDays, plainDate, daysBetween, MONTHS, type PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import Kite from './Kite.svelte';
	import WorkingMark from './WorkingMark.svelte';
	import { formatDay } from '$lib/ui/format.ts';
	const describe = ({ title, adrift, workingMark }: Lane['marks'][number]) =>
		[title, adrift && NO_LONGER_FOLLOWS, workingMark].filter(Boolean).join(', ');
	type Props = {
		lanes: Lane[];
		from: string;
		to: string;
		today: string;
		closed: Record<string, string>;
		/** One row for each mark, with its name beside it; otherwise all marks of a lane on one row. */
		spread?: boolean;
	};
	let { lanes, from, to, today, closed, spread = true }: Props = $props();
	const STEPS = [1.5, 3, 6, 10, 16, 24, 36];
	const total = $derived(daysBetween(plainDate(from), plainDate(to)) + 1);
	let zoom = $state(-1);
	let box = $state<HTMLElement>();
	let wide = $state(900);
	/** At first the whole span fits, or the smallest step does. */
	const step = $derived(
		zoom >= 0 ? STEPS[zoom]! : Math.max(STEPS[0]!, Math.min(24, (wide - 40) / total))
	);
	const level = $derived(zoom >= 0 ? zoom : STEPS.findLastIndex((s) => s <= step));
	const x = (d: string) => daysBetween(plainDate(from), plainDate(d)) * step;
	const months = $derived.by(() => {
		const out: { at: number; name: string; days: number }[] = [];
		for (let d = plainDate(from); d <= to;) {
			const next = plainDate(
				`${d.slice(5, 7) === '12' ? Number(d.slice(0, 4)) + 1 : d.slice(0, 4)}-${d.slice(5, 7) === '12' ? '01' : String(Number(d.slice(5, 7)) + 1).padStart(2, '0')}-01`
			);
			const end = next <= to ? next : addDays(plainDate(to), 1);
			out.push({
				at: x(d),
				name: `${MONTHS[Number(d.slice(5, 7)) - 1]!.slice(0, step * 30 < 60 ? 3 : 9)}${d.slice(5, 7) === '01' || out.length === 0 ? ` ${d.slice(0, 4)}` : ''}`,
				days: daysBetween(d, end)
			});
			d = next;
		}
		return out;
	});
	/** Beside a mark near the right edge its name stands at the left. */
	const turned = (d: string) => x(d) > total * step - 220 && x(d) > 240;
	const hatched = $derived(
		step >= 2.5 ? Object.entries(closed).filter(([d]) => d >= from && d <= to) : []
	);
	const numbered = $derived(step >= 16);
	function scale(to: number) {
		const mid = box ? (box.scrollLeft + box.clientWidth / 2) / step : 0;
		zoom = Math.max(0, Math.min(STEPS.length - 1, to));
		requestAnimationFrame(() => {
			if (box) box.scrollLeft = mid * step - box.clientWidth / 2;
		});
	}
	function toToday() {
		if (box) box.scrollLeft = x(today) - box.clientWidth / 2;
	}
	function wheel(e: WheelEvent) {
		if (!e.ctrlKey) return;
		e.preventDefault();
		scale(level + (e.deltaY < 0 ? 1 : -1));
	}
	function keys(e: KeyboardEvent) {
		if (e.key === '+' || e.key === '=') scale(level + 1);
		else if (e.key === '-') scale(level - 1);
		else return;
		e.preventDefault();
	}
	const rows = $derived.by(() => {
		let y = 0;
		return lanes.map((l) => {
			const top = y;
			const n = spread ? l.marks.length + 1 : 1;
			y += n * 26 + 12;
			return { ...l, top, height: n * 26 + 12 };
		});
	});
	const height = $derived(rows.length ? rows.at(-1)!.top + rows.at(-1)!.height : 40);
	$effect(() => {
		const el = box;
		if (el)
			requestAnimationFrame(() => {
				if (x(today) > el.clientWidth) el.scrollLeft = x(today) - el.clientWidth / 3;
			});
	});
</script>

<div class="no-print mb-2 flex items-center gap-2">
	<button
		type="button"
		class="btn"
		onclick={() => scale(level - 1)}
		disabled={level <= 0}
		aria-label="Show more days">−</button
	><button
		type="button"
		class="btn"
		onclick={() => scale(level + 1)}
		disabled={level >= STEPS.length - 1}
		aria-label="Show fewer days">+</button
	>
	<button
		type="button"
		class="btn"
		onclick={() => {
			zoom = -1;
		}}>Whole span</button
	>
	{#if today >= from && today <= to}<button type="button" class="btn" onclick={toToday}
			>Today</button
		>{/if}
	<span class="sub"
		>{formatDate(plainDate(from) as PlainDate)} to {formatDate(plainDate(to) as PlainDate)}</span
	>
</div>
<div class="flex border-t-[1.5px] border-ink">
	{#if !spread}<ul class="w-[220px] shrink-0 border-r border-rule pt-[24px]">
			{#each rows as l (l.id)}<li class="truncate pr-2" style:height="{l.height}px">
					<a
						class="block truncate pt-[3px] leading-[18px] font-semibold hover:underline"
						href={l.href}>{l.label}</a
					><span class="sub block truncate text-note leading-tight">{l.about}</span>
				</li>{/each}
		</ul>{/if}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div
		class="relative min-w-0 grow overflow-x-auto"
		bind:this={box}
		bind:clientWidth={wide}
		tabindex="0"
		role="region"
		aria-label="Timeline; plus and minus zoom, arrows scroll"
		onwheel={wheel}
		onkeydown={keys}
	>
		<div
			class="relative"
			style:width="{Math.max(total * step, 200)}px"
			style:height="{height + 24}px"
		>
			{#each months as m (m.at)}<span
					class="tl-month"
					style:left="{m.at}px"
					style:width="{m.days * step}px">{m.days * step > 26 ? m.name : ''}</span
				>{/each}
			{#each hatched as [d, why] (d)}<span
					class="hatch tl-shut"
					style:left="{x(d)}px"
					style:width="{step}px"
					title="{d}: {why}"
				></span>{/each}
			{#if numbered}{#each Array.from({ length: total }, (_, i) => i) as i (i)}<span
						class="tl-day"
						style:left="{i * step}px"
						style:width="{step}px">{Number(addDays(plainDate(from), i).slice(8))}</span
					>{/each}{/if}
			<svg
				class="absolute inset-x-0 top-[24px]"
				width={Math.max(total * step, 200)}
				{height}
				aria-hidden="true"
			>
				{#each rows as l (l.id)}
					<line
						x1="0"
						x2={total * step}
						y1={l.top + l.height - 0.5}
						y2={l.top + l.height - 0.5}
						stroke="var(--color-rule)"
					/>
					{#if spread && l.event}{#each l.marks as m, i (m.id)}<path
								d="M{x(l.event.date) + step / 2} {l.top + 16} V{l.top + 26 * (i + 1) + 16} H{x(
									m.date
								) +
									step / 2}"
								fill="none"
								stroke="var(--color-haze)"
								stroke-width="1"
							/>{/each}
					{:else}{#each l.marks as m (m.id)}{#if m.from && m.from >= from && m.from <= to}<path
									d="M{x(m.from) + step / 2} {l.top + 26} Q{(x(m.from) + x(m.date)) / 2 +
										step / 2} {l.top + 2} {x(m.date) + step / 2} {l.top + 19}"
									fill="none"
									stroke="var(--color-edge)"
									stroke-width="1"
								/><circle
									cx={x(m.from) + step / 2}
									cy={l.top + 26}
									r="2.5"
									fill="var(--color-ink-3)"
								/>{/if}{/each}{/if}
				{/each}
			</svg>
			{#each rows as l (l.id)}
				{#if spread && l.event}
					<a
						class="tl-mark event"
						style:gap="7px"
						class:turned={turned(l.event.date)}
						style:left="{x(l.event.date) + step / 2 - 6 + (turned(l.event.date) ? 12 : 0)}px"
						style:top="{24 + l.top + 4}px"
						href={l.href}
						><span class="dot {l.event.hearing ? 'ring' : ''}"></span><b class="font-semibold"
							>{l.label}</b
						><span class="sub">{l.about}</span></a
					>
				{/if}
				{#each l.marks as m, i (m.id)}
					<a
						class="tl-mark"
						class:turned={spread && turned(m.date)}
						data-mark={m.title}
						style:left="{x(m.date) + step / 2 - 8 + (spread && turned(m.date) ? 16 : 0)}px"
						style:top="{24 + l.top + (spread ? 26 * (i + 1) + 4 : 8)}px"
						href={m.href}
						title="{m.date}: {describe(m)}"
						aria-label={spread ? undefined : `${m.date}, ${describe(m)}, ${m.state}`}
						><Kite
							{...m}
							late={m.state === 'docketed' && m.date <= today}
							words={false}
						/>{#if spread}<span class="tl-tag" class:text-madder={m.state === 'missed'}
								>{m.title}<WorkingMark mark={m.workingMark ?? null} />
								<span class="sub"
									>{formatDay(m.date, today).slice(4)}<span class="vh">, {m.state}</span></span
								></span
							>{/if}</a
					>
				{/each}
			{/each}
			{#if today >= from && today <= to}<span class="tl-now" style:left="{x(today) + step / 2}px"
					><span>today</span></span
				>{/if}
		</div>
	</div>
</div>

<style>
	.tl-month {
		position: absolute;
		top: 0;
		height: 100%;
		border-left: 1px solid var(--color-rule);
		font: 500 14px/1.5 var(--font-read);
		padding-left: 4px;
		white-space: nowrap;
		overflow: hidden;
		color: var(--color-ink-2);
	}
	.tl-shut {
		position: absolute;
		top: 24px;
		bottom: 0;
		opacity: 0.7;
	}
	.tl-day {
		position: absolute;
		bottom: 0;
		font-size: 10.5px;
		color: var(--color-ink-3);
		text-align: center;
	}
	.tl-mark {
		position: absolute;
		display: flex;
		align-items: center;
		gap: 5px;
		white-space: nowrap;
		z-index: 2;
	}
	.tl-tag {
		background: color-mix(in srgb, var(--color-sail) 82%, transparent);
		padding: 0 3px;
		border-radius: 2px;
	}
	.tl-mark:hover .tl-tag {
		text-decoration: underline;
	}
	.dot {
		width: 12px;
		height: 12px;
		border-radius: 50%;
		background: var(--color-ink-2);
		border: 3px solid var(--color-sail);
	}
	.dot.ring {
		background: radial-gradient(circle, var(--color-petrol) 0 2px, var(--color-white) 2.5px);
		border: 1.5px solid var(--color-petrol);
	}
	.tl-now {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 0;
		border-left: 2px solid var(--color-saffron);
		z-index: 1;
		pointer-events: none;
	}
	.tl-mark.turned {
		flex-direction: row-reverse;
		transform: translateX(-100%);
	}
	.tl-now span {
		position: absolute;
		bottom: 2px;
		left: 3px;
		font: 600 11px/1 var(--font-ui);
		color: var(--color-saffron-ink);
		background: var(--color-sail);
		padding: 2px;
	}
</style>
