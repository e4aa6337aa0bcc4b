<!--
	The shapes of the docket's entries, once in a page: each entry only names its own, in its color.
	A hundred of them are drawn on some pages.
-->
<script lang="ts">
	const KITE = 'M8 .8 13.6 7 8 15.2 2.4 7Z';
	const TICK = 'm5.2 7.4 2 2 3.6-4';
	const STRIKE = 'M1.5 13 14.5 3';
	const DASHES = '2.2 1.6';
	const SHAPES = ['proposed', 'half', 'adrift', 'solid', 'met', 'vacated', 'passed'] as const;
	type Shape = (typeof SHAPES)[number];
	const kiteWidth = (shape: Shape) => (shape === 'vacated' ? 1.2 : 1.4);
	const circleWidth = (shape: Shape) => (shape === 'solid' ? 1.8 : 1.2);
</script>

{#snippet over(shape: Shape)}
	{#if shape === 'met'}<path d={TICK} fill="none" stroke="currentColor" stroke-width="1.6" />{/if}
	{#if shape === 'vacated'}<path d={STRIKE} stroke="currentColor" stroke-width="1.4" />{/if}
{/snippet}

<svg width="0" height="0" class="absolute" aria-hidden="true">
	{#each SHAPES as shape (shape)}
		<symbol id="kite-{shape}" viewBox="0 0 16 16">
			<path
				d={KITE}
				fill={shape === 'solid' ? 'currentColor' : 'var(--color-white)'}
				stroke="currentColor"
				stroke-width={kiteWidth(shape)}
				stroke-dasharray={shape === 'proposed' ? DASHES : undefined}
			/>
			{#if shape === 'half'}<path d="M8 .8 2.4 7 8 15.2Z" fill="currentColor" />{/if}
			{#if shape === 'adrift'}<path d="M2.4 7h11.2L8 15.2Z" fill="currentColor" />{/if}
			{@render over(shape)}
		</symbol>
		<symbol id="hearing-{shape}" viewBox="0 0 16 16">
			<circle
				cx="8"
				cy="8"
				r="6"
				fill="var(--color-white)"
				stroke="currentColor"
				stroke-width={circleWidth(shape)}
				stroke-dasharray={shape === 'passed' || shape === 'proposed' ? DASHES : undefined}
			/>
			{#if shape !== 'met'}<circle cx="8" cy="8" r="2.4" fill="currentColor" />{/if}
			{@render over(shape)}
		</symbol>
	{/each}
	<symbol id="kite-missed" viewBox="0 0 16 16">
		<path d="M8 .8 13.6 7 9.6 8.4 8.4 6.2 6 8.6 2.4 7Z" fill="currentColor" />
		<path d="M3.2 9.2 6 10.6 7.8 8.6 9.4 10.4 12.2 9.4 8 15.2Z" fill="currentColor" />
	</symbol>
</svg>
