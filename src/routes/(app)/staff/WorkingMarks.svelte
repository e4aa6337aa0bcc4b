<!-- The department's own words on dates: waiting, pressing and the like. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural } from '$lib/ui/format.ts';
	type Kept = { id: string; label: string; retired: 0 | 1; dates: number };
	type Props = { marks: readonly Kept[] };
	let { marks }: Props = $props();
	let typed = $state('');
	let renaming = $state('');
	const added = () => {
		say('Added.');
		typed = '';
	};
</script>

<Section
	title="Working marks"
	about="words of your own on a date, like waiting or pressing"
	class="mt-6 max-w-form"
>
	{#each marks as mark (mark.id)}
		<div class="row flex min-h-10 flex-wrap items-center gap-3 py-1" data-kept={mark.label}>
			{#if renaming === mark.id}
				<ActionForm
					action="?/renameMark"
					class="flex grow items-end gap-2"
					ondone={() => void (renaming = '')}
				>
					{#snippet children({ errors, busy })}
						<input type="hidden" name="markId" value={mark.id} />
						<TextField
							label="New words for “{mark.label}”"
							name="label"
							value={mark.label}
							error={errors.label}
							autocomplete="off"
							autofocus
						/>
						<button class="btn" disabled={busy}>Keep</button>
						<button type="button" class="act" onclick={() => (renaming = '')}>cancel</button>
					{/snippet}
				</ActionForm>
			{:else}
				<span class={['read grow italic', mark.retired ? 'text-ink-2' : 'text-petrol']}>
					{mark.label}
				</span>
				<a class="sub hover:underline" href="/docket?show=all&mark={mark.id}">
					on {plural(mark.dates, 'date')}
				</a>
				{#if mark.retired}
					<span class="sub">not offered</span>
					<RowAction action="?/offerMark" fields={{ markId: mark.id }}>offer it again</RowAction>
				{:else}
					<button class="act" onclick={() => (renaming = mark.id)}>rename</button>
					<RowAction action="?/retireMark" fields={{ markId: mark.id }}>retire</RowAction>
				{/if}
			{/if}
		</div>
	{/each}
	<ActionForm action="?/addMark" class="mt-2 flex items-end gap-2" ondone={added}>
		{#snippet children({ errors, busy })}
			<TextField
				label="A further mark"
				name="label"
				bind:value={typed}
				error={errors.label}
				autocomplete="off"
			/>
			<button class="btn" disabled={busy}>Add it</button>
		{/snippet}
	</ActionForm>
</Section>
