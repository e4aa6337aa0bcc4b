<script lang="ts">
	import { goto } from '$app/navigation';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	let { data } = $props();
	let adding = $state(false),
		name = $state(''),
		like = $state('litigation');
</script>

<svelte:head><title>Matter kinds · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-center gap-3">
		<h1 class="grow">Matter kinds</h1>
		<HouseTabs /><button class="btn go" onclick={() => (adding = !adding)}>Add a kind</button>
	</div>
	{#if adding}<ActionForm
			action="?/add"
			class="mt-3 flex flex-wrap items-end gap-3"
			ondone={async (d) => {
				await goto(`/kinds/${d.kindId}`);
			}}
			>{#snippet children({ errors, busy })}<label
					><span class="label">Name</span><input
						class="box w-64"
						name="name"
						bind:value={name}
						aria-invalid={errors.name ? 'true' : undefined}
					/></label
				><label
					><span class="label">Begins like</span><select
						class="box w-52"
						name="like"
						bind:value={like}
						>{#each data.list as k (k.id)}<option value={k.id}>{k.name}</option>{/each}</select
					></label
				><button class="btn go" disabled={busy}>Add the kind</button>{#if errors.name}<p
						class="fault w-full"
					>
						{errors.name}
					</p>{/if}{/snippet}</ActionForm
		>{/if}
	<table class="list mt-3">
		<thead
			><tr
				><th>Kind</th><th class="num">Matters</th><th class="num">Facts</th><th class="num"
					>Repeating groups</th
				><th class="num">Roles</th><th class="num">Folders</th><th class="num">First tasks</th><th
					class="num">Quiet after</th
				><th class="num">Old after</th><th class="num">Kept</th></tr
			></thead
		><tbody>
			{#each data.list as k (k.id)}<tr class="link"
					><td
						><a class="font-semibold" href="/kinds/{k.id}">{k.name}</a>{#if !k.active}<span
								class="sub ml-2">out of use</span
							>{/if}</td
					><td class="num">{k.matters}</td><td class="num">{k.facts}</td><td class="num"
						>{k.groups || ''}</td
					><td class="num">{k.roles}</td><td class="num">{k.folders}</td><td class="num"
						>{k.tasks || ''}</td
					><td class="num">{k.quietDays} d</td><td class="num">{k.ageDays} d</td><td class="num"
						>{k.retentionYears} y</td
					></tr
				>{/each}
		</tbody>
	</table>
</div>
