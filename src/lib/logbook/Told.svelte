<!-- Whom the words of a note tell, while one writes; and a name after @ that is nobody's. -->
<script lang="ts">
	import { page } from '$app/state';
	import {
		listMentions,
		listStrayMentions,
		parseNote,
		type Mentionable
	} from '#core/logbook/note.ts';
	let { words }: { words: string } = $props();
	const staff = $derived((page.data as { staff?: Mentionable[] }).staff ?? []);
	const parts = $derived(parseNote(words, staff));
	/** Nobody is told of what they write themselves. */
	const told = $derived(
		listMentions(parts)
			.filter((id) => id !== page.data.me?.id)
			.map((id) => staff.find((person) => person.id === id)?.name ?? '')
	);
	const stray = $derived(listStrayMentions(parts));
	/** Those whose name has the word that was typed, for writing it in full. */
	const meant = (typed: string) =>
		staff.filter(({ name }) =>
			name
				.toLowerCase()
				.split(' ')
				.some((part) => part.startsWith(typed.toLowerCase()))
		);
</script>

<div aria-live="polite" data-told>
	{#if told.length}<p class="sub mt-1">
			{told.join(', ')}
			{told.length > 1 ? 'are' : 'is'} told.
		</p>{/if}
	{#each stray as name (name)}
		{@const others = meant(name)}
		<p class="mt-1 text-saffron-ink">
			@{name} tells nobody{others.length
				? `: write @${others.map((person) => person.name).join(' or @')}`
				: ': nobody here is called so'}.
		</p>
	{/each}
</div>
