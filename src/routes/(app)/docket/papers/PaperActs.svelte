<!-- A paper is given to a colleague, or put aside with a reason. -->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import { goto } from '$app/navigation';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { PageData } from './$types.js';
	type Props = { paper: NonNullable<PageData['paper']>; staff: PageData['staff'] };
	let { paper, staff }: Props = $props();
	// svelte-ignore state_referenced_locally
	let holderId = $state(paper.holderId);
	let doing = $state<'' | 'hand' | 'aside'>('');
	let reason = $state('');
	const toggle = (what: 'hand' | 'aside') => () => (doing = doing === what ? '' : what);
	function given() {
		doing = '';
		say('Given; they are told.');
	}
	function putAside() {
		say('Put aside, with the reason.');
		return goto('/docket/papers', { invalidateAll: true });
	}
</script>

<div class="mt-2 flex flex-wrap gap-4">
	<button class="act" onclick={toggle('hand')}>give it to a colleague</button>
	<button class="act" onclick={toggle('aside')}>nothing to docket in it</button>
	<a class="act" href="/docket/papers/{paper.id}?download">download</a>
</div>
{#if doing === 'hand'}
	<ActionForm action="?/hand" class="mt-2 flex max-w-form items-end gap-2" ondone={given}>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="paperId" value={paper.id} />
			<SelectField
				label="Who has it now"
				name="staffId"
				bind:value={holderId}
				error={errors.staffId}
				class="grow"
			>
				{#each staff as { id, name } (id)}<option value={id}>{name}</option>{/each}
			</SelectField>
			<button class="btn" disabled={busy}>Give it</button>
		{/snippet}
	</ActionForm>
{:else if doing === 'aside'}
	<ActionForm action="?/aside" stay class="mt-2 flex max-w-form items-end gap-2" ondone={putAside}>
		{#snippet children({ errors, busy })}
			<input type="hidden" name="paperId" value={paper.id} />
			<TextField
				label="Why there is nothing to docket"
				name="reason"
				bind:value={reason}
				error={errors.reason}
				class="grow"
				autocomplete="off"
			/>
			<button class="btn" disabled={busy}>Put it aside</button>
		{/snippet}
	</ActionForm>
{/if}
