<!--
	The docket report: chosen at the top, read below, and taken along as PDF, XLSX, CSV, ICS or by
	mail.
-->
<script lang="ts">
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import { toast } from 'svelte-sonner';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	let { data } = $props();
	const f = $derived(data.asked.filter);
	const WIDTHS: Record<string, string> = {
		date: 'w-[96px]',
		time: 'w-[60px]',
		number: 'w-[110px]',
		state: 'w-[86px]',
		checked: 'w-[156px]',
		responsible: 'w-[64px]',
		computed: 'w-[96px]',
		internal: 'w-[96px]'
	};
	let made = $state({ sort: '', address: '' });
	let mailing = $state(false),
		words = $state('');
	let chosen = $state<string[]>([]);
	/** What the group's heading says already is not said again in every row. */
	const said = $derived(f.order === 'matter' ? ['matter', 'number'] : ['date']);
	const shown = $derived(
		data.columns
			.filter(([c]) => c !== 'count' && !said.includes(c) && data.asked.columns.includes(c))
			.sort((a, b) => data.asked.columns.indexOf(a[0]) - data.asked.columns.indexOf(b[0]))
	);
	const cells = $derived(data.asked.columns.filter((x) => x !== 'count') as string[]);
	const file = (as: string) => `/docket/report/export?${data.query}&as=${as}`;
	let cols = $derived<string[]>(data.asked.columns);
	const order = $derived(data.columns.map(([c]) => c).filter((c) => cols.includes(c)));
	type Row = (typeof data.groups)[number]['rows'][number];
	const columns = $derived<Column<Row>[]>([
		{ key: 'mark', label: 'State', unlabeled: true, cell: mark, class: 'w-[26px]' },
		...shown.map(([key, label]): Column<Row> => ({
			key,
			label,
			text: (row) => row.cells[cells.indexOf(key)],
			leads: key === 'title',
			class: `${WIDTHS[key] ?? ''} ${key === 'title' ? 'py-1 whitespace-pre-line' : 'truncate'}`
		}))
	]);
</script>

<svelte:head><title>Docket report · Kite Pen</title></svelte:head>
{#snippet mark(row: Row)}
	<Kite
		state={row.state}
		sort={row.sort}
		checked={row.checked}
		adrift={row.adrift}
		late={row.late && row.state === 'docketed'}
	/>
{/snippet}
{#snippet counted(row: Row)}
	{#if row.count}
		<tr>
			<td></td>
			<td colspan={shown.length} class="h-auto pb-1.5 text-note text-ink-2">{row.count}</td>
		</tr>
	{/if}
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Docket report</h1>
		<span class="sub grow">{data.text}: {plural(data.total, 'date')}</span><DocketTabs />
	</div>
	<form method="get" class="no-print mt-3">
		<input type="hidden" name="go" value="1" /><input
			type="hidden"
			name="cols"
			value={order.join(',')}
		/>
		<div class="flex flex-wrap items-center gap-2">
			<select class="box w-auto" name="show" aria-label="Which dates" value={f.show ?? 'open'}
				><option value="open">Docketed</option><option value="unchecked">Unchecked</option><option
					value="missed">Missed</option
				><option value="proposed">Proposed</option><option value="all">All</option></select
			>
			<input
				class="box w-28"
				name="from"
				value={f.from ?? ''}
				placeholder="a day"
				aria-label="From which day"
			/><span class="sub">to</span><input
				class="box w-28"
				name="to"
				value={f.to ?? ''}
				placeholder="a day"
				aria-label="To which day"
			/>
			<input
				class="box w-36"
				name="matter"
				value={f.matter ?? ''}
				placeholder="number"
				aria-label="One matter, by its number"
			/>
			<select class="box w-auto max-w-[170px]" name="who" aria-label="Person" value={f.who ?? ''}
				><option value="">Anyone</option><option value="mine">On my matters</option
				>{#each data.choices.people as s (s.id)}<option value={s.id}>{s.name}</option
					>{/each}</select
			>
			<select
				class="box w-auto max-w-[170px]"
				name="unit"
				aria-label="Business unit"
				value={f.unit ?? ''}
				><option value="">Any business unit</option>{#each data.choices.units as u (u.id)}<option
						value={u.id}>{u.name}</option
					>{/each}</select
			>
			<select class="box w-auto" name="order" aria-label="Order" value={f.order ?? 'day'}
				><option value="day">By day</option><option value="matter">By matter</option></select
			>
			<select
				class="box w-auto"
				name="long"
				aria-label="Descriptions"
				value={data.asked.long ? '1' : ''}
				><option value="">Short descriptions</option><option value="1">Long descriptions</option
				></select
			>
			<button class="btn go">Show</button>
		</div>
		<details class="mt-2">
			<summary class="act inline-block">Columns: {order.length}</summary>
			<div class="mt-2 grid max-w-form grid-cols-4 gap-1.5">
				{#each data.columns as [c, name] (c)}<label class="flex gap-2"
						><input type="checkbox" class="accent-petrol" value={c} bind:group={cols} />
						{name}</label
					>{/each}
			</div>
		</details>
	</form>
	{#if data.bad}<p class="fault mt-2">{data.bad}</p>{/if}
	<div class="no-print mt-3 flex flex-wrap items-center gap-3">
		<a class="act" href={file('pdf')}>PDF</a><a class="act" href={file('xlsx')}>XLSX</a><a
			class="act"
			href={file('csv')}>CSV</a
		><a class="act" href={file('ics')}>ICS</a><button class="act" onclick={() => (mailing = true)}
			>By mail</button
		><button class="act" onclick={() => window.print()}>Print</button>
	</div>
	{#if data.total === 0}<Empty>No date fits. Give a longer span, or all dates.</Empty>{/if}
	{#each data.groups as g, i (g.key)}
		<DataTable
			{columns}
			rows={g.rows}
			caption={g.name}
			about={g.rows.length}
			headless={i > 0}
			id={(row) => row.id}
			href={(row) => row.href}
			row={() => ({ 'data-group': g.key })}
			below={data.asked.columns.includes('count') ? counted : undefined}
			fixed
			class="mt-4"
		/>
	{/each}
	{#if data.total > data.shown}<p class="sub mt-3">
			The first {data.shown} of {data.total} are shown here; the files hold all of them, up to 5,000.
		</p>{/if}
	<section class="no-print mt-8 max-w-form" id="calendars">
		<div class="ruled">
			<h2>Calendar addresses</h2>
			<span class="sub"
				>for an ordinary calendar program; whoever has an address reads its dates, until it is
				revoked</span
			>
		</div>
		{#each [['person', 'My dates'], ['department', "The department's dates, as I may see them"]] as [sort, name] (sort)}
			{@const feed = data.feeds.find((x) => x.sort === sort)}
			<div class="row flex min-h-10 flex-wrap items-center gap-3 py-1">
				<b class="font-semibold">{name}</b>
				{#if made.sort === sort}<input
						class="box w-[440px]"
						readonly
						value={made.address}
						aria-label="Address of {name}"
						onfocus={(e) => e.currentTarget.select()}
					/><span class="sub">shown this once</span>
				{:else}<span class="sub grow"
						>{feed
							? `made ${formatInstant(feed.madeAt, data.zone, data.today)}${feed.readAt ? `, last read ${formatInstant(feed.readAt, data.zone, data.today)}` : ', not read yet'}`
							: 'no address yet'}</span
					>{/if}
				<RowAction
					action="?/feed"
					ondone={(d) => {
						made = { sort: sort!, address: String(d.address) };
					}}
					fields={{ sort }}>{feed ? 'make a new one' : 'make one'}</RowAction
				>
				{#if feed}<RowAction
						action="?/revoke"
						ondone={() => {
							made = { sort: '', address: '' };
							toast('Revoked: the address says so from now on.');
						}}
						fields={{ feedId: feed.id }}>revoke it</RowAction
					>{/if}
			</div>
		{/each}
		{#each data.feeds.filter((x) => x.sort === 'matter') as feed (feed.id)}<div
				class="row flex min-h-10 items-center gap-3"
			>
				<b class="font-semibold">{feed.matterTitle}</b><span class="sub grow"
					>{feed.matterNumber}, made {formatInstant(feed.madeAt, data.zone, data.today)}</span
				><RowAction action="?/revoke" fields={{ feedId: feed.id }}>revoke it</RowAction>
			</div>{/each}
	</section>
</div>
<Drawer
	bind:open={mailing}
	title="Send the report"
	about="{data.text}. Everyone gets it as they themselves may see it."
>
	<ActionForm
		action="?/mail"
		ondone={(d) => {
			mailing = false;
			toast(`Sent to ${plural(Number(d.sent), 'colleague')}.`);
		}}
	>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="query" value={data.query} />
			<fieldset>
				<legend class="label">To</legend>{#each data.choices.people as s (s.id)}<label
						class="flex gap-2 py-0.5"
						><input
							type="checkbox"
							name="to"
							value={s.id}
							bind:group={chosen}
							class="accent-petrol"
						/>
						{s.name}</label
					>{/each}
			</fieldset>
			{#if errors.to}<p class="fault mt-1">{errors.to}</p>{/if}
			<TextArea
				label="Message"
				error={errors.words}
				hint="optional"
				class="mt-3"
				name="words"
				rows={2}
				bind:value={words}
			/>
			<div class="mt-4">
				<button class="btn go" disabled={busy || chosen.length === 0}
					>Send to {plural(chosen.length, 'colleague')}</button
				>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
