<!--
	A deadline: dashed = proposed, half = docketed and not checked, solid = checked, tick = met,
	struck = vacated, broken = missed; filled from below = no longer follows its event.
-->
<script lang="ts">
	type Props = {
		state: 'proposed' | 'docketed' | 'met' | 'vacated' | 'missed';
		checked?: boolean;
		late?: boolean;
		/** It no longer follows its event. */
		adrift?: boolean;
		size?: number;
		words?: boolean;
	};
	let {
		state,
		checked = false,
		late = false,
		adrift = false,
		size = 16,
		words = true
	}: Props = $props();
	const P = 'M8 .8 13.6 7 8 15.2 2.4 7Z';
	const shape = $derived(
		state !== 'docketed' ? state : adrift ? 'adrift' : checked ? 'solid' : 'half'
	);
	const color = $derived(
		state === 'missed' || late || shape === 'adrift'
			? 'var(--color-madder)'
			: shape === 'half'
				? 'var(--color-saffron-ink)'
				: state === 'met'
					? 'var(--color-spruce)'
					: state === 'proposed'
						? 'var(--color-ink-3)'
						: 'var(--color-ink)'
	);
	const say = $derived(
		{
			proposed: 'proposed',
			half: 'docketed, needs a second check',
			adrift: 'docketed, no longer follows its event',
			solid: 'docketed and checked',
			met: 'met',
			vacated: 'vacated',
			missed: 'missed'
		}[shape]
	);
</script>

<svg
	width={size}
	height={size}
	viewBox="0 0 16 16"
	role={words ? 'img' : undefined}
	aria-label={words ? say : undefined}
	aria-hidden={words ? undefined : 'true'}
	data-kite={shape}
>
	{#if shape === 'proposed'}<path
			d={P}
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.4"
			stroke-dasharray="2.2 1.6"
		/>
	{:else if shape === 'half'}<path
			d={P}
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.4"
		/><path d="M8 .8 2.4 7 8 15.2Z" fill={color} />
	{:else if shape === 'adrift'}<path
			d={P}
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.4"
		/><path d="M2.4 7h11.2L8 15.2Z" fill={color} />
	{:else if shape === 'solid'}<path d={P} fill={color} stroke={color} stroke-width="1.4" />
	{:else if shape === 'met'}<path
			d={P}
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.4"
		/><path d="m5.2 7.4 2 2 3.6-4" fill="none" stroke={color} stroke-width="1.6" />
	{:else if shape === 'vacated'}<path
			d={P}
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.2"
		/><path d="M1.5 13 14.5 3" stroke={color} stroke-width="1.4" />
	{:else}<path d="M8 .8 13.6 7 9.6 8.4 8.4 6.2 6 8.6 2.4 7Z" fill={color} /><path
			d="M3.2 9.2 6 10.6 7.8 8.6 9.4 10.4 12.2 9.4 8 15.2Z"
			fill={color}
		/>{/if}
</svg>
