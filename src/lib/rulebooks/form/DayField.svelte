<!-- A day in a book: typed as people type it, written as the book has it. -->
<script lang="ts">
	import DateField from '$lib/ui/DateField.svelte';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	type Props = {
		label: string;
		value: string;
		today: string;
		error?: string | undefined;
		onday: (day: string) => void;
		class?: string;
	};
	let { label, value, today, error, onday, class: more = '' }: Props = $props();
	// svelte-ignore state_referenced_locally
	let typed = $state(value);
	const written = (text: string) => {
		const read = text.trim() === '' ? null : readTypedDate(text, today);
		return read && 'date' in read ? read.date : text.trim();
	};
	/** What is not read as a day yet is said by the field itself. */
	const isRead = $derived(typed.trim() === '' || 'date' in readTypedDate(typed, today));
	// Another value from outside ("as counted", the last version) takes the place of what was typed.
	$effect(() => {
		if (written(typed) !== value) typed = value;
	});
</script>

<DateField
	name=""
	{label}
	error={isRead ? error : undefined}
	{today}
	class={more}
	bind:value={
		() => typed,
		(text) => {
			typed = text;
			onday(written(text));
		}
	}
/>
