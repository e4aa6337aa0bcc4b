<!--
	Dates of one matter that would change because a book, a closure or an order did; chosen and
	applied, or left with a reason.
-->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { plural, formatDay } from '$lib/ui/format.ts';
	import type { ChangeView } from '#server/docket/changes.ts';
	type Props = { changes: ChangeView[]; today: string; may: boolean; action?: string };
	let { changes, today, may, action = '?/decide' }: Props = $props();
	// svelte-ignore state_referenced_locally
	let chosen = $state(changes.map((c) => c.id));
	let reason = $state('');
	let leaving = $state(false);
	const describe = (c: ChangeView) =>
		c.becomes === null ? 'no rule sets it any more' : c.was === null ? 'new' : '';
	const days = (c: ChangeView) =>
		c.was && c.becomes
			? Math.round((Date.parse(c.becomes) - Date.parse(c.was)) / 86_400_000)
			: null;
	const picked = $derived(chosen.filter((x) => changes.some((c) => c.id === x)));
</script>

<ActionForm
	{action}
	ondone={(d) => {
		say(
			leaving
				? `Left ${plural(Number(d.decided), 'date')} as ${Number(d.decided) === 1 ? 'it is' : 'they are'}.`
				: `Changed ${plural(Number(d.decided), 'date')}. ${plural(Number(d.told), 'person', 'people')} told, once.`
		);
		leaving = false;
		reason = '';
	}}
>
	{#snippet children({ errors, busy })}
		{#if leaving}<input type="hidden" name="apply" value="" />{:else}<input
				type="hidden"
				name="apply"
				value="1"
			/>{/if}
		<table class="list">
			<thead
				><tr
					><th class="w-[26px]"><span class="vh">Choose</span></th><th>Date</th><th>Because of</th
					><th class="w-[110px]">Now</th><th class="w-[110px]">Then</th><th class="num w-[60px]"
						>Days</th
					></tr
				></thead
			>
			<tbody
				>{#each changes as c (c.id)}
					<tr data-change={c.title}
						><td
							>{#if may}<input
									type="checkbox"
									name="changeIds"
									value={c.id}
									bind:group={chosen}
									class="h-4 w-4 accent-petrol"
									aria-label="Choose {c.title}"
								/>{/if}</td
						>
						<td class="max-w-0 truncate"
							><b class="font-semibold">{c.title}</b> <span class="sub">{c.event}</span></td
						><td class="sub max-w-0 truncate" title={c.why}>{c.why}</td>
						<td class="whitespace-nowrap">{c.was ? formatDay(c.was, today) : ''}</td><td
							class="whitespace-nowrap"
							><b class="font-semibold">{c.becomes ? formatDay(c.becomes, today) : ''}</b>
							<span class="sub">{describe(c)}{c.moved ? 'stays where it was moved to' : ''}</span
							></td
						><td class="num font-semibold text-petrol"
							>{days(c) === null ? '' : `${days(c)! > 0 ? '+' : '−'}${Math.abs(days(c)!)}`}</td
						></tr
					>
				{/each}</tbody
			>
		</table>
		{#if may}
			{#if leaving}
				<TextField
					label="Why they stay as they are"
					error={errors.reason}
					class="mt-3 max-w-[520px]"
					name="reason"
					bind:value={reason}
				/>
				<div class="mt-3 flex gap-2">
					<button class="btn go" disabled={busy || picked.length === 0}
						>Leave {plural(picked.length, 'date')} as {picked.length === 1
							? 'it is'
							: 'they are'}</button
					><button type="button" class="btn slight" onclick={() => (leaving = false)}>Back</button>
				</div>
			{:else}<div class="mt-3 flex gap-2">
					<button class="btn go" disabled={busy || picked.length === 0}
						>Change {plural(picked.length, 'date')}</button
					><button
						type="button"
						class="btn"
						disabled={picked.length === 0}
						onclick={() => (leaving = true)}>Leave as it is</button
					>
				</div>{/if}
			{#if errors.changeIds}<p class="fault mt-2">{errors.changeIds}</p>{/if}
		{/if}
	{/snippet}
</ActionForm>
