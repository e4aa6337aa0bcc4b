<!-- What the server could not do, again and again: tried at once, or settled in another way. -->
<script lang="ts">
	import { page } from '$app/state';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { formatInstant } from '$lib/ui/format.ts';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { say } from '$lib/ui/say.svelte.ts';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural } from '#core/format/words.ts';
	import type { Failure } from '#server/failures/queries.ts';
	let { failures }: { failures: readonly Failure[] } = $props();
	/** A mail server that is down for an hour leaves many: so many are shown, and how many more. */
	const SHOWN = 5;
	const key = ({ job, row }: Failure) => `${job} ${row}`;
	let settling = $state('');
	let reason = $state('');
	const instant = (at: string) => formatInstant(at, page.data.zone, page.data.today);
</script>

{#each failures.slice(0, SHOWN) as failure (key(failure))}
	{@const { job, row, what, path, error, tries, since, nextTry, settles } = failure}
	<div class="row py-2" data-failure={what}>
		<a class="block truncate font-semibold hover:underline" href={path} title={what}>{what}</a>
		<p class="text-madder">{error}</p>
		<p class="sub">
			tried {plural(tries, 'time')} since {instant(since)}, again {instant(nextTry)}
		</p>
		<div class="mt-1 flex flex-wrap gap-4">
			<RowAction
				action="?/retry"
				fields={{ job, row }}
				ondone={() => say('It is tried in a moment.')}>try again now</RowAction
			>
			{#if settles && settling !== key(failure)}
				<button
					type="button"
					class="act"
					onclick={() => {
						settling = key(failure);
						reason = '';
					}}>settled another way</button
				>
			{/if}
		</div>
		{#if settling === key(failure)}
			<ActionForm
				action="?/settle"
				class="mt-2 flex flex-wrap items-end gap-2"
				ondone={() => {
					settling = '';
					say('It is not tried any more.');
				}}
			>
				{#snippet children({ errors, busy })}
					<input type="hidden" name="job" value={job} />
					<input type="hidden" name="row" value={row} />
					<div class="min-w-56 grow">
						<TextField
							label="How it was settled"
							name="reason"
							bind:value={reason}
							error={errors.reason}
							autofocus
						/>
					</div>
					<button class="btn" disabled={busy}>Settle it</button>
					<button type="button" class="btn" onclick={() => (settling = '')}>Cancel</button>
				{/snippet}
			</ActionForm>
		{/if}
	</div>
{/each}
{#if failures.length > SHOWN}
	<p class="sub mt-1">and {failures.length - SHOWN} more</p>
{/if}
