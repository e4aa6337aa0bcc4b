<!-- Where an event comes from: its document, and of a hearing the place and the link. -->
<script lang="ts">
	import SourceField from './SourceField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	type Props = {
		value: { sourceId: string; place: string; link: string };
		/** The matter's documents; none where the source is known. */
		documents: readonly { id: string; name: string }[] | undefined;
		/** It lies ahead, and so has a place. */
		ahead: boolean;
		errors: Record<string, string>;
	};
	let { value = $bindable(), documents, ahead, errors }: Props = $props();
	const FIELDS = ['sourceId', 'place', 'link'] as const;
	const isOpen = $derived(FIELDS.some((field) => value[field] || errors[field]));
	const summary = $derived(
		[documents && 'Where it comes from', ahead && (documents ? 'place, link' : 'Place, link')]
			.filter(Boolean)
			.join(', ')
	);
</script>

{#if documents || ahead}
	<details open={isOpen}>
		<summary class="act inline-block">{summary}</summary>
		<div class="mt-2.5 flex flex-col gap-2.5">
			{#if documents}
				<SourceField
					label="From which document"
					error={errors.sourceId}
					hint="the second person checks the date against it"
					name="sourceId"
					{documents}
					bind:value={value.sourceId}
				/>
			{/if}
			{#if ahead}
				<div class="grid grid-cols-2 gap-3">
					<TextField
						label="Place"
						error={errors.place}
						name="place"
						bind:value={value.place}
						autocomplete="off"
					/>
					<TextField
						label="Link"
						error={errors.link}
						hint="begins with https://"
						name="link"
						bind:value={value.link}
						autocomplete="off"
					/>
				</div>
			{/if}
		</div>
	</details>
{/if}
