<!-- One row of the order: what, when, where, by which paragraph. -->
<script lang="ts">
	import { formatDay } from '$lib/ui/format.ts';
	import DayCell from './DayCell.svelte';
	import type { Choice, TableRow } from './schedule-rows.ts';
	type Props = {
		row: TableRow;
		at: number;
		choices: Choice[];
		today: string;
		errors: Record<string, string>;
		remark: string;
		onremove: () => void;
	};
	let { row = $bindable(), at, choices, today, errors, remark, onremove }: Props = $props();
	const field = (name: string) => errors[`rows.${at}.${name}`];
	const label = (name: string) => `Row ${at + 1}: ${name}`;
	const isCounted = $derived(row.what === 'count');
	const ahead = $derived(choices.filter((choice) => choice.ahead && choice.ahead !== 'date'));
	const settled = $derived(row.was?.settled ?? '');
	const faults = $derived(
		['title', 'eventKey', 'count', 'time', 'place', 'authority', 'deadlineId']
			.map(field)
			.filter(Boolean)
	);
	const changed = $derived(
		row.was !== null && (row.was.date !== row.date || row.was.time !== row.time)
	);
</script>

<tr data-row={row.title} class:opacity-60={row.gone || settled}>
	<td class="w-[150px] pt-1.5 align-top">
		<input type="hidden" name="rows.{at}.deadlineId" value={row.deadlineId} />
		<input type="hidden" name="rows.{at}.gone" value={row.gone ? 'on' : ''} />
		<input
			type="hidden"
			name="rows.{at}.what"
			value={row.what.startsWith('event:') ? 'event' : row.what}
		/>
		<input
			type="hidden"
			name="rows.{at}.eventKey"
			value={row.what.startsWith('event:') ? row.what.slice(6) : isCounted ? row.from : ''}
		/>
		<select
			class="box"
			aria-label={label('what it is')}
			bind:value={row.what}
			disabled={row.deadlineId !== ''}
		>
			<option value="deadline">Date</option>
			<option value="hearing">Hearing</option>
			<option value="conference">Conference</option>
			<option value="trial">Trial</option>
			<option value="deposition">Deposition</option>
			<option value="count">Days from an event</option>
			{#if ahead.length}
				<optgroup label="With its dates by rule">
					{#each ahead as choice (choice.id)}
						<option value="event:{choice.id}">{choice.text}</option>
					{/each}
				</optgroup>
			{/if}
		</select>
	</td>
	<td class="pt-1.5 align-top">
		<input
			class="box"
			class:line-through={row.gone}
			name="rows.{at}.title"
			aria-label={label('title')}
			bind:value={row.title}
			placeholder={row.what.startsWith('event:') ? 'which one, if there are several' : 'title'}
			autocomplete="off"
		/>
		{#each faults as fault (fault)}<span class="fault block text-note">{fault}</span>{/each}
		{#if settled}<span class="sub block text-note">{settled}: it stays</span>{/if}
		{#if remark && !row.gone}
			<span class="block text-note text-saffron-ink" data-remark>{remark}</span>
		{/if}
	</td>
	{#if isCounted}
		<td colspan="2" class="w-[250px] pt-1.5 align-top">
			<div class="flex gap-2">
				<input
					class="box w-[74px]"
					name="rows.{at}.count"
					aria-label={label('days')}
					bind:value={row.count}
					placeholder="-14d"
				/>
				<select class="box" aria-label={label('counted from')} bind:value={row.from}>
					<option value="">{row.said ? `“${row.said}”: which event?` : 'from which event'}</option>
					{#each choices as choice (choice.id)}<option value={choice.id}>{choice.text}</option
						>{/each}
				</select>
			</div>
		</td>
	{:else}
		<td class="w-[165px] pt-1.5 align-top">
			<DayCell
				bind:value={row.date}
				name="rows.{at}.date"
				label={label('date')}
				{today}
				error={field('date')}
			/>
			{#if row.was && changed}
				<span class="block text-note whitespace-nowrap text-saffron-ink" data-was>
					was {formatDay(row.was.date, today)}{row.was.time ? ` ${row.was.time}` : ''}
				</span>
			{/if}
		</td>
		<td class="w-[84px] pt-1.5 align-top">
			<input
				class="box"
				name="rows.{at}.time"
				aria-label={label('time')}
				bind:value={row.time}
				placeholder="time"
			/>
		</td>
	{/if}
	<td class="w-[130px] pt-1.5 align-top">
		<input
			class="box"
			name="rows.{at}.place"
			aria-label={label('place')}
			bind:value={row.place}
			placeholder="place"
		/>
	</td>
	<td class="w-[112px] pt-1.5 align-top">
		<select class="box" name="rows.{at}.act" aria-label={label('act')} bind:value={row.act}>
			<option value="file">file</option>
			<option value="serve">serve or do</option>
		</select>
	</td>
	<td class="w-[86px] pt-1.5 align-top">
		<input
			class="box"
			name="rows.{at}.authority"
			aria-label={label('paragraph')}
			bind:value={row.authority}
			placeholder="¶"
		/>
	</td>
	<td class="w-[70px] pt-1.5 align-top">
		{#if !settled}
			<button
				type="button"
				class="act"
				aria-label="{row.gone ? 'Keep' : 'Take out'} row {at + 1}"
				onclick={onremove}
			>
				{row.gone ? 'keep' : 'take out'}
			</button>
		{/if}
	</td>
</tr>
