<!-- Whose calendar is looked at: changed in one choice, others laid over it. -->
<script lang="ts">
	import { goto } from '$app/navigation';
	type Person = { id: string; name: string };
	type Props = {
		chosen: Person[];
		people: Person[];
		offices: string[];
		teams: { id: string; name: string }[];
		who: string;
		me: string;
		matter: { number: string; title: string } | null;
		hrefOf: (who: string | null) => string;
	};
	let { chosen, people, offices, teams, who, me, matter, hrefOf }: Props = $props();
	const isGroup = $derived(who === 'all' || who.includes(':'));
	const visit = (next: string | null) =>
		void goto(hrefOf(next), { keepFocus: true, noScroll: true });
	const ids = $derived(chosen.map(({ id }) => id));
	const without = (id: string) => ids.filter((one) => one !== id).join(',') || null;
	const MOST_NAMES = 4;
</script>

{#if matter}
	<p>
		Everything of <a class="act" href="/matters/{matter.number}">{matter.number}</a>
		<a class="act ml-3" href={hrefOf(null)}>my own calendar</a>
	</p>
{:else}
	<select
		class="box w-[190px]"
		aria-label="Whose calendar"
		value={who || me}
		onchange={({ currentTarget }) => visit(currentTarget.value === me ? null : currentTarget.value)}
	>
		<option value={me}>my own</option>
		<option value="all">everyone</option>
		{#each offices as office (office)}<option value="office:{office}">{office}</option>{/each}
		{#each teams as { id, name } (id)}<option value="team:{id}">{name}</option>{/each}
		{#each people.filter(({ id }) => id !== me) as { id, name } (id)}
			<option value={id}>{name}</option>
		{/each}
		{#if who.includes(',')}<option value={who}>{ids.length} together</option>{/if}
	</select>
	{#if !isGroup}
		{#each chosen.slice(0, MOST_NAMES) as { id, name } (id)}
			<span class="name">
				<i class:other={id !== me} aria-hidden="true"></i>{name}
				{#if chosen.length > 1}
					<a class="act" href={hrefOf(without(id))} aria-label="without {name}">×</a>
				{/if}
			</span>
		{/each}
		<select
			class="box w-[128px]"
			aria-label="Lay over it the calendar of"
			value=""
			onchange={({ currentTarget }) => visit([...ids, currentTarget.value].join(','))}
		>
			<option value="">and someone</option>
			{#each people.filter(({ id }) => !ids.includes(id)) as { id, name } (id)}
				<option value={id}>{name}</option>
			{/each}
		</select>
	{/if}
{/if}

<style>
	.name {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		font-weight: 500;
	}
	i {
		width: 16px;
		height: 4px;
		background: var(--color-ink);
	}
	i.other {
		background: none;
		height: 6px;
		border-block: 2px solid var(--color-ink);
	}
</style>
