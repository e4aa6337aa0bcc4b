<!--
	What stands beside the matter: links, numbers of others, related matters, requests, checks of
	interest.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Choose from '$lib/ui/Choose.svelte';
	import Section from '$lib/ui/Section.svelte';
	import { findMatters } from '$lib/people/find.ts';
	import type { PageData } from './$types.js';
	let { data }: { data: PageData } = $props();
	const caption = $derived(data.caption);
	/** Links of its kind, but for those that the matter has by the same name. */
	const proposed = $derived(
		data.proposedLinks.filter(({ name }) => !data.links.some((link) => link.name === name))
	);
	let adding = $state<'' | 'link' | 'number' | 'related'>(''),
		other = $state('');
</script>

<Section title="Beside it">
	{#snippet tools()}{#if caption.mayChange}<button
				class="act"
				onclick={() => (adding = adding === 'link' ? '' : 'link')}>link</button
			><button class="act" onclick={() => (adding = adding === 'number' ? '' : 'number')}
				>number</button
			><button class="act" onclick={() => (adding = adding === 'related' ? '' : 'related')}
				>related</button
			>{/if}{/snippet}
	{#if adding === 'link'}<ActionForm
			action="?/link"
			class="mt-2 flex flex-col gap-2"
			ondone={() => {
				adding = '';
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="matterId"
					value={caption.id}
				/><input
					class="box"
					name="name"
					placeholder="Court docket, filing portal, room booking"
					aria-label="Name of the link"
				/><input
					class="box"
					name="url"
					placeholder="court.example/case"
					aria-label="Address of the page"
				/>{#each Object.values(errors).filter(Boolean) as e (e)}<p class="fault">{e}</p>{/each}
				<div>
					<button class="btn" disabled={busy}>Add the link</button>
				</div>{/snippet}</ActionForm
		>
	{:else if adding === 'number'}<ActionForm
			action="?/reference"
			class="mt-2 flex flex-col gap-2"
			ondone={() => {
				adding = '';
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="matterId"
					value={caption.id}
				/><input
					class="box"
					name="whose"
					list="whose"
					placeholder="Whose"
					aria-label="Whose number"
				/><datalist id="whose"
					><option>insurer</option><option>outside counsel</option><option>agency</option><option
						>court</option
					><option>other side</option></datalist
				><input
					class="box"
					name="number"
					placeholder="Number"
					aria-label="The number"
				/>{#each Object.values(errors).filter(Boolean) as e (e)}<p class="fault">{e}</p>{/each}
				<div>
					<button class="btn" disabled={busy}>Add the number</button>
				</div>{/snippet}</ActionForm
		>
	{:else if adding === 'related'}<ActionForm
			action="?/relate"
			class="mt-2 flex flex-col gap-2"
			ondone={() => {
				adding = '';
				other = '';
			}}
			>{#snippet children({ errors, busy })}<input
					type="hidden"
					name="matterId"
					value={caption.id}
				/><select class="box" name="how" aria-label="How they are related"
					>{#each data.relations as r (r)}<option value={r}>{r}</option>{/each}</select
				><Choose
					label="The other matter"
					name="number"
					bind:value={other}
					find={findMatters}
					error={errors.number}
				/>
				<div>
					<button class="btn" disabled={busy}>Relate them</button>
				</div>{/snippet}</ActionForm
		>{/if}
	{#each data.links as l (l.name + l.url)}<div class="row flex h-9 items-center gap-2">
			<a
				class="grow truncate font-semibold text-petrol hover:underline"
				href={l.url}
				rel="noreferrer"
				target="_blank">{l.name}</a
			><RowAction
				action="?/removeLink"
				fields={{ matterId: caption.id, name: l.name, url: l.url }}
				look="act no-print"
				aria-label="take out the link {l.name}">take out</RowAction
			>
		</div>{/each}
	{#each proposed as { name, url } (name)}<div class="row flex h-9 items-center gap-2">
			<a
				class="grow truncate text-petrol hover:underline"
				href={url}
				rel="noreferrer"
				target="_blank">{name}</a
			><span class="sub">of its kind</span>
		</div>{/each}
	{#each data.references as r (r.whose + r.number)}<div class="row flex h-9 items-center gap-2">
			<span class="sub">{r.whose}</span><b class="grow truncate font-semibold">{r.number}</b
			><RowAction
				action="?/removeReference"
				fields={{ matterId: caption.id, whose: r.whose, number: r.number }}
				look="act no-print"
				aria-label="take out the number {r.number}">take out</RowAction
			>
		</div>{/each}
	{#each data.related as r (r.number)}<div class="row flex min-h-9 items-center gap-2 py-1">
			<span class="min-w-0 grow"
				><a class="font-semibold hover:underline" href="/matters/{r.number}">{r.title}</a>
				<span class="sub">{r.first ? `this is ${r.how} it` : `is ${r.how} this`}</span></span
			><RowAction
				action="?/unrelate"
				fields={{ matterId: caption.id, number: r.number }}
				look="act no-print"
				aria-label="take out the relation to {r.number}">take out</RowAction
			>
		</div>{/each}
	{#each data.requests as r (r.id)}<a
			class="row flex h-9 items-center gap-2 hover:bg-sail"
			href="/requests/{r.id}"
			><span class="sub">{r.number}</span><span class="truncate">{r.about}</span></a
		>{/each}
	{#each data.checks as k (k.id)}<a
			class="row flex h-9 items-center gap-2 hover:bg-sail"
			href="/interest/{k.id}"
			><span class="sub whitespace-nowrap">interest check</span><span class="grow truncate"
				>{k.names.join(', ')}</span
			><span class="sub">{k.decision ?? 'open'}</span></a
		>{/each}
	{#if data.links.length + proposed.length + data.references.length + data.related.length + data.requests.length + data.checks.length === 0 && adding === ''}<p
			class="sub mt-2"
		>
			Links, numbers of others, related matters.
		</p>{/if}
</Section>
