<!-- The second word on a date that was met late. -->
<script lang="ts">
	import type { DateActProps } from './acts.ts';
	import WordsForm from './WordsForm.svelte';
	let { deadline, ondone }: DateActProps = $props();
</script>

<WordsForm
	{deadline}
	{ondone}
	action="?/judge"
	about="It was met late: {deadline.lateReason} Your word settles it; it stays among the missed."
	name="words"
	label="Your word"
	button="Keep your word"
/>
