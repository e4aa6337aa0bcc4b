<!-- The files that an index names: the folder is chosen, and each is sent by itself. -->
<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { matchFiles } from '#core/documents/paths.ts';
	import { plural } from '$lib/ui/format.ts';
	import { postAction } from '$lib/ui/post.ts';
	let {
		wanted,
		given,
		busy
	}: {
		wanted: readonly string[];
		given: number;
		/** It is looked through: no file is taken meanwhile. */
		busy: boolean;
	} = $props();
	let sent = $state(0);
	let sending = $state(0);
	let fault = $state('');
	let left = $state('');
	let folder = $state<HTMLInputElement>();

	/** A path as the folder has it; of a file that was chosen alone, its name. */
	const pathOf = (file: File) => file.webkitRelativePath || file.name;

	/** @returns what was refused, or nothing; @throws where the server is not reached */
	async function send(path: string, file: File): Promise<string> {
		const sent = await postAction('?/file', { path, file });
		if (sent.ok) return '';
		if (sent.isOffline) throw new Error(sent.message);
		return sent.message;
	}

	async function give(list: FileList | null): Promise<void> {
		const files = new Map([...(list ?? [])].map((file) => [pathOf(file), file]));
		const matched = [...matchFiles(wanted, [...files.keys()])];
		fault = matched.length ? '' : 'None of these is named in the index, or they were all given.';
		left = '';
		sending = matched.length;
		sent = 0;
		try {
			for (const [path, own] of matched) {
				const file = files.get(own);
				const refused = file && (await send(path, file));
				if (refused) fault = `${own}: ${refused}`;
				sent++;
			}
			if (matched.length) await postAction('?/look', {});
		} catch {
			const rest = plural(matched.length - sent, 'file');
			fault = `The server could not be reached: ${rest} not sent. Choose the folder again; what was sent is kept.`;
		}
		const others = files.size - matched.length;
		if (others > 0) left = `${plural(others, 'other file')} in it, not asked for by the index.`;
		sending = 0;
		if (folder) folder.value = '';
		await invalidateAll();
	}
</script>

<div class="mt-2 flex flex-col gap-2">
	<p>
		{#if wanted.length}
			{plural(wanted.length, 'file')} of the index still to give.
		{:else if given}
			All {plural(given, 'file')} of the index were given.
		{/if}
	</p>
	{#if wanted.length}
		<div class="flex flex-wrap items-end gap-4">
			<label class="flex flex-col gap-1">
				<span class="label">The folder they lie in</span>
				<input
					bind:this={folder}
					class="box"
					type="file"
					webkitdirectory
					multiple
					disabled={sending > 0 || busy}
					onchange={({ currentTarget }) => void give(currentTarget.files)}
				/>
			</label>
			<label class="flex flex-col gap-1">
				<span class="label">Or some of the files</span>
				<input
					class="box"
					type="file"
					multiple
					disabled={sending > 0 || busy}
					onchange={({ currentTarget }) => void give(currentTarget.files)}
				/>
			</label>
		</div>
	{/if}
	{#if sending}
		<p role="status">{sent} of {plural(sending, 'file')} sent…</p>
	{/if}
	{#if fault}<p class="fault" role="alert">{fault}</p>{/if}
	{#if left}<p class="sub" role="status">{left}</p>{/if}
</div>
