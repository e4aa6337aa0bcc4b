<!-- The report by mail: to colleagues as each may see it, or outside as a PDF with a word. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import ChooseMany from '$lib/ui/ChooseMany.svelte';
	import Drawer from '$lib/ui/Drawer.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	type Props = { data: PageData; open: boolean };
	let { data, open = $bindable() }: Props = $props();
	let chosen = $state<string[]>([]);
	let addresses = $state('');
	let words = $state('');
	let outsideWords = $state('');
	const sent = (whom: string) => (result: Record<string, unknown>) => {
		open = false;
		say(`Sent to ${plural(Number(result.sent), whom)}.`);
	};
</script>

<Drawer bind:open title="Send the report" about="{data.text}: {plural(data.total, 'date')}">
	<ActionForm action="?/mail" class="flex flex-col gap-3" ondone={sent('colleague')}>
		{#snippet children({ errors, busy })}
			<p class="sub">Colleagues get it as they themselves may see it, with links.</p>
			<input type="hidden" name="query" value={data.query} />
			<ChooseMany
				label="To colleagues"
				name="to"
				options={data.choices.people.map(({ id, name }) => ({ id, label: name }))}
				bind:chosen
				error={errors.to}
			/>
			<TextArea
				label="Message"
				error={errors.words}
				hint="optional"
				name="words"
				rows={2}
				bind:value={words}
			/>
			<div>
				<button class="btn go" disabled={busy || chosen.length === 0}>
					Send to {plural(chosen.length, 'colleague')}
				</button>
			</div>
		{/snippet}
	</ActionForm>
	{#if data.can.docket}
		<ActionForm
			action="?/outside"
			class="mt-6 flex flex-col gap-3 border-t border-rule pt-4"
			ondone={sent('address')}
		>
			{#snippet children({ errors, busy })}
				<p class="sub">
					Outside it goes as a PDF, without restricted matters, our own dates, marks, tags and
					checks. Each matter's logbook says so.
				</p>
				<input type="hidden" name="query" value={data.query} />
				<TextField
					label="To mail addresses outside"
					name="addresses"
					bind:value={addresses}
					error={errors.addresses}
					hint="several with commas"
					autocomplete="off"
				/>
				<TextArea
					label="A word to them"
					error={errors.words}
					name="words"
					rows={2}
					bind:value={outsideWords}
				/>
				<div><button class="btn" disabled={busy}>Send outside</button></div>
			{/snippet}
		</ActionForm>
	{/if}
</Drawer>
