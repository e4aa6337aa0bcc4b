<!-- Is there a conflict? Asked of who is responsible for a restricted matter. -->
<script lang="ts">
	import RowAction from '$lib/ui/RowAction.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { AskedQuestion } from '#server/interest/questions.ts';
	let { questions }: { questions: readonly AskedQuestion[] } = $props();
	const ANSWERS = ['no conflict', 'speak to me'];
</script>

<Section title="Is there a conflict?" about={String(questions.length)}>
	{#each questions as { id, by, names, number, title } (id)}
		<div class="row py-2" data-question={names}>
			<p>
				{by} checks <b class="font-semibold">{names}</b>, which
				<a class="hover:underline" href="/matters/{number}">{number} {title}</a> names.
			</p>
			<p class="sub">They do not learn which matter it is.</p>
			<div class="mt-1 flex gap-4">
				{#each ANSWERS as answer (answer)}
					<RowAction
						action="?/blind"
						fields={{ questionId: id, answer }}
						ondone={() => say('Your answer is on its way.')}>{answer}</RowAction
					>
				{/each}
			</div>
		</div>
	{/each}
</Section>
