<!-- What was settled by mistake stands again. -->
<script lang="ts">
	import type { DateActProps } from './acts.ts';
	import WordsForm from './WordsForm.svelte';
	let { deadline, ondone }: DateActProps = $props();
</script>

<WordsForm
	{deadline}
	{ondone}
	action="?/back"
	about="It stands again as it stood before. What was recorded stays in the logbook to read."
	button="Take it back"
/>
