<!-- How somebody is reached, is known, and what they are to others and to our business units. -->
<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	import type { PageData } from './$types.js';
	import { CONTACT_WORDS } from './words.ts';
	let { person }: { person: PageData['person'] } = $props();
	const fields = $derived(person.fields);
	/** A note of one who is not to be contacted stands above the card already. */
	const note = $derived(fields.status === 'do not contact' ? '' : fields.note);
	const known = $derived(
		[
			['Printed', fields.printed],
			['Also', fields.aliases],
			['Formerly', fields.former],
			['Industry', fields.industry]
		].filter(([, text]) => text)
	);
	const isAnything = $derived(
		known.length || person.parent || person.affiliates.length || person.own.length || note
	);
</script>

<Section title="Reach">
	{#each person.contacts as { kind, label, value }, at (at)}
		<div class="row flex min-h-9 gap-3 py-1.5">
			<span class="sub w-[84px] shrink-0">
				{CONTACT_WORDS[kind]}{label ? `, ${label}` : ''}
			</span>
			<span class="min-w-0 grow font-medium break-words whitespace-pre-line">
				{#if kind === 'mail'}
					<a class="text-petrol" href="mailto:{value}">{value}</a>
				{:else if kind === 'phone'}
					<a class="text-petrol" href="tel:{value.replace(/[^\d+]/g, '')}">{value}</a>
				{:else if kind === 'web'}
					<a class="text-petrol" href={value} rel="noreferrer" target="_blank">{value}</a>
				{:else}{value}{/if}
			</span>
		</div>
	{:else}
		<p class="sub mt-2">No address.</p>
	{/each}
	{#each person.ties.functions as { function: does, id, name, mail } (does + id)}
		<div class="row flex min-h-9 gap-3 py-1.5" data-function={does}>
			<span class="sub w-[84px] shrink-0">{does}</span>
			<span class="min-w-0 grow">
				<a class="font-medium hover:underline" href="/people/{id}">{name}</a>
				{#if mail}<a class="block text-petrol" href="mailto:{mail}">{mail}</a>{/if}
			</span>
		</div>
	{/each}
</Section>
{#if isAnything}
	<Section title="Known as">
		<dl class="mt-2 grid grid-cols-[96px_minmax(0,1fr)] gap-y-1.5">
			{#each known as [label, text] (label)}
				<dt class="sub">{label}</dt>
				<dd class="break-words whitespace-pre-line">{text}</dd>
			{/each}
			{#if person.parent}
				<dt class="sub">Belongs to</dt>
				<dd>
					<a class="hover:underline" href="/people/{person.parent.id}">{person.parent.name}</a>
				</dd>
			{/if}
			{#if person.affiliates.length}
				<dt class="sub">Affiliates</dt>
				<dd>
					{#each person.affiliates as { id, name } (id)}
						<a class="block hover:underline" href="/people/{id}">{name}</a>
					{/each}
				</dd>
			{/if}
			{#each person.own as { key, name, text, type, value } (key)}
				<dt class="sub">{name}</dt>
				<dd class="break-words whitespace-pre-line">
					{#if type === 'web'}
						<a class="text-petrol" href={value} rel="noreferrer" target="_blank">{text}</a>
					{:else if type === 'person'}
						<a class="hover:underline" href="/people/{value}">{text}</a>
					{:else}{text}{/if}
				</dd>
			{/each}
			{#if note}
				<dt class="sub">Note</dt>
				<dd class="break-words whitespace-pre-line">{note}</dd>
			{/if}
		</dl>
	</Section>
{/if}
{#if person.ties.units.length || person.ties.serves.length}
	<Section title="For us and for others">
		{#each person.ties.units as { unit, relation, reference } (unit + relation + reference)}
			<div class="row flex min-h-9 gap-3 py-1.5" data-unit={unit}>
				<span class="grow">{relation} of {unit}</span>
				<span class="num font-medium">{reference}</span>
			</div>
		{/each}
		{#each person.ties.serves as { function: does, id, name } (does + id)}
			<div class="row flex min-h-9 gap-3 py-1.5">
				<span class="grow">{does} for</span>
				<a class="font-medium hover:underline" href="/people/{id}">{name}</a>
			</div>
		{/each}
	</Section>
{/if}
