<script lang="ts">
	import { plainDate, daysBetween, type PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import SourceField from '$lib/docket/SourceField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import DatesLeft from './DatesLeft.svelte';
	let { data } = $props();
	const c = $derived(data.caption),
		t = $derived(data.trial);
	let adding = $state<'' | 'exhibit' | 'witness'>(''),
		ruling = $state<(typeof t.exhibits)[number] | null>(null);
	let offered = $state(''),
		verdict = $state(''),
		ruledOn = $state('');
	// svelte-ignore state_referenced_locally
	const kept = draft(`exhibit ${data.caption.id}`, {
		title: '',
		side: 'ours',
		number: '',
		documentId: '',
		personId: '',
		about: '',
		minutes: '',
		wside: 'ours'
	});
	const v = kept.value;
	const left = $derived(c.trial ? daysBetween(data.today as PlainDate, plainDate(c.trial)) : null);
	const sides = {
		ours: 'Our exhibits',
		theirs: 'Their exhibits',
		joint: 'Joint exhibits'
	} as const;
	const witnesses = $derived(
		data.people.filter(
			(p, i, all) =>
				!t.witnesses.some((x) => x.personId === p.id) && all.findIndex((q) => q.id === p.id) === i
		)
	);
	const minutes = $derived(t.witnesses.reduce((a, x) => a + (x.heard ? 0 : (x.minutes ?? 0)), 0));
</script>

<div class="p-5">
	<div class="flex flex-wrap items-baseline gap-x-4 gap-y-2">
		<h2 class="read text-title font-medium">Trial</h2>
		{#if left !== null}<p class="read grow text-title">
				<b class="font-medium {left <= 14 ? 'text-madder' : ''}"
					>{left === 0 ? 'today' : plural(left, 'day')}</b
				>{left === 0 ? '' : ' to go'}, {formatDate(plainDate(c.trial!))}
			</p>{:else}<p class="sub grow">
				No trial date is entered. <a class="act" href="/matters/{c.number}/docket"
					>Enter it on the docket</a
				>
			</p>{/if}
		<span class="no-print flex gap-2"
			><button class="btn" onclick={() => (adding = 'exhibit')}>Add an exhibit</button><button
				class="btn"
				onclick={() => (adding = 'witness')}>Add a witness</button
			><button class="btn" onclick={() => window.print()}>Print</button></span
		>
	</div>
	<div class="mt-4 grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_330px]">
		<div class="flex min-w-0 flex-col gap-6">
			{#if t.exhibits.length === 0}<Section title="Exhibits"
					><Empty>No exhibit yet. Ours get numbers, theirs letters.</Empty></Section
				>{/if}
			{#each Object.entries(sides) as [side, name] (side)}
				{@const list = t.exhibits.filter((e) => e.side === side)}
				{#if list.length}
					<Section
						title={name}
						about="{list.length}, {list.filter((e) => e.ruling === 'admitted').length} admitted"
					>
						<table class="list">
							<thead
								><tr
									><th class="w-[52px]">No.</th><th>What it is</th><th class="w-[120px]"
										>Document</th
									><th class="w-[104px]">Offered</th><th class="w-[150px]">Ruling</th><th
										class="no-print w-[60px]"><span class="vh">Change</span></th
									></tr
								></thead
							><tbody>
								{#each list as e (e.id)}<tr data-exhibit={e.number}
										><td class="read text-large font-medium">{e.number}</td><td
											class="font-semibold">{e.title}</td
										><td
											>{#if e.documentId}<a
													class="text-petrol hover:underline"
													href="/documents/{e.documentId}">{e.documentNumber?.split('-').at(-1)}</a
												>{:else}<span class="sub">–</span>{/if}</td
										><td>{e.offered ? formatDay(e.offered, data.today) : ''}</td><td
											class={e.ruling === 'admitted'
												? 'text-spruce'
												: e.ruling === 'excluded'
													? 'text-madder'
													: ''}
											>{e.ruling
												? `${e.ruling} ${formatDay(e.ruledOn!, data.today).slice(4)}`
												: ''}</td
										><td class="no-print"
											><button
												class="act"
												aria-label="mark exhibit {e.number}"
												onclick={() => {
													ruling = e;
													offered = e.offered ?? '';
													verdict = e.ruling ?? '';
													ruledOn = e.ruledOn ?? '';
												}}>mark</button
											></td
										></tr
									>{/each}
							</tbody>
						</table>
					</Section>
				{/if}
			{/each}
			<Section
				title="Witnesses"
				about={t.witnesses.length
					? `in order${minutes ? `, ${plural(minutes, 'minute')} ahead` : ''}`
					: ''}
			>
				{#each t.witnesses as x, i (x.id)}
					<div class="row flex min-h-[42px] items-center gap-3 py-1" data-witness={x.name}>
						<span class="read w-6 text-large font-medium">{i + 1}</span><span class="min-w-0 grow"
							><a
								class="font-semibold hover:underline {x.heard ? 'text-ink-3' : ''}"
								href="/people/{x.personId}">{x.name}</a
							>
							<span class="sub"
								>{x.side}{x.minutes ? `, ${x.minutes} min` : ''}{x.phone
									? `, ${x.phone}`
									: ''}</span
							>{#if x.about}<span class="block break-words text-ink-2">{x.about}</span>{/if}</span
						>
						{#if x.heard}<span class="text-spruce"
								>heard {formatDay(x.heard, data.today).slice(4)}</span
							>{/if}
						<span class="no-print flex gap-2"
							>{#each [['up', 'up'], ['down', 'down']] as [m, say] (m)}<ActionForm
									action="?/moveWitness"
									>{#snippet children({ busy })}<input
											type="hidden"
											name="witnessId"
											value={x.id}
										/><input type="hidden" name="move" value={m} /><button
											class="act"
											disabled={busy || (m === 'up' ? i === 0 : i === t.witnesses.length - 1)}
											aria-label="{x.name} {say}">{say}</button
										>{/snippet}</ActionForm
								>{/each}
							<RowAction
								action="?/hearWitness"
								fields={{ witnessId: x.id, heard: x.heard ? '' : data.today }}
								aria-label="{x.name}: {x.heard ? 'not yet heard' : 'heard today'}"
								>{x.heard ? 'not yet' : 'heard'}</RowAction
							>
							<RowAction
								action="?/removeWitness"
								fields={{ witnessId: x.id }}
								aria-label="off the list: {x.name}">off</RowAction
							></span
						>
					</div>
				{:else}<Empty>No witness yet. Anyone with a role on the matter can be one.</Empty>{/each}
			</Section>
		</div>
		<aside class="flex flex-col gap-6">
			<DatesLeft dates={t.dates} today={data.today} />
			<Section title="Tasks that remain" about={String(t.tasks.length || '')}
				>{#each t.tasks as x, i (i)}<div class="row flex min-h-9 items-center gap-2 py-1">
						<Mark kind="task" size={13} /><span class="min-w-0 grow"
							>{x.subject} <span class="sub">{x.who}</span></span
						><span
							class="whitespace-nowrap {x.due && x.due < data.today
								? 'font-semibold text-madder'
								: 'sub'}">{x.due ? formatDay(x.due, data.today) : ''}</span
						>
					</div>{:else}<p class="sub mt-2">None.</p>{/each}</Section
			>
		</aside>
	</div>
</div>

<Drawer
	bind:open={
		() => adding !== '',
		(o) => {
			if (!o) adding = '';
		}
	}
	title={adding === 'exhibit' ? 'Add an exhibit' : 'Add a witness'}
	about="{c.number} {c.title}"
>
	{#if adding === 'exhibit'}
		<ActionForm
			action="?/exhibit"
			ondone={() => {
				kept.clear();
				adding = '';
			}}
			>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={c.id} />
				<div class="flex flex-col gap-3.5">
					<TextField label="What it is" error={errors.title} name="title" bind:value={v.title} />
					<div class="grid grid-cols-2 gap-3">
						<SelectField label="Whose" error={errors.side} name="side" bind:value={v.side}
							><option value="ours">ours</option><option value="theirs">theirs</option><option
								value="joint">joint</option
							></SelectField
						><TextField
							label="Number"
							error={errors.number}
							hint="empty takes the next one"
							name="number"
							bind:value={v.number}
						/>
					</div>
					<SourceField
						label="Document"
						documents={t.documents.map(({ id, number, name }) => ({
							id,
							name: `${number.split('-').at(-1)} ${name}`
						}))}
						bind:value={v.documentId}
						error={errors.documentId}
					/>
					<div><button class="btn go" disabled={busy}>Add the exhibit</button></div>
				</div>{/snippet}</ActionForm
		>
	{:else}
		<ActionForm
			action="?/witness"
			ondone={() => {
				kept.clear();
				adding = '';
			}}
			>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={c.id} />
				<div class="flex flex-col gap-3.5">
					<SelectField
						label="Who"
						error={errors.personId}
						hint="someone with a role on this matter"
						name="personId"
						bind:value={v.personId}
						><option value="">Choose</option>{#each witnesses as p (p.id)}<option value={p.id}
								>{p.name}, {p.role}</option
							>{/each}</SelectField
					>
					<div class="grid grid-cols-2 gap-3">
						<SelectField label="For" error={errors.side} name="side" bind:value={v.wside}
							><option value="ours">our side</option><option value="theirs">the other side</option
							></SelectField
						><TextField
							label="Minutes"
							error={errors.minutes}
							name="minutes"
							bind:value={v.minutes}
							inputmode="numeric"
							numeric
						/>
					</div>
					<TextArea
						label="What they say"
						error={errors.about}
						rows={3}
						name="about"
						bind:value={v.about}
					/>
					<div><button class="btn go" disabled={busy}>Add the witness</button></div>
				</div>{/snippet}</ActionForm
		>
	{/if}
</Drawer>
<Drawer
	bind:open={
		() => ruling !== null,
		(o) => {
			if (!o) ruling = null;
		}
	}
	title="Exhibit {ruling?.number ?? ''}"
	about={ruling?.title ?? ''}
>
	{#if ruling}
		<ActionForm
			action="?/rule"
			base={{ offered, ruling: verdict, ruledOn }}
			take={(field, value) => {
				if (field === 'offered') offered = value;
				else if (field === 'ruling') verdict = value;
				else ruledOn = value;
			}}
			ondone={() => {
				ruling = null;
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="exhibitId"
					value={ruling!.id}
				/>
				<div class="flex flex-col gap-3">
					<DateField
						name="offered"
						label="Offered on"
						bind:value={offered}
						today={data.today}
						error={errors.offered}
					/>
					<SelectField label="Ruling" error={errors.ruling} name="ruling" bind:value={verdict}
						><option value="">none yet</option><option>admitted</option><option>excluded</option
						></SelectField
					>
					{#if verdict}<DateField
							name="ruledOn"
							label="Ruled on"
							bind:value={ruledOn}
							today={data.today}
							error={errors.ruledOn}
							hint="empty is today"
						/>{/if}
					<div><button class="btn go" disabled={busy}>Mark the exhibit</button></div>
				</div>{/snippet}</ActionForm
		>
		{#if !ruling.offered}<RowAction
				action="?/drop"
				class="mt-4"
				ondone={() => {
					ruling = null;
				}}
				fields={{ exhibitId: ruling!.id }}>Take it off the list</RowAction
			>{/if}
	{/if}
</Drawer>

<style>
	@media print {
		.grid {
			display: block;
		}
		aside {
			margin-top: 1rem;
		}
	}
</style>
