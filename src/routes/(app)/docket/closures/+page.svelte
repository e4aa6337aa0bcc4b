<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import AddClosure from './AddClosure.svelte';
	let { data } = $props();
	let adding = $state(false),
		dropping = $state('');
	let dropOpen = $state(false);
	let reason = $state('');
	const years = $derived([data.year - 1, data.year, data.year + 1]);
	const dropped = $derived(data.closures.find((c) => c.id === dropping));
</script>

<svelte:head><title>Closures · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Closures</h1>
		<span class="sub grow">days on which a court does not sit, beside its holidays</span><DocketTabs
		/>
	</div>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-2">
		<section>
			<div class="ruled">
				<h2>Entered by the department</h2>
				{#if data.canClose}<button
						class="act ml-auto"
						onclick={() => {
							adding = true;
						}}>Add a closure</button
					>{/if}
			</div>
			{#each data.closures as c (c.id)}
				<div class="row flex min-h-[44px] items-center gap-3 py-1" data-closure={c.name}>
					<span class="w-[100px] font-semibold whitespace-nowrap"
						>{formatDay(c.date, data.today)}</span
					><span class="min-w-0 grow"
						><b class="font-semibold">{c.name}</b><span class="sub block"
							>{c.court}; {c.kind === 'office'
								? "the clerk's office cannot be reached: moves filings only"
								: 'a declared holiday: counts for every act'}</span
						></span
					>{#if data.canClose}<button
							class="act whitespace-nowrap"
							onclick={() => {
								dropping = c.id;
								reason = '';
								dropOpen = true;
							}}>take out</button
						>{/if}
				</div>
			{:else}<Empty
					>No closure was entered. Add one when a court closes, and every date it affects is listed
					before anything moves.</Empty
				>{/each}
		</section>
		<section>
			<div class="ruled"><h2>Holidays of {data.title}, {data.year}</h2></div>
			<form method="get" class="no-print mt-2 flex flex-wrap gap-2">
				<select
					class="box w-auto max-w-full"
					name="court"
					aria-label="Court"
					value={data.book}
					onchange={(e) => e.currentTarget.form?.requestSubmit()}
					>{#each data.books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</select
				><select
					class="box w-auto max-w-full"
					name="year"
					aria-label="Year"
					value={String(data.year)}
					onchange={(e) => e.currentTarget.form?.requestSubmit()}
					>{#each years as y (y)}<option value={String(y)}>{y}</option>{/each}</select
				><button class="btn">Show</button>
			</form>
			<ul class="mt-1">
				{#each data.holidays as h (h.date)}<li class="row flex h-[32px] items-center gap-3">
						<span class="w-[110px] font-semibold">{formatDay(h.date, data.today)}</span
						>{h.name}{#if h.only}<span class="sub">in counts {h.only}s only</span>{/if}
					</li>{/each}
			</ul>
		</section>
	</div>
</div>
<AddClosure bind:open={adding} books={data.books} court={data.book} today={data.today} />
<Drawer
	bind:open={dropOpen}
	title="Take out the closure"
	about={dropped ? `${dropped.name}, ${formatDay(dropped.date, data.today)}` : ''}
>
	<ActionForm
		action="?/remove"
		ondone={(d) => {
			dropOpen = false;
			say(
				Number(d.affected)
					? `${plural(Number(d.affected), 'date')} wait for a decision to move back.`
					: 'Taken away.'
			);
		}}
		>{#snippet children({ errors, busy })}<input
				type="hidden"
				name="closureId"
				value={dropping}
			/><TextField label="Reason" error={errors.reason} name="reason" bind:value={reason} />
			<div class="mt-4">
				<button class="btn go" disabled={busy}>Take out it</button>
			</div>{/snippet}</ActionForm
	>
</Drawer>
