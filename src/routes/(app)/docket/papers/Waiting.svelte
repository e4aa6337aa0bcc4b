<!-- The papers that wait, the oldest first, with who has them. -->
<script lang="ts">
	import type { WaitingPaper } from '#server/papers/queries.ts';
	import { plural } from '$lib/ui/format.ts';
	import { walkLinks } from '$lib/ui/keys.ts';
	type Props = { papers: readonly WaitingPaper[]; current: string };
	let { papers, current }: Props = $props();
	/** From so many days on a paper has waited too long for a court's clock. */
	const LONG_DAYS = 2;
	const age = (days: number) => (days === 0 ? 'today' : plural(days, 'day'));
</script>

<section aria-label="Papers that wait" class="mt-4 min-w-0">
	<h2 class="ruled">Waiting <span class="sub font-normal">{papers.length}</span></h2>
	<ul use:walkLinks={'a[data-paper]'}>
		{#each papers as paper (paper.id)}
			<li class="row {paper.id === current ? 'bg-white' : ''}">
				<a
					class="flex min-h-[52px] items-start gap-3 px-2 py-1.5"
					data-paper={paper.fileName}
					aria-current={paper.id === current ? 'true' : undefined}
					href="/docket/papers?paper={paper.id}"
				>
					<span class="min-w-0 grow">
						<b class="block truncate font-semibold">{paper.fileName}</b>
						<span class="sub block truncate">
							{paper.matterNumber ? `${paper.matterNumber} ${paper.matterTitle}` : 'no matter yet'}
						</span>
					</span>
					<span class="text-right whitespace-nowrap">
						<span class={['block', paper.age >= LONG_DAYS ? 'font-semibold text-madder' : '']}>
							{age(paper.age)}
						</span>
						<span class="sub block">{paper.holder}</span>
					</span>
				</a>
			</li>
		{/each}
	</ul>
</section>
