<!-- One's own dates of the weeks ahead: each is right, or it is said what is not. -->
<script lang="ts">
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	import type { OwnState } from '#server/sign-off/queries.ts';
	import { NO_LONGER_FOLLOWS } from '#core/docket/standing.ts';
	import WorkingMark from '$lib/docket/WorkingMark.svelte';
	import Kite from '$lib/docket/Kite.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatAway, formatDay, formatInstant, plural } from '$lib/ui/format.ts';
	type Props = { own: readonly DeadlineView[]; state: OwnState; until: string; today: string };
	let { own, state: stand, until, today }: Props = $props();
	/** What is not right, by date; a date that is not named is right. */
	let wrong = $state<Record<string, string>>({});
	const open = $derived(new Set(stand.open.map(({ id }) => id)));
	const wrongCount = $derived(own.filter(({ id }) => id in wrong).length);
	function toggle(id: string) {
		if (id in wrong) delete wrong[id];
		else wrong[id] = '';
	}
	const focus = (field: HTMLInputElement) => field.focus();
	function standing(due: DeadlineView): [words: string, look: string] {
		if (due.left) return [NO_LONGER_FOLLOWS, 'font-semibold text-madder'];
		if (due.returnedBy) return [`returned by ${due.returnedBy}`, 'font-semibold text-madder'];
		return due.checked
			? [`checked by ${due.checkedBy}`, 'sub']
			: ['needs a second check', 'font-semibold text-saffron-ink'];
	}
</script>

<section aria-label="Your dates" class="min-w-0">
	<h2 class="ruled">
		Your dates
		<span class="sub font-normal">until {until}, what was missed among them</span>
	</h2>
	{#if own.length === 0}
		<Empty>No date is yours in these weeks: there is nothing to sign off.</Empty>
	{:else}
		{#if stand.at}
			<p class="mt-2 font-semibold {open.size ? 'text-saffron-ink' : 'text-spruce'}" data-signed>
				{open.size
					? `You signed off ${formatInstant(stand.at, page.data.zone, page.data.today)}; ${plural(open.size, 'date is new or has moved', 'dates are new or have moved')} since.`
					: `You signed off ${formatInstant(stand.at, page.data.zone, page.data.today)}. Nothing has changed since.`}
			</p>
		{/if}
		<ActionForm
			action="?/sign"
			ondone={(result) => {
				wrong = {};
				say(
					Number(result.wrong)
						? `Signed off: ${result.right} right, ${result.wrong} gone back to be put right.`
						: `Signed off: ${result.right} seen and right.`
				);
			}}
		>
			{#snippet children({ errors, busy })}
				{#each own as due, place (due.id)}
					{@const [words, look] = standing(due)}
					<div class="row py-1.5" data-own={due.title}>
						<input type="hidden" name="dates.{place}.id" value={due.id} />
						<input type="hidden" name="dates.{place}.date" value={due.date} />
						<div class="own">
							<Kite
								state={due.state}
								sort={due.sort}
								checked={due.checked}
								adrift={due.left !== null}
								late={due.date <= today}
							/>
							<span class={['whitespace-nowrap', { 'text-madder': due.date <= today }]}>
								<b class="font-semibold">{formatDay(due.date, today)}</b>
								<span class="sub block">{due.time ?? formatAway(due.date, today)}</span>
							</span>
							<a
								class="min-w-0 hover:underline"
								href="/matters/{due.matterNumber}/docket?deadline={due.id}"
							>
								<span class="block truncate">
									<b class="font-semibold">{due.title}</b>
									<WorkingMark mark={due.workingMark} />
									{#if due.sort === 'deadline'}<span class="sub">{due.event}</span>{/if}
								</span>
								<span class="sub block truncate">
									{due.matterTitle}{due.court ? `, ${due.court}` : ''}
								</span>
							</a>
							<span class="text-right">
								<span class="block {look}">{words}</span>
								{#if stand.at && open.has(due.id)}
									<span class="block font-semibold text-saffron-ink">new since</span>
								{/if}
							</span>
							<button
								type="button"
								class="act no-print justify-self-end"
								aria-expanded={due.id in wrong}
								onclick={() => toggle(due.id)}
							>
								{due.id in wrong ? 'right after all' : 'not right'}
							</button>
						</div>
						{#if due.id in wrong}
							<input type="hidden" name="dates.{place}.wrong" value="on" />
							<input
								class="box mt-1 w-full"
								name="dates.{place}.words"
								bind:value={wrong[due.id]}
								use:focus
								autocomplete="off"
								aria-label="What is not right of {due.title}"
								placeholder="what is not right"
							/>
						{/if}
					</div>
				{/each}
				{#each Object.values(errors) as fault (fault)}<p class="fault mt-2">{fault}</p>{/each}
				<div class="no-print sticky bottom-0 bg-sail py-3">
					<button class="btn go" disabled={busy}>
						{wrongCount
							? `Sign off: ${own.length - wrongCount} right, ${wrongCount} not`
							: `Seen and right: ${plural(own.length, 'date')}`}
					</button>
				</div>
			{/snippet}
		</ActionForm>
	{/if}
</section>

<style>
	.own {
		display: grid;
		grid-template-columns: 22px 104px minmax(0, 1fr) auto 104px;
		align-items: center;
		gap: 8px;
	}
	@media (max-width: 640px) {
		.own {
			grid-template-columns: 22px minmax(0, 1fr) auto;
		}
		.own > :nth-child(3),
		.own > :nth-child(4) {
			grid-column: 2 / -1;
			text-align: left;
		}
		.own > :nth-child(5) {
			grid-column: 3;
			grid-row: 1;
		}
	}
</style>
