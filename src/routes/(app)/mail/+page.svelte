<script lang="ts">
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Pages from '$lib/ui/Pages.svelte';
	import { formatInstant, plural, formatSize } from '$lib/ui/format.ts';
	let { data } = $props();
	let chosen = $state('');
	const shown = $derived(data.rows.find((m) => m.id === chosen) ?? data.rows[0]);
	/** Links in a mail can be followed. */
	const parts = (text: string) => text.split(/(https?:\/\/[^\s]+)/);
</script>

<svelte:head><title>Post room · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1>Post room</h1>
		<span class="sub grow"
			>Everything this house sent by mail, as it arrived{data.waiting
				? `; ${plural(data.waiting, 'mail')} on the way`
				: ''}</span
		>
		<HouseTabs />
		<FilterBar search={{ label: 'Subject or person', placeholder: 'Subject or person' }} />
	</div>
	{#if shown}
		<div
			class={[
				'mt-3 grid grid-cols-1 gap-6 border-t-[1.5px] border-ink',
				'lg:grid-cols-[440px_minmax(0,1fr)]'
			]}
		>
			<ul>
				{#each data.rows as m (m.id)}<li class="row">
						<button
							class="block w-full border-l-[3px] px-3 py-2 text-left {m.id === shown.id
								? 'border-saffron bg-white'
								: 'border-transparent hover:bg-white'}"
							aria-pressed={m.id === shown.id}
							onclick={() => (chosen = m.id)}
							><span class="flex gap-2"
								><b class="grow truncate font-semibold">{m.subject}</b><span
									class="sub whitespace-nowrap">{formatInstant(m.at, data.zone, data.today)}</span
								></span
							><span class="sub block truncate">{m.to.replace(/"/g, '')}</span></button
						>
					</li>{/each}
			</ul>
			<article class="self-start bg-white px-8 py-6 lg:sticky lg:top-4">
				<p class="sub">To {shown.to.replace(/"/g, '')}</p>
				<p class="sub">From {shown.from.replace(/"/g, '')}</p>
				<h2 class="read mt-3 text-title font-medium">{shown.subject}</h2>
				<div class="read mt-3 text-read break-words whitespace-pre-line">
					{#each parts(shown.text) as p, i (i)}{#if /^https?:/.test(p)}<a
								class="text-petrol underline"
								href={p}
								target="_blank"
								rel="noreferrer">{p}</a
							>{:else}{p}{/if}{/each}
				</div>
				{#each shown.attachments as a, i (i)}<p class="mt-4 border-t border-rule pt-3">
						<a class="act" href="/mail/{shown.id}/{i}">{a.name}</a>
						<span class="sub">{formatSize(a.size)}</span>
					</p>{/each}
			</article>
		</div>
		<Pages total={data.total} per={60} what="mails" />
	{:else}<Empty
			>{data.q
				? 'No mail fits.'
				: 'No mail yet. What the house sends arrives here, a few seconds after it is sent.'}</Empty
		>{/if}
</div>
