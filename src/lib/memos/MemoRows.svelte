<!-- Notes and reminders as rows: what, from whom, for when; done with one click. -->
<script lang="ts">
	import { page } from '$app/state';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { formatDay, formatInstant } from '$lib/ui/format.ts';
	import type { MemoView } from '#server/memos/queries.ts';
	type Props = {
		memos: readonly MemoView[];
		/** The acts that mark one done, and remove one's own; without it none is offered. */
		finish: string;
		remove?: string;
		/** On a card its name says nothing. */
		card?: boolean;
	};
	let { memos, finish, remove, card = false }: Props = $props();
	const today = $derived(page.data.today);
	const people = ({ by, to, own }: MemoView) =>
		by === to ? (own ? '' : by) : `${own ? 'you' : by}, for ${to}`;
	const isLate = ({ remindOn, done }: MemoView) => !done && remindOn !== null && remindOn <= today;
</script>

{#each memos as memo (memo.id)}
	<div class="row flex min-h-[38px] items-baseline gap-3 py-1.5" data-memo={memo.text}>
		<span class="min-w-0 grow">
			<span class={['break-words whitespace-pre-line', { 'text-ink-3 line-through': memo.done }]}>
				{memo.text}
			</span>
			<span class="sub block">
				{#if !card && memo.personId}
					<a class="hover:underline" href="/people/{memo.personId}">{memo.personName}</a>,
				{/if}
				{[people(memo), formatInstant(memo.at, page.data.zone, today)].filter(Boolean).join(', ')}
			</span>
		</span>
		{#if memo.remindOn}
			<span class={['whitespace-nowrap', isLate(memo) ? 'font-semibold text-madder' : 'sub']}
				>{memo.remindOn === today ? 'today' : formatDay(memo.remindOn, today)}</span
			>
		{/if}
		<RowAction
			action={finish}
			fields={{ memoId: memo.id, done: memo.done ? '' : '1' }}
			look="act whitespace-nowrap"
			aria-label="{memo.done ? 'Open again' : 'Done'}: {memo.text.slice(0, 60)}"
		>
			{memo.done ? 'open again' : 'done'}
		</RowAction>
		{#if remove && memo.own}
			<RowAction
				action={remove}
				fields={{ memoId: memo.id }}
				aria-label="Remove {memo.text.slice(0, 60)}">remove</RowAction
			>
		{/if}
	</div>
{/each}
