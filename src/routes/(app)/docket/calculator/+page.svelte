<!-- Count a date for any court, without a matter; the address holds the whole question. -->
<script lang="ts">
	import { afterNavigate, goto } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import Count from '$lib/docket/Count.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import { formatAway } from '$lib/ui/format.ts';
	import { formatDate } from '#core/format/dates.ts';
	let { data } = $props();
	const a = $derived(data.asked);
	let form = $state<HTMLFormElement>();
	/** What stands in the fields. An answer comes later than the next key: it overwrites nothing. */
	// svelte-ignore state_referenced_locally
	let typed = $state({ ...data.asked });
	let asked = '';
	let waiting: ReturnType<typeof setTimeout>;
	/** Counts as one types; the address follows. */
	function again(now = false) {
		clearTimeout(waiting);
		waiting = setTimeout(
			() => {
				if (!form) return;
				const query = new URLSearchParams(
					[...new FormData(form).entries()].filter(([, value]) => value !== '') as [
						string,
						string
					][]
				);
				asked = `?${query}`;
				void goto(asked, { keepFocus: true, noScroll: true, replaceState: true });
			},
			now ? 0 : 250
		);
	}
	afterNavigate(({ to }) => {
		if (to?.url.search !== asked) typed = { ...data.asked };
		else settle();
	});
	/** A sign becomes the way it says, and a service that this court does not know is none. */
	function settle() {
		const [sign, amount] = [/^[+-]\s?/.test(typed.amount), typed.amount.replace(/^[+-]\s?/, '')];
		if (sign && amount === a.amount) typed = { ...typed, amount, way: a.way };
		if (!data.services.some(({ id }) => id === typed.service)) typed.service = '';
	}
	const units = $derived([
		['d', 'days'],
		['cd', `${data.dayWord}s`],
		['w', 'weeks'],
		['m', 'months'],
		['y', 'years'],
		['h', 'hours']
	] as const);
	async function share() {
		await navigator.clipboard.writeText(data.address);
		say('The address is copied.');
	}
</script>

<svelte:head><title>Count a date · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Count a date</h1>
		<span class="sub grow">for any court, without a matter; nothing is saved</span><DocketTabs />
	</div>
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[340px_minmax(0,1fr)]">
		<form
			method="get"
			class="no-print flex flex-col gap-2.5"
			bind:this={form}
			oninput={() => again()}
			onchange={() => again(true)}
			onsubmit={(e) => {
				e.preventDefault();
				again(true);
			}}
		>
			<SelectField
				label="Court or agency"
				error={data.errors.court}
				name="court"
				bind:value={typed.court}
				>{#each data.courts as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</SelectField
			>
			<DateField
				name="from"
				label="From"
				bind:value={typed.from}
				today={data.today}
				error={data.errors.from}
				hint="from today, if nothing is written"
				onpick={() => again(true)}
			/>
			<div class="grid grid-cols-[90px_1fr_1fr] gap-2">
				<TextField
					label="How many"
					error={data.errors.amount}
					name="amount"
					inputmode="numeric"
					bind:value={typed.amount}
					autocomplete="off"
				/>
				<SelectField label="Of what" name="unit" bind:value={typed.unit}
					>{#each units as [v, n] (v)}<option value={v}>{n}</option>{/each}</SelectField
				>
				<SelectField label="Which way" name="way" bind:value={typed.way}
					><option value="after">after it</option><option value="before">before it</option
					></SelectField
				>
			</div>
			<div class="grid grid-cols-2 gap-2">
				<SelectField
					label="Served"
					name="service"
					bind:value={typed.service}
					disabled={data.services.length === 0}
					><option value="">Not served</option>{#each data.services as s (s.id)}<option value={s.id}
							>{s.label}</option
						>{/each}</SelectField
				>
				<TextField
					label="At"
					error={data.errors.time}
					hint={a.unit === 'h'
						? 'hours are counted from it'
						: data.deemed
							? 'service may depend on it'
							: undefined}
					name="time"
					bind:value={typed.time}
					placeholder="time"
					autocomplete="off"
				/>
			</div>
			<div class="grid grid-cols-2 gap-2">
				<SelectField
					label="What is done"
					hint="an office that cannot be reached moves filings only"
					name="act"
					bind:value={typed.act}
					><option value="file">file it</option><option value="serve">serve or do it</option
					></SelectField
				>
				<SelectField label="On a closed day" name="roll" bind:value={typed.roll}
					><option value="usual">as the rule says</option><option value="towards"
						>always on, to the next</option
					><option value="none">it stays</option></SelectField
				>
			</div>
			<noscript><button class="btn go">Count</button></noscript>
		</form>
		<section aria-live="polite" aria-label="Result">
			{#if data.result}
				<p class="read text-figure leading-tight font-medium" data-result={data.result.date}>
					{formatDate(data.result.date)}{data.result.time ? `, ${data.result.time}` : ''}
				</p>
				<p class="sub mt-1 mb-3">
					{formatAway(data.result.date, data.today)}{#if data.clear && a.way === 'before'}; clear
						days{/if}
				</p>
				<Count count={data.result.count} />
				<div class="no-print mt-3 flex flex-wrap items-center gap-3">
					<button class="btn" onclick={share}>Copy the address</button><button
						class="btn"
						onclick={() => window.print()}>Print</button
					><span class="sub">the whole question is in this page's address</span>
				</div>
				{#if !a.time && a.act === 'file' && a.roll === 'usual'}<p class="sub no-print mt-4">
						In the pen line: <span class="read text-lead"
							>count {a.amount}{a.unit}
							{a.way === 'before' ? 'before' : 'from'}
							{a.from}
							{a.court.replace(/^us-|^gb-/, '').replaceAll(/[.-]/g, ' ')}{a.service
								? ` ${a.service}`
								: ''}</span
						>
					</p>{/if}
			{:else}
				<p class="sub pt-6">
					{Object.keys(data.errors).length
						? 'Mend what is marked and the date stands here with its count.'
						: 'Say how many days, and the date stands here with its count.'}
				</p>
			{/if}
		</section>
	</div>
</div>
