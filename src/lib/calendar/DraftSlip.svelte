<!-- An appointment that is being drawn: what it is about is typed in place. -->
<script lang="ts">
	import { hoursOf } from './words.ts';
	import type { CalendarDesk } from './desk.svelte.ts';
	type Props = { desk: CalendarDesk; onmore: () => void };
	let { desk, onmore }: Props = $props();
	const focus = (element: HTMLInputElement) => {
		element.scrollIntoView({ block: 'nearest' });
		element.focus();
	};
	function keys(event: KeyboardEvent) {
		event.stopPropagation();
		if (event.key === 'Enter') void desk.add();
		if (event.key === 'Escape') desk.drop();
	}
</script>

{#if desk.draft}
	{#key `${desk.draft.day}${desk.draft.staffId}`}
		<input
			class="w-full bg-transparent font-semibold outline-none"
			aria-label="What it is about"
			aria-invalid={desk.fault ? 'true' : undefined}
			aria-describedby="draft-more"
			maxlength="300"
			bind:value={desk.draft.subject}
			onkeydown={keys}
			use:focus
		/>
	{/key}
	<div class="text-note text-ink-2" id="draft-more">
		{hoursOf(desk.draft)} · type, then Enter
		<button type="button" class="act text-note" onclick={onmore}>more</button>
		<button type="button" class="act text-note" onclick={() => desk.drop()}>leave it</button>
	</div>
	{#if desk.fault}<div class="fault" role="alert">{desk.fault}</div>{/if}
{/if}
