<!-- Takes a date off the docket, with a reason. -->
<script lang="ts">
	import type { DateActProps } from './acts.ts';
	import WordsForm from './WordsForm.svelte';
	let { deadline, ondone }: DateActProps = $props();
</script>

<WordsForm {deadline} {ondone} action="?/vacate" button="Vacate the date" />
