<!-- A day as it is typed in a table; what was understood stands beneath. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	type Props = {
		value: string;
		name: string;
		label: string;
		today: string;
		error?: string | undefined;
	};
	let { value = $bindable(), name, label, today, error }: Props = $props();
	const read = $derived(value.trim() ? readTypedDate(value, today) : null);
	const iso = $derived(read && 'date' in read ? read.date : value);
	const fault = $derived(read && 'error' in read ? read.error : (error ?? ''));
</script>

<input
	class="box"
	aria-label={label}
	aria-invalid={fault ? 'true' : undefined}
	autocomplete="off"
	placeholder="day"
	bind:value
/>
<input type="hidden" {name} value={iso} />
{#if fault}<span class="fault block text-note">{fault}</span>
{:else if read && 'date' in read}
	<span class="sub block text-note whitespace-nowrap">{formatDay(read.date, today)}</span>
{/if}
