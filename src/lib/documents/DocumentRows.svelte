<!-- Documents as rows: what it is, where, which version, and whether it is signed. -->
<script lang="ts">
	import type { DocumentView } from '#server/documents/queries.ts';
	import DataTable from '$lib/ui/DataTable.svelte';
	import { formatInstant, formatSize } from '$lib/ui/format.ts';
	import Mark from '$lib/ui/Mark.svelte';
	import type { Column } from '$lib/ui/table.ts';
	type Props = { rows: DocumentView[]; today: string; zone: string; matter?: boolean };
	let { rows, today, zone, matter = true }: Props = $props();
	const sortOf = (type: string) =>
		type.includes('wordprocessing')
			? 'DOCX'
			: type === 'application/pdf'
				? 'PDF'
				: type.startsWith('image/')
					? 'picture'
					: 'text';
	const columns = $derived<Column<DocumentView>[]>([
		{ key: 'number', label: 'Number', text: (one) => one.number, class: 'w-[132px] text-ink-2' },
		{
			key: 'name',
			label: 'Document',
			text: (one) => one.name,
			leads: true,
			cell: version,
			class: 'max-w-0 truncate'
		},
		...(matter
			? [{ key: 'matter', label: 'Matter', cell: where, class: 'w-[200px] max-w-0 truncate' }]
			: []),
		{
			key: 'folder',
			label: 'Folder',
			text: (one) => one.folder,
			class: 'w-[110px] sub max-lg:hidden'
		},
		{ key: 'signing', label: 'Signing', cell: signing, class: 'w-[150px]' },
		{
			key: 'filed',
			label: 'Filed',
			text: (one) => `${formatInstant(one.at, zone, today)} ${one.by}`,
			class: 'w-[110px] sub whitespace-nowrap'
		},
		{
			key: 'size',
			label: 'Size',
			text: (one) => formatSize(one.size),
			numeric: true,
			class: 'w-[76px] sub max-lg:hidden'
		}
	]);
</script>

{#snippet version(document: DocumentView)}
	<span class="sub ml-2">
		{sortOf(document.mediaType)}{document.version > 1 ? `, version ${document.version}` : ''}
	</span>
	{#if document.unread}<span class="note ml-2 py-0" title={document.unread}>not searched</span>{/if}
	{#if document.mark}<span class="note warn ml-2 py-0">{document.mark}</span>{/if}
{/snippet}
{#snippet where(document: DocumentView)}
	<a class="hover:underline max-md:py-[3px]" href="/matters/{document.matterNumber}/documents">
		{document.matterTitle}
	</a>
{/snippet}
{#snippet signing(document: DocumentView)}
	{#if document.finished}
		<span class="inline-flex items-center gap-1.5 text-spruce">
			<Mark kind="signing" color="var(--color-spruce)" size={13} />signed, sealed
		</span>
	{:else if document.waiting}
		<span class="inline-flex items-center gap-1.5">
			<Mark kind="signing" size={13} />
			{document.signed} of {document.waiting + (document.signed ?? 0)} signed
		</span>
	{/if}
{/snippet}

<DataTable
	{columns}
	{rows}
	id={(document) => document.id}
	href={(document) => `/documents/${document.id}`}
	class="mt-2"
/>
