<script lang="ts">
	import { toast } from 'svelte-sonner';
	import { sayHours } from '#core/time/minutes.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Choose, { type Item } from '$lib/ui/Choose.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { at, short } from '$lib/ui/say.ts';
	let { data } = $props();
	const c = $derived(data.caption);
	let editing = $state(false), splitting = $state(false), adding = $state(false);
	let v = $state({ title: '', court: '', caseNumber: '', judge: '', caution: '', rulebook: '', responsibleId: '' });
	function edit() { v = { title: c.title, court: c.court, caseNumber: c.caseNumber, judge: c.judge, caution: c.caution, rulebook: c.rulebook ?? '', responsibleId: c.responsibleId }; editing = true; }
	let rows = $state<{ unit: string; center: string; share: string }[]>([]);
	let from = $state('');
	function split() { rows = c.split.map((s) => ({ unit: s.unitId, center: s.costCenterId ?? '', share: String(s.share / 10_000) })); rows.push({ unit: '', center: '', share: '' }); from = data.today; splitting = true; }
	const sum = $derived(Math.round(rows.reduce((a, r) => a + (Number(r.share) || 0), 0) * 10_000) / 10_000);
	let person = $state(''), typed = $state(''), note = $state('');
	const others = $derived(data.staff.filter((s) => !c.members.some((m) => m.id === s.id)));
	async function find(t: string): Promise<Item[]> { const r = await fetch(`/api/people?q=${encodeURIComponent(t)}`); return r.ok ? ((await r.json()) as { id: string; name: string; roles: string; kind: string }[]).map((p) => ({ value: p.id, label: p.name, about: p.roles || p.kind })) : []; }
	const missing = $derived([...(c.kind === 'litigation' ? [['court', c.court], ['case number', c.caseNumber], ['judge', c.judge]] : []), ['people', data.people.length ? 'x' : '']].filter(([, x]) => !x).map(([n]) => n));
</script>

<div class="grid gap-8 p-5 lg:grid-cols-[minmax(0,1fr)_300px]">
	<div class="flex min-w-0 flex-col gap-7">
		{#if missing.length}<p class="border-l-[3px] border-saffron bg-saffron-wash px-4 py-2">Still missing: {missing.join(', ')}. <button class="act ml-1" onclick={edit}>Add</button></p>{/if}
		<Section title="What is next">
			{#if c.next}<a class="row flex h-11 items-center justify-between hover:bg-sail" href="/matters/{c.number}/docket"><b class="font-semibold">{c.next.title}</b><span>{short(c.next.date, data.today)}</span></a>{/if}
			{#if c.hearing}<div class="row flex h-11 items-center justify-between"><b class="font-semibold">{c.hearing.text}</b><span>{short(c.hearing.date, data.today)}{c.hearing.time ? `, ${c.hearing.time}` : ''}</span></div>{/if}
			{#if !c.next && !c.hearing}<Empty>No date is docketed. <a class="act" href="/matters/{c.number}/docket">Enter an event</a></Empty>{/if}
		</Section>
		<Section title="People" about={String(data.people.length || '')}>
			{#snippet tools()}<button class="act" onclick={() => (adding = !adding)}>{adding ? 'Leave' : 'Add someone'}</button>{/snippet}
			{#if adding}
				<ActionForm action="?/role" class="mt-3 flex flex-wrap items-end gap-3" ondone={() => { person = ''; typed = ''; adding = false; }}>
					{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={c.id} /><Choose class="w-72" label="Person or organization" name="personId" bind:value={person} bind:typed {find} error={errors.personId} /><Field label="Role" error={errors.role}>{#snippet children(x)}<select class="box" name="role" {...x}>{#each data.roles as r (r)}<option>{r}</option>{/each}</select>{/snippet}</Field><button class="btn go" disabled={busy}>Add</button>{/snippet}
				</ActionForm>
			{/if}
			{#each data.people as p (p.id + p.role)}<div class="row flex h-9 items-center gap-3"><a class="font-semibold hover:underline" href="/people/{p.id}">{p.name}</a><span class="sub grow">{p.role}</span>{#if p.email}<a class="text-petrol" href="mailto:{p.email}">{p.email}</a>{/if}</div>{:else}<Empty>Nobody from outside is on this matter yet.</Empty>{/each}
		</Section>
		<Section title="Logbook" about="latest">
			{#snippet tools()}<a class="act" href="/matters/{c.number}/logbook">all {c.counts.logbook}</a>{/snippet}
			<ActionForm action="?/note" class="mt-3" ondone={() => { note = ''; }}>{#snippet children({ errors, busy })}<input type="hidden" name="matterId" value={c.id} /><div class="flex gap-2"><input class="box" name="words" bind:value={note} placeholder="Write a note" aria-label="Write a note" aria-invalid={errors.words ? 'true' : undefined} /><button class="btn" disabled={busy}>Note it</button></div>{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}{/snippet}</ActionForm>
			{#each data.recent as l (l.id)}<div class="row flex gap-3 py-2"><span class="sub w-[86px] shrink-0">{at(l.at, data.zone, data.today)}</span><span class="min-w-0 grow break-words">{l.text}</span><span class="sub">{l.initials ?? ''}</span></div>{/each}
		</Section>
	</div>
	<aside class="flex flex-col gap-7">
		<Section title="Facts">{#snippet tools()}<button class="act" onclick={edit}>Change</button>{/snippet}
			<dl class="mt-2 grid grid-cols-[104px_1fr] gap-y-1.5">{#each [['Court', c.court], ['Case number', c.caseNumber], ['Judge', c.judge], ['Rulebook', data.book?.title ?? 'none'], ['Opened', short(c.openedOn, data.today)], ['Hours', sayHours(c.minutes)]] as [k, x] (k)}<dt class="sub">{k}</dt><dd class="break-words font-medium">{x || '–'}</dd>{/each}</dl>
		</Section>
		<Section title="Who works on it">
			<div class="row flex h-9 items-center justify-between"><span class="font-semibold">{c.responsibleName}</span><span class="sub">responsible</span></div>
			{#each c.members.filter((m) => m.id !== c.responsibleId) as m (m.id)}<div class="row flex h-9 items-center">{m.name}</div>{/each}
			{#if others.length}<ActionForm action="?/member" class="mt-2">{#snippet children({ errors, busy })}<div class="flex gap-2"><input type="hidden" name="matterId" value={c.id} /><select class="box" name="staffId" aria-label="Colleague to add"><option value="">Add a colleague</option>{#each others as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select><button class="btn" disabled={busy}>Add</button></div>{#if errors.staffId}<p class="fault mt-1">{errors.staffId}</p>{/if}{/snippet}</ActionForm>{/if}
		</Section>
		<Section title="Split of cost" about={c.splitFrom ? `from ${short(c.splitFrom, data.today)}` : ''}>{#snippet tools()}{#if data.can.split}<button class="act" onclick={split}>Change</button>{/if}{/snippet}
			{#each c.split as s, i (i)}<div class="row flex h-9 items-center gap-2"><span class="h-2.5 w-2.5" style="background:var(--unit-{s.hue})"></span><span class="grow">{s.unit}</span><b class="font-semibold">{s.share / 10_000} %</b></div>{/each}
		</Section>
	</aside>
</div>

<Drawer bind:open={editing} title="Change the facts" about={c.number}>
	<ActionForm action="?/edit" ondone={() => { editing = false; }}>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5"><input type="hidden" name="matterId" value={c.id} />
				<Field label="Title" error={errors.title}>{#snippet children(x)}<input class="box" name="title" bind:value={v.title} {...x} />{/snippet}</Field>
				<Field label="Court" error={errors.court}>{#snippet children(x)}<input class="box" name="court" bind:value={v.court} {...x} />{/snippet}</Field>
				<div class="grid grid-cols-2 gap-3"><Field label="Case number" error={errors.caseNumber}>{#snippet children(x)}<input class="box" name="caseNumber" bind:value={v.caseNumber} {...x} />{/snippet}</Field><Field label="Judge" error={errors.judge}>{#snippet children(x)}<input class="box" name="judge" bind:value={v.judge} {...x} />{/snippet}</Field></div>
				<Field label="Caution" error={errors.caution} hint="Pinned on the caption strip">{#snippet children(x)}<input class="box" name="caution" bind:value={v.caution} {...x} />{/snippet}</Field>
				<Field label="Rulebook" error={errors.rulebook}>{#snippet children(x)}<select class="box" name="rulebook" bind:value={v.rulebook} {...x}><option value="">None</option>{#each data.books as b (b.id)}<option value={b.id}>{b.title}</option>{/each}</select>{/snippet}</Field>
				<Field label="Responsible lawyer" error={errors.responsibleId}>{#snippet children(x)}<select class="box" name="responsibleId" bind:value={v.responsibleId} {...x}>{#each data.staff as s (s.id)}<option value={s.id}>{s.name}</option>{/each}</select>{/snippet}</Field>
				<div><button class="btn go" disabled={busy}>Save the facts</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
<Drawer bind:open={splitting} title="Split the cost" about="{c.number} {c.title}">
	<ActionForm action="?/split" ondone={() => { splitting = false; toast('The split is set.'); }}>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3"><input type="hidden" name="matterId" value={c.id} />
				<DateField name="from" label="From" bind:value={from} today={data.today} error={errors.from} hint="Lines allocated before stay as they are." />
				{#each rows as r, i (i)}
					<div class="grid grid-cols-[1fr_1fr_86px] gap-2">
						<select class="box" name="unit" bind:value={r.unit} aria-label="Business unit {i + 1}"><option value="">Business unit</option>{#each data.units as u (u.id)}<option value={u.id}>{u.name}</option>{/each}</select>
						<select class="box" name="center" bind:value={r.center} aria-label="Cost center {i + 1}"><option value="">No cost center</option>{#each data.centers.filter((x) => x.unitId === r.unit) as x (x.id)}<option value={x.id}>{x.code} {x.name}</option>{/each}</select>
						<div class="flex items-center gap-1"><input class="box num" name="share" bind:value={r.share} inputmode="decimal" aria-label="Share {i + 1} in percent" aria-invalid={errors.shares ? 'true' : undefined} />%</div>
					</div>
				{/each}
				<div class="flex items-center"><button type="button" class="act" onclick={() => rows.push({ unit: '', center: '', share: '' })}>Add a business unit</button><span class="ml-auto font-semibold {sum === 100 ? 'text-spruce' : 'text-madder'}">{sum} % of 100 %</span></div>
				{#if errors.shares}<p class="fault" role="alert">{errors.shares}</p>{/if}
				<div><button class="btn go" disabled={busy}>Set the split</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
