<!-- A day as a pen line was understood; another can be typed in its place. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import { readTypedDate } from '$lib/ui/typed-date.ts';
	type Props = {
		label: string;
		day: string | null;
		today: string;
		/** What stands there while there is none. */
		none?: string;
		oncorrect: (day: string) => void;
		oncommit: () => void;
	};
	let { label, day, today, none = '', oncorrect, oncommit }: Props = $props();
	let typed = $state<string | null>(null);
	let fault = $state('');
	const id = $props.id();
	function correct() {
		fault = '';
		const words = typed?.trim() ?? '';
		const read = words ? readTypedDate(words, today) : null;
		if (read && 'error' in read) {
			// What was typed stays, to be put right.
			fault = read.error;
			return;
		}
		if (read) oncorrect(read.date);
		typed = null;
	}
	function key(event: KeyboardEvent) {
		if (event.key !== 'Enter') return;
		event.preventDefault();
		if (typed === null) oncommit();
		else correct();
	}
</script>

<input
	class="note w-[112px]"
	aria-label={label}
	aria-invalid={fault ? 'true' : undefined}
	aria-describedby={fault ? id : undefined}
	placeholder={none}
	value={typed ?? (day ? formatDay(day, today) : '')}
	oninput={({ currentTarget }) => (typed = currentTarget.value)}
	onkeydown={key}
	onblur={correct}
/>
{#if fault}<span class="fault" {id} role="alert">{fault}</span>{/if}
