<script lang="ts">
	import { goto } from '$app/navigation';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DocumentRows from '$lib/documents/DocumentRows.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	let { data } = $props();
	const c = $derived(data.caption);
	let uploading = $state(false),
		assembling = $state(false),
		over = $state(false);
	let template = $state(''),
		name = $state(''),
		docName = $state(''),
		folder = $state('Correspondence'),
		mark = $state('');
	let fields = $state<Record<string, string>>({});
	let file = $state<FileList | undefined>();
	async function pick() {
		await goto(template ? `?template=${template}` : '?', {
			replaceState: true,
			noScroll: true,
			keepFocus: true
		});
		name = data.templates.find((t) => t.id === template)?.name ?? '';
	}
	const labelOf = (n: string) =>
		n
			.replace(/([A-Z])/g, ' $1')
			.replace(/\./g, ', ')
			.toLowerCase()
			.replace(/^./, (x) => x.toUpperCase());
	function drop(e: DragEvent) {
		e.preventDefault();
		over = false;
		if (e.dataTransfer?.files.length) {
			file = e.dataTransfer.files;
			uploading = true;
		}
	}
</script>

<div
	class="min-h-full p-5"
	class:bg-petrol-wash={over}
	role="region"
	aria-label="Documents of the matter"
	ondragover={(e) => {
		e.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={drop}
>
	<div class="flex items-center gap-2">
		<h2 class="read grow text-title font-medium">
			Documents{data.folder ? ` in ${data.folder}` : ''}
		</h2>
		{#if data.folder}<a class="act" href="?">all folders</a>{/if}
		{#if c.mayChange}
			<button class="btn" onclick={() => (uploading = true)}>Add a file</button><button
				class="btn go"
				onclick={() => (assembling = true)}>Assemble a letter</button
			>
		{/if}
	</div>
	{#if data.documents.length}<DocumentRows
			rows={data.documents}
			today={data.today}
			zone={data.zone}
			matter={false}
		/>{:else}<Empty
			>{data.folder
				? `Nothing lies in ${data.folder}.`
				: 'No document yet. Drop a file here, or assemble a letter from the matter’s facts.'}</Empty
		>{/if}
</div>

<Drawer bind:open={uploading} title="Add a file" about="{c.number} {c.title}">
	<ActionForm
		action="?/upload"
		files
		ondone={({ number, unread }) => {
			say(`Filed as ${number}.${unread ? ` ${unread}` : ''}`);
			uploading = false;
			docName = '';
			file = undefined;
		}}
		before={(d) => {
			const f = d.get('file');
			return f instanceof File && f.size > 50 * 1024 * 1024
				? `${f.name} has ${Math.ceil(f.size / 1024 / 1024)} MB; a file may have at most 50 MB.`
				: undefined;
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="matterId" value={c.id} />
				<Field label="File" error={errors.file} hint="PDF, DOCX, PNG, JPEG or text, at most 50 MB"
					>{#snippet children(x)}<input
							class="box py-1"
							type="file"
							name="file"
							bind:files={file}
							accept=".pdf,.docx,.png,.jpg,.jpeg,.txt"
							{...x}
						/>{/snippet}</Field
				>
				<TextField
					label="Name"
					error={errors.name}
					hint="the file’s own name, if left empty"
					name="name"
					bind:value={docName}
					autocomplete="off"
				/>
				<div class="grid grid-cols-2 gap-3">
					<SelectField label="Folder" error={errors.folder} name="folder" bind:value={folder}
						>{#each data.folders as f (f)}<option>{f}</option>{/each}</SelectField
					><SelectField label="Mark" error={errors.mark} name="mark" bind:value={mark}
						><option value="">none</option><option value="privileged">privileged</option><option
							value="confidential">confidential</option
						></SelectField
					>
				</div>
				<div><button class="btn go" disabled={busy}>{busy ? 'Filing…' : 'File it'}</button></div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>

<Drawer bind:open={assembling} title="Assemble a letter" about="{c.number} {c.title}">
	<ActionForm
		action="?/assemble"
		ondone={async (d) => {
			assembling = false;
			fields = {};
			await goto(`/documents/${d.documentId}`);
		}}
	>
		{#snippet children({ errors, busy })}
			<div class="flex flex-col gap-3.5">
				<input type="hidden" name="matterId" value={c.id} />
				<SelectField
					label="Template"
					error={errors.templateId}
					hint={data.templates.find((t) => t.id === template)?.description}
					name="templateId"
					bind:value={template}
					onchange={pick}
					><option value="">Choose</option>{#each data.templates as t (t.id)}<option value={t.id}
							>{t.name}</option
						>{/each}</SelectField
				>
				{#if template && data.needs}
					<TextField
						label="Name of the document"
						error={errors.name}
						name="name"
						bind:value={name}
						autocomplete="off"
					/>
					<div class="ruled mt-1">
						<h3 class="font-semibold">Asked for</h3>
						<span class="sub"
							>{data.needs.missing.length
								? 'everything else is known'
								: 'nothing: everything is known'}</span
						>
					</div>
					{#each data.needs.missing as f (f)}<TextField
							label={labelOf(f)}
							hint="left empty, it stands in square brackets"
							name="values.{f}"
							bind:value={fields[f]}
							autocomplete="off"
						/>{/each}
				{/if}
				<div>
					<button class="btn go" disabled={busy || !template}
						>{busy ? 'Assembling…' : 'Assemble as DOCX and PDF'}</button
					>
				</div>
			</div>
		{/snippet}
	</ActionForm>
</Drawer>
