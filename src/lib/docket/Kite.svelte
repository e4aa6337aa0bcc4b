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
	const round = $derived(isOccasion(sort));
	const shape = $derived(
		state !== 'docketed' ? state : adrift ? 'adrift' : checked ? 'solid' : 'half'
	);
	/** What was met late is ticked too, in another color. */
	const drawn = $derived(shape === 'late' ? 'met' : shape);
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

<svg
	width={size}
	height={size}
	role={words ? 'img' : undefined}
	aria-label={words ? label : undefined}
	aria-hidden={words ? undefined : 'true'}
	data-kite={shape}
	data-sort={sort}
	{color}><use href="#{round ? 'hearing' : 'kite'}-{drawn}" /></svg
>
