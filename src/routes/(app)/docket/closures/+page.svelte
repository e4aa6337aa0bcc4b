<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { askServer } from '$lib/ui/ask.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Effects from '$lib/docket/Effects.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	import type { EffectView } from '#server/docket/effects.ts';
	let { data } = $props();
	let adding = $state(false),
		dropping = $state('');
	let dropOpen = $state(false);
	let date = $state(''),
		kind = $state('holiday'),
		name = $state(''),
		reason = $state('');
	// svelte-ignore state_referenced_locally
	let book = $state(data.book);
	let effects = $state<EffectView[] | null>(null);
	let total = $state(0),
		asked = 0;
	$effect(() => {
		const r = readTypedDate(date, data.today);
		if (!adding || !date.trim() || 'error' in r) {
			effects = null;
			return;
		}
		const mine = ++asked;
		const closure = { book, date: r.date, kind, name: name.trim() || 'closure' };
		void askServer<{ effects: EffectView[]; total: number }>('/api/preview/closure', closure).then(
			(asking) => {
				if (mine !== asked || !asking.ok) return;
				({ effects, total } = asking.value);
			}
		);
	});
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
	<div class="mt-4 grid gap-8 lg:grid-cols-2">
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
							}}>take away</button
						>{/if}
				</div>
			{:else}<Empty
					>No closure was entered. Add one when a court closes, and every date it affects is listed
					before anything moves.</Empty
				>{/each}
		</section>
		<section>
			<div class="ruled"><h2>Holidays of {data.title}, {data.year}</h2></div>
			<form method="get" class="no-print mt-2 flex gap-2">
				<select
					class="box w-auto"
					name="court"
					aria-label="Court"
					value={data.book}
					onchange={(e) => e.currentTarget.form?.requestSubmit()}
					>{#each data.books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</select
				><select
					class="box w-auto"
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
<Drawer
	bind:open={adding}
	title="Add a closure"
	about="What it affects is shown first; nothing moves by itself"
	wide
>
	<ActionForm
		action="?/add"
		ondone={(d) => {
			adding = false;
			date = '';
			name = '';
			toast(
				Number(d.affected)
					? `${plural(Number(d.affected), 'date')} in ${plural(Number(d.matters), 'matter')} wait for a decision.`
					: 'Entered. No date is affected.'
			);
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-2.5">
				<SelectField
					label="Court"
					error={errors.book}
					hint="a closure for a book holds for every book laid over it"
					name="book"
					bind:value={book}
					>{#each data.books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</SelectField
				>
				<DateField
					name="date"
					label="Day"
					bind:value={date}
					today={data.today}
					error={errors.date}
				/>
				<SelectField label="What it is" error={errors.kind} name="kind" bind:value={kind}
					><option value="holiday">A declared holiday: counts for every act</option><option
						value="office"
						>The clerk's office cannot be reached: moves filings, on their last day only</option
					></SelectField
				>
				<TextField
					label="Reason"
					error={errors.name}
					hint="as it is said in each count"
					name="name"
					bind:value={name}
				/>
			</div>
			<div class="ruled mt-4"><h3 class="font-semibold">What would change</h3></div>
			<div aria-live="polite">
				{#if effects}<Effects {effects} {total} today={data.today} />{:else}<p class="sub py-2">
						Give the day, and the dates it affects appear here.
					</p>{/if}
			</div>
			<div class="mt-4"><button class="btn go" disabled={busy}>Add the closure</button></div>
		{/snippet}
	</ActionForm>
</Drawer>
<Drawer
	bind:open={dropOpen}
	title="Take the closure away"
	about={dropped ? `${dropped.name}, ${formatDay(dropped.date, data.today)}` : ''}
>
	<ActionForm
		action="?/remove"
		ondone={(d) => {
			dropOpen = false;
			toast(
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
				<button class="btn go" disabled={busy}>Take it away</button>
			</div>{/snippet}</ActionForm
	>
</Drawer>
