<script lang="ts">
	import Banner from '$lib/ui/Banner.svelte';
	import { toast } from 'svelte-sonner';
	import { formatCents } from '#core/format/money.ts';
	import { formatHours } from '#core/format/hours.ts';

	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { findMatters, findPeople } from '$lib/people/find.ts';
	import { formatInstant, plural, formatShort } from '$lib/ui/format.ts';
	import EditSheet from './EditSheet.svelte';
	import Status from './Status.svelte';
	let { data } = $props();
	const c = $derived(data.caption);
	let editing = $state(false),
		splitting = $state(false),
		adding = $state(false),
		closing = $state(false),
		besides = $state<'' | 'link' | 'number' | 'related'>('');
	let rows = $state<{ unit: string; center: string; share: string }[]>([]);
	let from = $state('');
	/** A row that says nothing is not sent. */
	const isFilled = (row: { unit: string; share: string }) =>
		row.unit !== '' || row.share.trim() !== '';
	function split() {
		rows = c.split.map((s) => ({
			unit: s.unitId,
			center: s.costCenterId ?? '',
			share: String(s.share / 10_000)
		}));
		rows.push({ unit: '', center: '', share: '' });
		from = data.today;
		splitting = true;
	}
	const sum = $derived(
		Math.round(rows.reduce((a, r) => a + (Number(r.share) || 0), 0) * 10_000) / 10_000
	);
	let person = $state(''),
		typed = $state(''),
		newKind = $state('person'),
		role = $state(''),
		fromDay = $state(''),
		other = $state(''),
		note = $state('');
	let changing = $state<(typeof data.people)[number] | null>(null),
		rFrom = $state(''),
		rTo = $state(''),
		rNote = $state('');
	const others = $derived(data.staff.filter((s) => !c.members.some((m) => m.id === s.id)));
	const shownFacts = $derived(data.facts.filter((f) => f.text !== ''));
	/** Dates among the facts that lie ahead: the end of a term, an option, a limitation. */
	const factDates = $derived(
		data.facts
			.filter((f) => f.type === 'date' && f.value >= data.today && !f.retired)
			.sort((a, b) => (a.value < b.value ? -1 : 1))
			.slice(0, c.next || c.hearing ? 1 : 3)
	);
	const decided = $derived(data.checks.find((x) => x.decision === null));
	let byRole = $state('');
	const listed = $derived(data.addresses.filter((a) => byRole === '' || a.role === byRole));
	async function copyAll() {
		await navigator.clipboard.writeText(reach.map((a) => `${a.name} <${a.email}>`).join(', ')).then(
			() => toast('Addresses copied.'),
			() => toast('This browser does not let the page copy. Select the addresses instead.')
		);
	}
	const reach = $derived(listed.filter((a) => a.status !== 'do not contact'));
</script>

<div class="grid gap-8 p-5 lg:grid-cols-[minmax(0,1fr)_310px]">
	<div class="flex min-w-0 flex-col gap-7">
		{#if c.status === 'closed'}<Banner quiet>
				Closed {formatShort(c.closedOn!, data.today)}: {c.statusReason}. Kept until {formatShort(
					c.retainUntil!,
					data.today
				).slice(4)}. <button class="act ml-1" onclick={() => (closing = true)}>Reopen</button>
			</Banner>
		{:else if c.missing.length}<Banner data-missing>
				Still missing: {c.missing.join(', ')}.
				<button class="act ml-1" onclick={() => (editing = true)}>Add</button>
			</Banner>{/if}
		{#if decided}<Banner>
				Interest check of {decided.names.join(', ')}: {decided.hits === 0
					? 'nothing found'
					: plural(decided.hits, 'hit')}{decided.restricted ? ', ask the docket clerk' : ''}, not
				decided yet. <a class="act ml-1" href="/interest/{decided.id}">Look</a>
			</Banner>{/if}
		{#if c.status !== 'closed'}
			<Section title="What is next">
				{#if c.hearing}<div class="row flex h-10 items-center justify-between">
						<b class="font-semibold">{c.hearing.text}</b><span
							>{formatShort(c.hearing.date, data.today)}{c.hearing.time
								? `, ${c.hearing.time}`
								: ''}</span
						>
					</div>{/if}
				{#if c.next}<a
						class="row flex h-10 items-center justify-between hover:bg-sail"
						href="/matters/{c.number}/docket"
						><b class="font-semibold">{c.next.title}</b><span
							class={c.next.date < data.today ? 'font-semibold text-madder' : ''}
							>{formatShort(c.next.date, data.today)}</span
						></a
					>{/if}
				{#each factDates as f (f.key)}<div class="row flex h-10 items-center justify-between">
						<span>{f.name}</span><span>{formatShort(f.value, data.today)}</span>
					</div>{/each}
				{#if !c.next && !c.hearing && factDates.length === 0}<Empty
						>No date is docketed. <a class="act" href="/matters/{c.number}/docket">Enter an event</a
						></Empty
					>{/if}
			</Section>
		{/if}
		<Section title="Facts"
			>{#snippet tools()}<button class="act" onclick={() => (editing = true)}>Change</button
				>{/snippet}
			{#if shownFacts.length === 0}<Empty>No fact is written down yet.</Empty>{/if}
			<dl class="mt-2 grid gap-x-8 gap-y-1.5 sm:grid-cols-2">
				{#each shownFacts as f (f.key)}<div
						class="grid grid-cols-[minmax(90px,130px)_minmax(0,1fr)] gap-2 {f.type === 'long'
							? 'sm:col-span-2'
							: ''}"
					>
						<dt class="sub">{f.name}{f.retired ? ' (no longer asked)' : ''}</dt>
						<dd class="font-medium break-words whitespace-pre-line">
							{#if f.type === 'web'}<a
									class="text-petrol hover:underline"
									href={f.value}
									rel="noreferrer"
									target="_blank">{f.text}</a
								>{:else if f.type === 'person'}<a class="hover:underline" href="/people/{f.value}"
									>{f.text}</a
								>{:else}{f.text}{/if}
						</dd>
					</div>{/each}
			</dl>
			{#each data.groups.filter((g) => g.rows.length) as g (g.key)}
				<h3 class="mt-4 font-semibold">{g.name}</h3>
				<table class="list">
					<thead
						><tr
							>{#each g.heads as x (x.key)}<th
									class={x.type === 'money' || x.type === 'number' ? 'num' : ''}>{x.name}</th
								>{/each}</tr
						></thead
					><tbody
						>{#each g.rows as r, i (i)}<tr
								>{#each g.heads as x, k (x.key)}<td
										class={x.type === 'money' || x.type === 'number' ? 'num' : ''}>{r[k]}</td
									>{/each}</tr
							>{/each}</tbody
					>
				</table>
			{/each}
		</Section>
		<Section title="People" about={String(data.people.length || '')}>
			{#snippet tools()}<button
					class="act"
					onclick={() => {
						adding = !adding;
						role = data.roles[0] ?? '';
					}}>{adding ? 'Leave' : 'Add someone'}</button
				>{/snippet}
			{#if adding}
				<ActionForm
					action="?/role"
					class="mt-3 flex flex-wrap items-start gap-3"
					ondone={() => {
						person = '';
						typed = '';
						adding = false;
						fromDay = '';
					}}
				>
					{#snippet children({ errors, busy })}<input
							type="hidden"
							name="matterId"
							value={c.id}
						/><input type="hidden" name="newName" value={person === 'new' ? typed : ''} /><Choose
							class="w-64"
							label="Person or organization"
							name="personId"
							bind:value={person}
							bind:typed
							find={findPeople}
							offer={(t) => ({ value: 'new', label: t, about: 'make a new card' })}
							error={errors.personId ?? errors.newName ?? errors.name}
						/>
						{#if person === 'new'}<SelectField
								label="The card is of"
								name="newKind"
								bind:value={newKind}
								><option value="person">a person</option><option value="organization"
									>an organization</option
								></SelectField
							>{/if}
						<SelectField label="Role" error={errors.role} name="role" bind:value={role}
							>{#each data.roles as r (r)}<option>{r}</option>{/each}</SelectField
						><DateField
							class="w-40"
							name="from"
							label="From"
							bind:value={fromDay}
							today={data.today}
							error={errors.from}
						/><button class="btn go mt-[22px]" disabled={busy}>Add</button>{/snippet}
				</ActionForm>
			{/if}
			{#each data.people as p (p.roleId)}<div
					class="row flex min-h-9 items-center gap-3 py-1"
					data-role={p.role}
				>
					<a class="font-semibold hover:underline" href="/people/{p.id}">{p.name}</a
					>{#if p.status !== 'active'}<span class="note warn py-0">{p.status}</span>{/if}<span
						class="sub min-w-0 grow truncate"
						title={p.note}
						>{p.role}{p.from || p.to
							? `, ${p.from ? `from ${formatShort(p.from, data.today).slice(4)}` : ''}${p.to ? ` to ${formatShort(p.to, data.today).slice(4)}` : ''}`
							: ''}{p.note ? `: ${p.note}` : ''}</span
					>{#if p.phone}<span class="sub max-xl:hidden">{p.phone}</span>{/if}{#if p.email}<a
							class="text-petrol max-sm:hidden"
							href="mailto:{p.email}">{p.email}</a
						>{/if}<button
						class="act"
						aria-label="change the role of {p.name}"
						onclick={() => {
							changing = p;
							rFrom = p.from ?? '';
							rTo = p.to ?? '';
							rNote = p.note;
						}}>change</button
					>
				</div>{:else}<Empty>Nobody from outside is on this matter yet.</Empty>{/each}
			{#if data.addresses.length}<p class="no-print mt-2 flex flex-wrap items-center gap-4">
					<select class="box min-h-[26px] w-auto py-0" aria-label="Addresses of" bind:value={byRole}
						><option value="">every role</option
						>{#each [...new Set(data.addresses.map((a) => a.role))] as r (r)}<option>{r}</option
							>{/each}</select
					><button class="act" onclick={copyAll}
						>Copy {plural(reach.length, 'address', 'addresses')}</button
					>{#if reach.length}<a
							class="act"
							href="mailto:?bcc={encodeURIComponent(
								reach.map((a) => a.email).join(',')
							)}&subject={encodeURIComponent(`${c.number} ${c.title}`)}">Write to all</a
						>{/if}
				</p>{/if}
		</Section>
		<Section title="Logbook" about="latest">
			{#snippet tools()}<a class="act" href="/matters/{c.number}/logbook">all {c.counts.logbook}</a
				>{/snippet}
			<ActionForm
				action="?/note"
				class="no-print mt-3"
				ondone={() => {
					note = '';
				}}
				>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={c.id} />
					<div class="flex gap-2">
						<input
							class="box"
							name="words"
							bind:value={note}
							placeholder="Write a note; @name tells a colleague"
							aria-label="Write a note"
							aria-invalid={errors.words ? 'true' : undefined}
						/><button class="btn" disabled={busy}>Note it</button>
					</div>
					{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}{/snippet}</ActionForm
			>
			{#each data.recent as l (l.id)}<div class="row flex gap-3 py-2">
					<span class="sub w-[86px] shrink-0">{formatInstant(l.at, data.zone, data.today)}</span
					><span class="line-clamp-3 min-w-0 grow break-words whitespace-pre-line">{l.text}</span
					><span class="sub">{l.initials ?? ''}</span>
				</div>{/each}
		</Section>
	</div>
	<aside class="flex flex-col gap-7">
		<Section title="Standing"
			>{#snippet tools()}<button class="act" onclick={() => (closing = true)}
					>{c.status === 'closed' ? 'Reopen' : 'Hold or close'}</button
				>{/snippet}
			<dl class="mt-2 grid grid-cols-[104px_1fr] gap-y-1.5">
				{#each [['Status', `${c.status}${c.statusFrom ? ` from ${formatShort(c.statusFrom, data.today).slice(4)}` : ''}`], ['Opened', `${formatShort(c.openedOn, data.today)}, ${c.originating}`], ['Hours to date', formatHours(c.minutes)], ['Cost to date', formatCents(c.cents)], ['Last activity', formatInstant(c.lastActivity, data.zone, data.today)], ['Rulebook', data.book?.title ?? 'none']] as [k, x] (k)}<dt
						class="sub"
					>
						{k}
					</dt>
					<dd class="font-medium break-words">{x}</dd>{/each}
			</dl>
		</Section>
		<Section title="Who works on it">
			<div class="row flex h-9 items-center justify-between">
				<span class="font-semibold">{c.responsibleName}</span><span class="sub">responsible</span>
			</div>
			{#each c.members.filter((m) => m.id !== c.responsibleId) as m (m.id)}<div
					class="row flex h-9 items-center gap-2"
				>
					<span class="grow">{m.name}</span>{#if m.owner}<span class="sub">owner</span
						>{/if}{#if c.mayStaff || m.id === data.me.id}<ActionForm action="?/leave"
							>{#snippet children({ errors, busy })}<input
									type="hidden"
									name="matterId"
									value={c.id}
								/><input type="hidden" name="staffId" value={m.id} /><button
									class="act"
									disabled={busy}
									title={errors.staffId}
									aria-label="take off {m.name}">take off</button
								>{#if errors.staffId}<span class="fault block">{errors.staffId}</span
									>{/if}{/snippet}</ActionForm
						>{/if}
				</div>{/each}
			{#if c.mayStaff && others.length}<ActionForm action="?/member" class="no-print mt-2"
					>{#snippet children({ errors, busy })}<div class="flex gap-2">
							<input type="hidden" name="matterId" value={c.id} /><select
								class="box"
								name="staffId"
								aria-label="Colleague to add"
								><option value="">Add a colleague</option>{#each others as s (s.id)}<option
										value={s.id}>{s.name}</option
									>{/each}</select
							><button class="btn" disabled={busy}>Add</button>
						</div>
						<label class="sub mt-1 block"
							><input type="checkbox" name="owner" /> may also say who is on it</label
						>{#if errors.staffId}<p class="fault mt-1">
								{errors.staffId}
							</p>{/if}{/snippet}</ActionForm
				>
				<RowAction
					action="?/restrict"
					class="no-print mt-2"
					fields={{ matterId: c.id, restricted: c.restricted ? '' : '1' }}
					>{c.restricted ? 'Lift the restriction' : 'Restrict to these people'}</RowAction
				>{/if}
		</Section>
		<Section title="Beside it">
			{#snippet tools()}<button
					class="act"
					onclick={() => (besides = besides === 'link' ? '' : 'link')}>link</button
				><button class="act" onclick={() => (besides = besides === 'number' ? '' : 'number')}
					>number</button
				><button class="act" onclick={() => (besides = besides === 'related' ? '' : 'related')}
					>related</button
				>{/snippet}
			{#if besides === 'link'}<ActionForm
					action="?/link"
					class="mt-2 flex flex-col gap-2"
					ondone={() => {
						besides = '';
					}}
					>{#snippet children({ errors, busy })}<input
							type="hidden"
							name="matterId"
							value={c.id}
						/><input
							class="box"
							name="name"
							placeholder="Court docket, filing portal, room booking"
							aria-label="Name of the link"
						/><input
							class="box"
							name="url"
							placeholder="court.example/case"
							aria-label="Address of the page"
						/>{#each Object.values(errors).filter(Boolean) as e (e)}<p class="fault">{e}</p>{/each}
						<div>
							<button class="btn" disabled={busy}>Add the link</button>
						</div>{/snippet}</ActionForm
				>
			{:else if besides === 'number'}<ActionForm
					action="?/reference"
					class="mt-2 flex flex-col gap-2"
					ondone={() => {
						besides = '';
					}}
					>{#snippet children({ errors, busy })}<input
							type="hidden"
							name="matterId"
							value={c.id}
						/><input
							class="box"
							name="whose"
							list="whose"
							placeholder="Whose"
							aria-label="Whose number"
						/><datalist id="whose"
							><option>insurer</option><option>outside counsel</option><option>agency</option
							><option>court</option><option>other side</option></datalist
						><input
							class="box"
							name="number"
							placeholder="Number"
							aria-label="The number"
						/>{#each Object.values(errors).filter(Boolean) as e (e)}<p class="fault">{e}</p>{/each}
						<div>
							<button class="btn" disabled={busy}>Add the number</button>
						</div>{/snippet}</ActionForm
				>
			{:else if besides === 'related'}<ActionForm
					action="?/relate"
					class="mt-2 flex flex-col gap-2"
					ondone={() => {
						besides = '';
						other = '';
					}}
					>{#snippet children({ errors, busy })}<input
							type="hidden"
							name="matterId"
							value={c.id}
						/><select class="box" name="how" aria-label="How they are related"
							>{#each data.relations as r (r)}<option value={r}>{r}</option>{/each}</select
						><Choose
							label="The other matter"
							name="number"
							bind:value={other}
							find={findMatters}
							error={errors.number}
						/>
						<div>
							<button class="btn" disabled={busy}>Relate them</button>
						</div>{/snippet}</ActionForm
				>{/if}
			{#each data.links as l (l.name + l.url)}<div class="row flex h-9 items-center gap-2">
					<a
						class="grow truncate font-semibold text-petrol hover:underline"
						href={l.url}
						rel="noreferrer"
						target="_blank">{l.name}</a
					><RowAction
						action="?/removeLink"
						fields={{ matterId: c.id, name: l.name, url: l.url }}
						look="act no-print"
						aria-label="take out the link {l.name}">take out</RowAction
					>
				</div>{/each}
			{#each data.references as r (r.whose + r.number)}<div class="row flex h-9 items-center gap-2">
					<span class="sub">{r.whose}</span><b class="grow truncate font-semibold">{r.number}</b
					><RowAction
						action="?/removeReference"
						fields={{ matterId: c.id, whose: r.whose, number: r.number }}
						look="act no-print"
						aria-label="take out the number {r.number}">take out</RowAction
					>
				</div>{/each}
			{#each data.related as r (r.number)}<div class="row flex min-h-9 items-center gap-2 py-1">
					<span class="min-w-0 grow"
						><a class="font-semibold hover:underline" href="/matters/{r.number}">{r.title}</a>
						<span class="sub">{r.first ? `this is ${r.how} it` : `is ${r.how} this`}</span></span
					><RowAction
						action="?/unrelate"
						fields={{ matterId: c.id, number: r.number }}
						look="act no-print"
						aria-label="take out the relation to {r.number}">take out</RowAction
					>
				</div>{/each}
			{#each data.requests as r (r.id)}<a
					class="row flex h-9 items-center gap-2 hover:bg-sail"
					href="/requests/{r.id}"
					><span class="sub">{r.number}</span><span class="truncate">{r.about}</span></a
				>{/each}
			{#each data.checks as k (k.id)}<a
					class="row flex h-9 items-center gap-2 hover:bg-sail"
					href="/interest/{k.id}"
					><span class="sub whitespace-nowrap">interest check</span><span class="grow truncate"
						>{k.names.join(', ')}</span
					><span class="sub">{k.decision ?? 'open'}</span></a
				>{/each}
			{#if data.links.length + data.references.length + data.related.length + data.requests.length + data.checks.length === 0 && besides === ''}<p
					class="sub mt-2"
				>
					Links, numbers of others, related matters.
				</p>{/if}
		</Section>
		<Section
			title="Split of cost"
			about={c.splitFrom ? `from ${formatShort(c.splitFrom, data.today)}` : ''}
			>{#snippet tools()}{#if data.can.split}<button class="act" onclick={split}>Change</button
					>{/if}{/snippet}
			{#each c.split as s, i (i)}<div class="row flex h-9 items-center gap-2">
					<span class="h-2.5 w-2.5" style="background:var(--unit-{s.hue})"></span><span class="grow"
						>{s.unit}</span
					><b class="font-semibold">{s.share / 10_000} %</b>
				</div>{/each}
		</Section>
	</aside>
</div>

<EditSheet {data} bind:open={editing} />
<Status {data} bind:open={closing} />
<Drawer
	bind:open={
		() => changing !== null,
		(o) => {
			if (!o) changing = null;
		}
	}
	title="Role of {changing?.name ?? ''}"
	about={changing?.role ?? ''}
>
	{#if changing}
		<ActionForm
			action="?/changeRole"
			ondone={() => {
				changing = null;
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="roleId"
					value={changing!.roleId}
				/>
				<div class="flex flex-col gap-3">
					<div class="grid grid-cols-2 gap-3">
						<DateField
							name="from"
							label="From"
							bind:value={rFrom}
							today={data.today}
							error={errors.from}
						/><DateField
							name="to"
							label="To"
							bind:value={rTo}
							today={data.today}
							error={errors.to}
						/>
					</div>
					<TextField label="Note" error={errors.note} name="note" bind:value={rNote} />
					<div><button class="btn go" disabled={busy}>Save the role</button></div>
				</div>{/snippet}</ActionForm
		>
		<RowAction
			action="?/removeRole"
			class="mt-4"
			ondone={() => {
				changing = null;
			}}
			fields={{ roleId: changing!.roleId }}>Take them off this matter</RowAction
		>
	{/if}
</Drawer>
<Drawer bind:open={splitting} title="Split the cost" about="{c.number} {c.title}">
	<ActionForm
		action="?/split"
		ondone={() => {
			splitting = false;
			toast('The split is set.');
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3">
				<input type="hidden" name="matterId" value={c.id} />
				<DateField
					name="from"
					label="From"
					bind:value={from}
					today={data.today}
					error={errors.from}
					hint="Lines allocated before stay as they are."
				/>
				{#each rows as r, i (i)}
					<div class="grid grid-cols-[1fr_1fr_86px] gap-2">
						<select
							class="box"
							name={isFilled(r) ? `shares.${i}.unit` : undefined}
							bind:value={r.unit}
							aria-label="Business unit {i + 1}"
							><option value="">Business unit</option>{#each data.units as u (u.id)}<option
									value={u.id}>{u.name}</option
								>{/each}</select
						>
						<select
							class="box"
							name={isFilled(r) ? `shares.${i}.costCenter` : undefined}
							bind:value={r.center}
							aria-label="Cost center {i + 1}"
							><option value="">No cost center</option
							>{#each data.centers.filter((x) => x.unitId === r.unit) as x (x.id)}<option
									value={x.id}>{x.code} {x.name}</option
								>{/each}</select
						>
						<div class="flex items-center gap-1">
							<input
								class="box num"
								name={isFilled(r) ? `shares.${i}.share` : undefined}
								bind:value={r.share}
								inputmode="decimal"
								aria-label="Share {i + 1} in percent"
								aria-invalid={errors.shares ? 'true' : undefined}
							/>%
						</div>
					</div>
				{/each}
				<div class="flex items-center">
					<button
						type="button"
						class="act"
						onclick={() => rows.push({ unit: '', center: '', share: '' })}
						>Add a business unit</button
					><span class="ml-auto font-semibold {sum === 100 ? 'text-spruce' : 'text-madder'}"
						>{sum} % of 100 %</span
					>
				</div>
				{#if errors.shares}<p class="fault" role="alert">{errors.shares}</p>{/if}
				<div><button class="btn go" disabled={busy}>Set the split</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
