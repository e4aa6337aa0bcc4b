<!-- Rows with a fault: all that is wrong with each beside its field, to be put right in place. -->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { PageData } from './$types.js';
	type Plan = NonNullable<PageData['plan']>;
	type Props = {
		rows: Plan['wrong'];
		more: number;
		fields: PageData['fields'];
		fileId: string;
		busy: boolean;
	};
	let { rows, more, fields, fileId, busy: isLooking }: Props = $props();
	const nameOf = (key: string) => fields.find((field) => field.key === key)?.name ?? key;
	/** Each field once, with all that is said of it. */
	const byField = (faults: Plan['wrong'][number]['faults']) =>
		[...new Set(faults.map(({ key }) => key))].map((key) => ({
			key,
			value: faults.find((fault) => fault.key === key)!.value,
			texts: faults.filter((fault) => fault.key === key).map(({ text }) => text)
		}));
</script>

<p class="mt-2">
	<a class="act" href="/imports/{fileId}/faults" download>All rows with a fault, as a file</a>
	<span class="sub">with what is wrong in a column of its own</span>
</p>
{#each rows as row (row.n)}
	<article class="border-b border-rule py-2.5" data-fault={row.n}>
		<ActionForm action="?/mend">
			{#snippet children({ busy })}
				<input type="hidden" name="n" value={row.n} />
				<p>
					<span class="sub">Row {row.n}</span>
					<b class="ml-2 font-semibold">{row.what || 'without a name'}</b>
				</p>
				<div class="mt-1 flex flex-wrap items-start gap-x-4 gap-y-2">
					{#each byField(row.faults) as { key, value, texts } (key)}
						{@const id = `row-${row.n}-${key}`}
						<div class="w-full max-w-[420px] min-w-0">
							<label class="label" for={id}>{nameOf(key)}, row {row.n}</label>
							<input
								{id}
								class="box"
								name={key}
								{value}
								aria-invalid="true"
								aria-describedby="{id}-why"
								autocomplete="off"
							/>
							<p class="fault mt-1" id="{id}-why">{texts.join(' ')}</p>
						</div>
					{/each}
					<button class="btn mt-5" disabled={busy || isLooking}>Put row {row.n} right</button>
				</div>
			{/snippet}
		</ActionForm>
		<RowAction
			action="?/decide"
			class="mt-1"
			fields={{ n: row.n, decision: 'out' }}
			disabled={isLooking}
		>
			leave row {row.n} out
		</RowAction>
	</article>
{/each}
{#if more}<p class="sub mt-2">
		And {plural(more, 'row')} more with a fault; the file has them all.
	</p>{/if}
