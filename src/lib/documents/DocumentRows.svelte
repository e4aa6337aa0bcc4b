<!-- Documents as rows: what it is, where, which version, and whether it is signed. -->
<script lang="ts">
	import type { DocumentView } from '#server/documents/queries.ts';
	import Mark from '$lib/ui/Mark.svelte';
	import { formatInstant, formatSize } from '$lib/ui/format.ts';
	let {
		rows,
		today,
		zone,
		matter = true
	}: { rows: DocumentView[]; today: string; zone: string; matter?: boolean } = $props();
	const kind = (t: string) =>
		t.includes('wordprocessing')
			? 'DOCX'
			: t === 'application/pdf'
				? 'PDF'
				: t.startsWith('image/')
					? 'picture'
					: 'text';
</script>

<table class="list mt-2">
	<thead
		><tr
			><th class="w-[132px]">Number</th><th>Document</th>{#if matter}<th class="w-[200px]"
					>Matter</th
				>{/if}<th class="w-[110px] max-lg:hidden">Folder</th><th class="w-[150px]">Signing</th><th
				class="w-[110px]">Filed</th
			><th class="num w-[76px] max-lg:hidden">Size</th></tr
		></thead
	>
	<tbody>
		{#each rows as d (d.id)}
			<tr class="link"
				><td class="text-ink-2">{d.number}</td><td class="max-w-0 truncate"
					><a class="font-semibold hover:underline" href="/documents/{d.id}">{d.name}</a><span
						class="sub ml-2"
						>{kind(d.mediaType)}{d.version > 1 ? `, version ${d.version}` : ''}</span
					>{#if d.mark}<span class="note warn ml-2 py-0">{d.mark}</span>{/if}</td
				>
				{#if matter}<td class="max-w-0 truncate"
						><a class="hover:underline" href="/matters/{d.matterNumber}/documents"
							>{d.matterTitle}</a
						></td
					>{/if}<td class="sub max-lg:hidden">{d.folder}</td>
				<td
					>{#if d.finished}<span class="inline-flex items-center gap-1.5 text-spruce"
							><Mark kind="signing" color="var(--color-spruce)" size={13} />signed, sealed</span
						>{:else if d.waiting}<span class="inline-flex items-center gap-1.5"
							><Mark kind="signing" size={13} />{d.signed} of {(d.waiting ?? 0) + (d.signed ?? 0)} signed</span
						>{/if}</td
				>
				<td class="sub whitespace-nowrap">{formatInstant(d.at, zone, today)} {d.by}</td><td
					class="num sub max-lg:hidden">{formatSize(d.size)}</td
				></tr
			>
		{/each}
	</tbody>
</table>
