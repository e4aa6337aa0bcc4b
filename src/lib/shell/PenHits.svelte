<!-- What the pen line found, above it. -->
<script lang="ts">
	import type { Hit } from '#server/search/queries.ts';
	type Props = {
		hits: Hit[];
		/** The one that Enter opens. */
		at: number;
		/** What is shown is not yet the answer to what is written. */
		looking: boolean;
		onopen: () => void;
	};
	let { hits, at, looking, onopen }: Props = $props();
</script>

<ul class="hits" role="listbox" id="pen-hits" aria-label="Found" aria-busy={looking}>
	{#each hits as hit, place (hit.kind + hit.id)}
		<li role="option" aria-selected={place === at} id="pen-hit-{place}">
			<a href={hit.href} class="hit" class:on={place === at} tabindex="-1" onclick={onopen}>
				<span class="sub w-[74px] shrink-0">{hit.kind}</span>
				<b class="font-semibold">{hit.title}</b>
				<span class="sub truncate">{hit.about}</span>
			</a>
		</li>
	{:else}
		<li class="sub px-3 py-2" role="option" aria-selected="false">
			{looking ? 'Looking…' : 'Nothing found that you may see.'}
		</li>
	{/each}
</ul>

<style>
	.hits {
		position: absolute;
		left: 54px;
		bottom: 52px;
		width: min(640px, calc(100vw - 74px));
		max-height: 420px;
		overflow-y: auto;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-bottom: 0;
		border-radius: 6px 6px 0 0;
		box-shadow: var(--shadow-foot);
		padding: 4px;
	}
	.hit {
		display: flex;
		gap: 10px;
		align-items: baseline;
		padding: 6px 10px;
		border-radius: 4px;
		white-space: nowrap;
	}
	.hit.on,
	.hit:hover {
		background: var(--color-petrol-wash);
	}
</style>
