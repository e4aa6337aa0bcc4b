<script lang="ts">
	import { goto } from '$app/navigation';
	import Banner from '$lib/ui/Banner.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import PdfView from '$lib/ui/PdfView.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { formatInstant, formatDay, formatSize } from '$lib/ui/format.ts';
	let { data } = $props();
	const d = $derived(data.doc);
	const file = $derived(`/documents/${d.id}/file?version=${data.shown.n}`);
	const state = (r: (typeof data.rounds)[number]) =>
		r.finishedVersion
			? 'finished'
			: r.withdrawnAt
				? 'withdrawn'
				: r.signers.some((s) => s.state === 'declined')
					? 'declined'
					: r.signers.every((s) => s.state === 'signed')
						? 'being sealed'
						: 'with signers';
	const busy = $derived(
		data.rounds.some((r) => state(r) === 'with signers' || state(r) === 'being sealed')
	);
</script>

<svelte:head><title>{d.name} · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<span class="sub">{d.number}</span>
		<h1 class="max-w-[60ch] truncate">{d.name}</h1>
		{#if d.mark}<span class="note warn">{d.mark}</span>{/if}<span class="grow"></span>
		{#if data.can.docket}
			<RowAction
				action="?/queue"
				fields={{ documentId: d.id }}
				look="btn"
				ondone={({ paper }) => goto(`/docket/papers?paper=${paper}`)}
			>
				Docket it
			</RowAction>
		{/if}
		<a class="btn" href="{file}&download=1" download>Download</a
		>{#if d.mediaType === 'application/pdf' && !busy}<a
				class="btn"
				href="/documents/{d.id}/sign?self=1">Sign it myself</a
			><a class="btn go" href="/documents/{d.id}/sign">Send for signing</a>{/if}
	</div>
	<p class="sub mt-1">
		<a class="hover:underline" href="/matters/{d.matterNumber}/documents"
			>{d.matterNumber} {d.matterTitle}</a
		>, {d.folder}
	</p>
	{#if data.failure}
		<Banner class="mt-3">
			{data.failure.what} could not be made: {data.failure.error}
			{#if data.failure.reason}
				Settled: {data.failure.reason}
			{:else}
				It is tried again by itself.
			{/if}
		</Banner>
	{/if}
	{#if data.shown.unread}<Banner class="mt-3">
			{data.shown.unread}
		</Banner>{/if}
	<div class="mt-4 grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,780px)_minmax(240px,1fr)]">
		<div class="min-w-0">
			{#if data.shown.mediaType === 'application/pdf'}<PdfView src={file} />
			{:else if data.shown.mediaType.startsWith('image/')}<img
					src={file}
					alt={d.name}
					class="max-w-full border border-rule"
				/>
			{:else if data.text}<article
					class="read border border-rule bg-white px-12 py-10 text-read leading-relaxed"
				>
					{#each data.text as p, i (i)}<p class="mb-3 whitespace-pre-line">{p}</p>{/each}
					{#if data.more}<p class="sub">
							Only its beginning is shown here. Download it to read the rest.
						</p>{/if}
				</article>
			{:else if data.unread}<Banner>
					{data.unread}
				</Banner>{/if}
		</div>
		<aside class="flex flex-col gap-7">
			<Section title="Signing">
				{#each data.rounds as r (r.id)}
					<div class="row py-2.5" data-round={state(r)}>
						<div class="flex items-center gap-2">
							<Mark
								kind="signing"
								color={state(r) === 'finished' ? 'var(--color-spruce)' : 'var(--color-ink)'}
							/><b class="grow font-semibold">{r.title}</b><span
								class={state(r) === 'finished' ? 'font-semibold text-spruce' : 'sub'}
								>{state(r)}</span
							>
						</div>
						{#each r.signers as s (s.name)}<div class="mt-1 ml-6 flex gap-2">
								<span class="grow">{s.name}</span><span class="sub"
									>{s.state === 'signed'
										? `signed ${formatInstant(s.endedAt!, data.zone, data.today)}`
										: s.state === 'declined'
											? `declined: ${s.reason}`
											: s.openedAt
												? `opened ${formatInstant(s.openedAt, data.zone, data.today)}`
												: s.toldAt
													? 'sent'
													: 'later'}</span
								>
							</div>{/each}
						{#if state(r) === 'with signers'}<div class="mt-2 ml-6">
								<ActionForm action="?/withdraw"
									>{#snippet children({ busy })}<input
											type="hidden"
											name="roundId"
											value={r.id}
										/><button class="act" disabled={busy}>withdraw</button>{#if r.wantedBy}<span
												class="sub ml-3">wanted by {formatDay(r.wantedBy, data.today)}</span
											>{/if}{/snippet}</ActionForm
								>
							</div>{/if}
					</div>
				{:else}<p class="sub py-2">
						{d.mediaType === 'application/pdf' ? 'Not signed yet.' : 'Only a PDF can be signed.'}
					</p>{/each}
			</Section>
			<Section title="Versions" about={String(data.versions.length)}>
				{#each data.versions as v (v.n)}<a
						class="row block py-2 hover:bg-white"
						href="?version={v.n}"
						aria-current={v.n === data.shown.n ? 'true' : undefined}
						><span class="flex gap-2"
							><b class="font-semibold" class:text-petrol={v.n === data.shown.n}>{v.n}</b><span
								class="grow">{v.why}</span
							><span class="sub">{formatSize(v.size)}</span></span
						><span class="sub block">{v.by}, {formatInstant(v.at, data.zone, data.today)}</span></a
					>{/each}
				<p class="sub mt-2 text-tiny break-all">SHA-256 {data.shown.sha256}</p>
			</Section>
		</aside>
	</div>
</div>
