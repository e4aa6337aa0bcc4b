<!-- The ways of looking at the calendar; the one that is chosen stays chosen. -->
<script lang="ts">
	import type { CalendarChoice } from '#server/appointments/choices.ts';
	import { VIEWS, type View } from '#core/calendar/views.ts';
	import { postAction } from '$lib/ui/post.ts';
	type Props = { view: View; choice: CalendarChoice; hrefOf: (view: View) => string };
	let { view, choice, hrefOf }: Props = $props();
	const nameOf = (one: View): string =>
		one === 'days' ? `${choice.days} days` : one.charAt(0).toUpperCase() + one.slice(1);
	const keep = (one: View) => void postAction('?/choose', { ...choice, view: one });
</script>

<nav class="flex gap-1" aria-label="View">
	{#each VIEWS as one (one)}
		<a
			class="view"
			class:on={one === view}
			aria-current={one === view ? 'page' : undefined}
			href={hrefOf(one)}
			onclick={() => keep(one)}
		>
			{nameOf(one)}
		</a>
	{/each}
</nav>

<style>
	.view {
		border: 1px solid var(--color-rule);
		border-radius: 5px;
		background: var(--color-white);
		padding: 4px 9px;
		font-weight: 500;
		font-size: 12.5px;
	}
	.view.on {
		background: var(--color-ink);
		border-color: var(--color-ink);
		color: var(--color-white);
	}
	@media (max-width: 640px) {
		nav {
			flex-wrap: wrap;
		}
	}
</style>
