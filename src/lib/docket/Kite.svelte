<!--
	An entry of the docket. A deadline is a kite: dashed = proposed, half = docketed and not checked,
	solid = checked, tick = met (red: met late), struck = vacated, broken = missed; filled from below
	= no longer follows its event. A hearing or its like is a circle with a dot: thin = not checked,
	tick = held, struck = off, dashed = its outcome is not entered.
-->
<script lang="ts">
	import { isOccasion, type Sort } from '#core/docket/occasion.ts';
	type Props = {
		state: 'proposed' | 'docketed' | 'met' | 'vacated' | 'missed' | 'passed' | 'late';
		sort?: Sort | undefined;
		checked?: boolean;
		late?: boolean;
		/** It no longer follows its event. */
		adrift?: boolean | undefined;
		size?: number;
		words?: boolean;
	};
	let {
		state,
		sort = 'deadline',
		checked = false,
		late = false,
		adrift = false,
		size = 16,
		words = true
	}: Props = $props();
	const P = 'M8 .8 13.6 7 8 15.2 2.4 7Z';
	const TICK = 'm5.2 7.4 2 2 3.6-4';
	const STRIKE = 'M1.5 13 14.5 3';
	const round = $derived(isOccasion(sort));
	const shape = $derived(
		state !== 'docketed' ? state : adrift ? 'adrift' : checked ? 'solid' : 'half'
	);
	const COLORS: Readonly<Record<string, string>> = {
		half: 'var(--color-saffron-ink)',
		passed: 'var(--color-saffron-ink)',
		met: 'var(--color-spruce)',
		proposed: 'var(--color-ink-3)'
	};
	const color = $derived(
		state === 'missed' || state === 'late' || late || shape === 'adrift'
			? 'var(--color-madder)'
			: (COLORS[shape] ?? 'var(--color-ink)')
	);
	const WORDS: Readonly<Record<string, string>> = {
		proposed: 'proposed',
		half: 'docketed, needs a second check',
		adrift: 'docketed, no longer follows its event',
		solid: 'docketed and checked',
		met: 'met',
		vacated: 'vacated',
		missed: 'missed',
		late: 'met late',
		passed: 'outcome not entered'
	};
	const HELD: Readonly<Record<string, string>> = { met: 'held', vacated: 'taken off' };
	const label = $derived(
		round ? `${sort}, ${HELD[shape] ?? WORDS[shape]}` : (WORDS[shape] ?? state)
	);
</script>

{#snippet kite()}
	{#if shape === 'missed'}
		<path d="M8 .8 13.6 7 9.6 8.4 8.4 6.2 6 8.6 2.4 7Z" fill={color} />
		<path d="M3.2 9.2 6 10.6 7.8 8.6 9.4 10.4 12.2 9.4 8 15.2Z" fill={color} />
	{:else}
		<path
			d={P}
			fill={shape === 'solid' ? color : 'var(--color-white)'}
			stroke={color}
			stroke-width={shape === 'vacated' ? 1.2 : 1.4}
			stroke-dasharray={shape === 'proposed' ? '2.2 1.6' : undefined}
		/>
		{#if shape === 'half'}<path d="M8 .8 2.4 7 8 15.2Z" fill={color} />{/if}
		{#if shape === 'adrift'}<path d="M2.4 7h11.2L8 15.2Z" fill={color} />{/if}
	{/if}
{/snippet}
{#snippet circle()}
	<circle
		cx="8"
		cy="8"
		r="6"
		fill="var(--color-white)"
		stroke={color}
		stroke-width={shape === 'solid' ? 1.8 : 1.2}
		stroke-dasharray={shape === 'passed' || shape === 'proposed' ? '2.2 1.6' : undefined}
	/>
	{#if shape !== 'met'}<circle cx="8" cy="8" r="2.4" fill={color} />{/if}
{/snippet}

<svg
	width={size}
	height={size}
	viewBox="0 0 16 16"
	role={words ? 'img' : undefined}
	aria-label={words ? label : undefined}
	aria-hidden={words ? undefined : 'true'}
	data-kite={shape}
	data-sort={sort}
>
	{#if round}{@render circle()}{:else}{@render kite()}{/if}
	{#if shape === 'met' || shape === 'late'}<path
			d={TICK}
			fill="none"
			stroke={color}
			stroke-width="1.6"
		/>{/if}
	{#if shape === 'vacated'}<path d={STRIKE} stroke={color} stroke-width="1.4" />{/if}
</svg>
