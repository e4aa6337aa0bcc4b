<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import Check from '@lucide/svelte/icons/check';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	let { data } = $props();
	const r = $derived(data.run);
	const s = $derived(data.sheet);
	const steps = $derived([
		[`Gathered ${plural(r.lines, 'line')}`, true],
		['Shared', true],
		['Sent for approval', r.state !== 'draft'],
		[
			r.state === 'reversed' ? 'Reversed' : 'Approved and numbered',
			r.state === 'approved' || r.state === 'reversed'
		]
	] as [string, boolean][]);
	const at = $derived(r.state === 'draft' ? 1 : r.state === 'awaiting approval' ? 2 : 3);
	const most = $derived(Math.max(1, ...s.byUnit.flatMap((u) => [u.cents, u.before ?? 0])));
	const sum = (k: 'debit' | 'credit') =>
		data.journal.reduce((a, j) => a + Math.round(Number(j[k]) * 100), 0);
	let ledger = $state(false),
		reversing = $state(false),
		reason = $state('');
	const change = (u: (typeof s.byUnit)[number]) => {
		const d = u.cents - (u.before ?? 0);
		return u.before === null
			? ''
			: d === 0
				? 'as before'
				: `${d > 0 ? 'up' : 'down'} ${u.before ? `${Math.round(Math.abs((100 * d) / u.before))} %, ` : ''}${formatCents(Math.abs(d))}`;
	};
</script>

<svelte:head><title>{r.title} cost run · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-2.5">
		<h1>{r.title} cost run</h1>
		<span class="note">{formatDay(r.from, data.today)} to {formatDay(r.to, data.today)}</span><span
			class="note"
			class:warn={r.state !== 'approved'}
			>{r.number ? `${r.number}, ` : ''}{r.state === 'draft'
				? 'draft, nothing is booked'
				: r.state}</span
		><span class="grow"></span>
		<button class="btn" onclick={() => (ledger = true)}>Journal</button>
		{#if data.mayRun && (r.state === 'draft' || r.state === 'awaiting approval')}<ActionForm
				action="?/discard"
				>{#snippet children({ busy })}<button class="btn" disabled={busy}>Discard</button
					>{/snippet}</ActionForm
			>{/if}
		{#if data.mayRun && r.state === 'draft'}<ActionForm action="?/send"
				>{#snippet children({ busy })}<button class="btn go" disabled={busy}
						>Send for approval</button
					>{/snippet}</ActionForm
			>{/if}
		{#if data.mayApprove && r.state === 'awaiting approval'}{#if r.madeById === data.me.id}<span
					class="sub">A second person approves.</span
				>{:else}<ActionForm
					action="?/approve"
					ondone={(d) => {
						say(`Approved as ${d.number}.`);
					}}
					>{#snippet children({ busy })}<button class="btn go" disabled={busy}
							>Approve {formatCents(r.cents)}</button
						>{/snippet}</ActionForm
				>{/if}{/if}
		{#if data.mayApprove && r.state === 'approved'}<button
				class="btn"
				onclick={() => (reversing = true)}>Reverse it</button
			>{/if}
	</div>
	<ol class="mt-3 grid grid-cols-4 gap-[2px]">
		{#each steps as [name, done], i (name)}<li
				class="flex items-center gap-2.5 border-b-[3px] bg-white px-3 py-2 {i === at
					? 'border-saffron font-semibold'
					: done
						? 'border-petrol'
						: 'border-rule text-ink-3'}"
				aria-current={i === at ? 'step' : undefined}
			>
				<span class="read text-read">{i + 1}</span>{name}
			</li>{/each}
	</ol>
	<div class="mt-3 grid gap-6 xl:grid-cols-[minmax(0,1fr)_272px]">
		<div class="min-w-0">
			<div class="scroll border border-rule bg-white">
				<table class="list sheet">
					<thead
						><tr
							><th class="pl-3.5">Matter</th><th class="num">Hours</th><th class="num">Cost</th
							>{#each s.byUnit as u (u.id)}<th class="num"
									><span
										class="mr-1.5 inline-block h-2.5 w-2.5"
										style="background:var(--unit-{u.hue})"
									></span>{u.name.replace('Onboard ', '')}</th
								>{/each}</tr
						></thead
					>
					<tbody
						>{#each s.rows as m (m.number ?? m.title)}<tr
								><td class="max-w-[260px] truncate pl-3.5"
									>{#if m.number}<a class="hover:underline" href="/matters/{m.number}/time"
											><span class="text-ink-3">{m.number}</span>
											<b class="ml-1.5 font-semibold">{m.title}</b></a
										>{:else}<b class="font-semibold">{m.title}</b>{/if}</td
								><td class="num">{formatHours(m.minutes)}</td><td class="num font-semibold"
									>{formatCents(m.cents)}</td
								>{#each s.byUnit as u (u.id)}<td class="num"
										>{#if m.units[u.id]}{formatCents(m.units[u.id]!)}{:else}<span class="text-ink-3"
												>–</span
											>{/if}</td
									>{/each}</tr
							>{/each}</tbody
					>
					<tfoot
						><tr class="font-semibold"
							><td class="pl-3.5">Total</td><td class="num">{formatHours(s.minutes)}</td><td
								class="num"
								data-total={s.total}>{formatCents(s.total)}</td
							>{#each s.byUnit as u (u.id)}<td class="num" data-unit={u.name} data-cents={u.cents}
									>{formatCents(u.cents)}</td
								>{/each}</tr
						></tfoot
					>
				</table>
			</div>
			<p
				class="flex items-center gap-2 border border-t-0 border-rule px-4 py-2 font-semibold {s.agrees
					? 'bg-spruce-wash text-spruce'
					: 'bg-madder-wash text-madder'}"
			>
				{#if s.agrees}<Check size={16} />Lines, matters, business units and total agree to the cent: {formatCents(
						s.total
					)}{:else}The sums do not agree. Do not send this out; tell an administrator.{/if}
			</p>
			{#if r.state === 'draft' || r.state === 'awaiting approval'}
				{#if s.unreleased.minutes || s.lateLines || s.heldBack.length}<p
						class="mt-3 flex flex-wrap gap-x-7 border-l-[3px] border-saffron bg-saffron-wash px-4 py-2.5"
					>
						<b class="font-semibold">Before it goes out</b>{#if s.unreleased.minutes}<span
								><b class="font-semibold">{formatHours(s.unreleased.minutes)} h</b> not released by {plural(
									s.unreleased.people,
									'person',
									'people'
								)}</span
							>{/if}{#if s.lateLines}<span
								><b class="font-semibold">{plural(s.lateLines, 'late item')}</b> from before {formatDay(
									r.from,
									data.today
								)} included</span
							>{/if}{#each s.heldBack.slice(0, 4) as h, i (i)}<span
								><b class="font-semibold">{h.number ?? h.title}</b> held back: {h.why === 'no-split'
									? 'no split on that day'
									: 'no rate'}</span
							>{/each}
					</p>{/if}
			{:else}<p class="sub mt-3">
					Made by {r.madeBy}, approved by {r.approvedBy}.{r.reversedBy
						? ` Reversed by ${r.reversedBy}: ${r.reason}. Every entry is free again.`
						: ' Locked; it is corrected only by reversal.'}
				</p>{/if}
		</div>
		<aside>
			<Section
				title="By business unit"
				about={s.beforeTitle ? `against ${s.beforeTitle.replace(/ \d{4}$/, '')}` : ''}
			>
				{#each s.byUnit.filter((u) => u.cents || u.before) as u (u.id)}<div class="row py-2">
						<div class="flex items-center gap-2">
							<span class="h-2.5 w-2.5" style="background:var(--unit-{u.hue})"></span><span
								class="grow">{u.name}</span
							><b class="font-semibold">{formatCents(u.cents)}</b>
						</div>
						<div class="relative mt-1.5 h-2 bg-rule-3">
							<span
								class="block h-2"
								style="width:{(100 * u.cents) / most}%; background:var(--unit-{u.hue})"
							></span>{#if u.before !== null}<span
									class="absolute top-[-3px] h-[14px] w-[2px] bg-ink"
									style="left:{Math.min(99.5, (100 * u.before) / most)}%"
								></span>{/if}
						</div>
						<div class="mt-1 flex justify-between">
							<span class="sub">{change(u)}</span><a
								class="act"
								href="/costs/{r.id}/statement-{u.id}"
								target="_blank"
								aria-label="Statement of {u.name} as PDF">statement</a
							>
						</div>
					</div>{/each}
			</Section>
		</aside>
	</div>
</div>
<Drawer
	bind:open={ledger}
	title="Journal"
	about="Debits equal credits. For the ledger, as CSV."
	wide
>
	<table class="list">
		<thead
			><tr
				><th>Account</th><th>Business unit</th><th>Matter</th><th class="num">Debit</th><th
					class="num">Credit</th
				></tr
			></thead
		><tbody
			>{#each data.journal as j, i (i)}<tr
					><td>{j.account}</td><td>{j.businessUnit} <span class="sub">{j.costCenter}</span></td><td
						class="sub whitespace-nowrap">{j.matter}</td
					><td class="num">{j.debit}</td><td class="num">{j.credit}</td></tr
				>{/each}</tbody
		><tfoot
			><tr class="font-semibold"
				><td colspan="3">Total</td><td class="num">{formatCents(sum('debit'))}</td><td class="num"
					>{formatCents(sum('credit'))}</td
				></tr
			></tfoot
		>
	</table>
	<p class="mt-4"><a class="btn go" href="/costs/{r.id}/journal" download>Download the CSV</a></p>
</Drawer>
<Drawer
	bind:open={reversing}
	title="Reverse {r.number ?? 'the run'}"
	about="Every entry becomes free again and can be shared anew. The number stays, marked as reversed."
>
	<ActionForm
		action="?/reverse"
		ondone={() => {
			reversing = false;
			say('Reversed. Everything is back.');
		}}
		>{#snippet children({ errors, busy })}<TextField
				label="Reason"
				error={errors.reason}
				name="reason"
				bind:value={reason}
			/><button class="btn go mt-3" disabled={busy}>Reverse {formatCents(r.cents)}</button
			>{/snippet}</ActionForm
	>
</Drawer>

<style>
	.scroll {
		overflow: auto;
		max-height: calc(100vh - 340px);
		min-height: 220px;
	}
	.sheet thead th {
		position: sticky;
		top: 0;
		background: var(--color-white);
		z-index: 1;
		box-shadow: inset 0 -1.5px 0 var(--color-ink);
		border-bottom: 0;
	}
	.sheet {
		border-collapse: separate;
		border-spacing: 0;
	}
	.sheet tfoot td {
		position: sticky;
		bottom: 0;
		background: var(--color-white);
		box-shadow: inset 0 1.5px 0 var(--color-ink);
		border-bottom: 0;
	}
	@media print {
		.scroll {
			max-height: none;
			overflow: visible;
		}
	}
</style>
