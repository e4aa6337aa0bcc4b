<!-- What would change: every date with its old and its new day, before anything is saved. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import type { EffectView } from '#server/docket/effects.ts';
	type Props = { effects: EffectView[]; total?: number; today: string; matter?: boolean };
	let { effects, total = effects.length, today, matter = true }: Props = $props();
</script>

{#if effects.length}
	<table class="list">
		<thead
			><tr
				><th>Date</th>{#if matter}<th>Matter</th>{/if}<th class="w-[100px]">Now</th><th
					class="w-[100px]">Then</th
				><th class="num w-[50px]">Days</th></tr
			></thead
		>
		<tbody
			>{#each effects as e, i (i)}<tr data-effect={e.title}
					><td class="max-w-0 truncate"
						><b class="font-semibold">{e.title}</b>
						<span class="sub">{e.event}{e.state === 'proposed' ? ', proposed' : ''}</span></td
					>{#if matter}<td class="max-w-0 truncate">{e.matterTitle}</td>{/if}<td
						class="whitespace-nowrap">{e.was ? formatDay(e.was, today) : 'new'}</td
					><td class="whitespace-nowrap"
						><b class="font-semibold">{e.becomes ? formatDay(e.becomes, today) : 'falls away'}</b
						></td
					><td class="num font-semibold text-petrol"
						>{e.days === null ? '' : `${e.days > 0 ? '+' : '−'}${Math.abs(e.days)}`}</td
					></tr
				>{/each}</tbody
		>
	</table>
	{#if total > effects.length}<p class="sub mt-2">The first {effects.length} of {total}.</p>{/if}
{:else}<p class="sub py-2">No date in an open matter that you may see would change.</p>{/if}
