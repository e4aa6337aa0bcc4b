<!-- When something holds: the answers it depends on, and a day before which the event must lie. -->
<script lang="ts">
	import type { FormWhen } from '#core/rulebooks/book-form.ts';
	import type { Question } from '#core/rulebooks/book.ts';
	import AnswersPart from './AnswersPart.svelte';
	import DayField from './DayField.svelte';
	type Props = {
		when: FormWhen;
		questions: readonly Question[];
		of: string;
		today: string;
	};
	let { when = $bindable(), questions, of, today }: Props = $props();
</script>

<div class="grid grid-cols-1 gap-x-3 sm:grid-cols-2">
	<AnswersPart bind:answers={when.answers} {questions} none="whatever the answer" {of} {today} />
	<DayField
		label="Only where the event lies before ({of})"
		value={when.before}
		onday={(day) => (when.before = day)}
		{today}
	/>
</div>
