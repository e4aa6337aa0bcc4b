<script lang="ts">
	import { dayAt } from '#core/dates/zone.ts';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Requests from '$lib/requests/RequestRows.svelte';
	import { countDays, plural, formatShort } from '$lib/ui/format.ts';
	let { data } = $props();
	const WORDS: Record<string, string> = {
		sent: 'new',
		taken: 'taken',
		asked: 'waits for an answer',
		'turned down': 'turned down',
		withdrawn: 'withdrawn',
		matter: 'in work'
	};
	const show = [
		['open', 'Open'],
		['mine', 'Mine'],
		['done', 'Finished']
	];
</script>

<svelte:head><title>Requests · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<h1>Requests</h1>
	{#if data.own}
		{#if data.draft}<RowAction
				action="?/removeDraft"
				class="mt-1"
				ondone={() => {
					sessionStorage.removeItem('draft request');
					location.href = '/requests';
				}}
				fields={{ requestId: data.own ? data.draft!.id : '' }}>Throw this draft away</RowAction
			>{/if}
		<div class="mt-4"><Requests mine={data.mine} loaded={data.draft} /></div>
	{:else}
		<div class="mt-3 flex gap-2">
			{#each show as [k, n] (k)}<a class="note" class:on={data.show === k} href="?show={k}">{n}</a
				>{/each}<span class="sub ml-2">{plural(data.queue.length, 'request')}</span>
		</div>
		{#if data.queue.length === 0}<Empty
				>{data.show === 'open'
					? 'No request waits. What business partners send comes here.'
					: data.show === 'mine'
						? 'You have taken none.'
						: 'None is finished yet.'}</Empty
			>
		{:else}
			<table class="list mt-2 table-fixed">
				<thead
					><tr
						><th class="w-[112px] max-md:hidden">Number</th><th>About</th><th
							class="w-[230px] max-lg:w-[130px] max-md:hidden">From</th
						><th class="w-[90px] max-md:w-[74px]">Urgency</th><th class="w-[110px] max-md:hidden"
							>Wanted by</th
						><th class="num w-[70px] max-md:hidden">Age</th><th class="w-[150px] max-md:w-[110px]"
							>State</th
						><th class="w-[140px] max-lg:hidden">With</th></tr
					></thead
				><tbody>
					{#each data.queue as r (r.id)}{@const age = r.sentAt
							? countDays(dayAt(r.sentAt, data.zone), data.today)
							: 0}<tr class="link"
							><td class="text-ink-2 max-md:hidden">{r.number}</td><td class="truncate"
								><a class="font-semibold" href="/requests/{r.id}">{r.about}</a>{#if r.files}<span
										class="sub ml-2">{plural(r.files, 'file')}</span
									>{/if}</td
							><td class="truncate max-md:hidden"
								>{r.by}<span class="sub">{r.unit ? `, ${r.unit}` : ''}</span></td
							><td
								class={r.urgency === 'urgent'
									? 'font-semibold text-madder'
									: r.urgency === 'soon'
										? 'text-saffron-ink'
										: 'sub'}>{r.urgency === 'normal' ? 'no hurry' : r.urgency}</td
							><td
								class="max-md:hidden {r.wantedBy && r.wantedBy < data.today && data.show !== 'done'
									? 'font-semibold text-madder'
									: ''}">{r.wantedBy ? formatShort(r.wantedBy, data.today) : ''}</td
							><td
								class="num max-md:hidden {age > 5 && data.show !== 'done'
									? 'font-semibold text-madder'
									: ''}">{age} d</td
							><td class={r.state === 'sent' ? 'font-semibold text-saffron-ink' : ''}
								>{WORDS[r.state]}</td
							><td class="truncate max-lg:hidden">{r.takenBy ?? ''}</td></tr
						>{/each}
				</tbody>
			</table>
		{/if}
	{/if}
</div>
