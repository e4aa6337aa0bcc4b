<script lang="ts">
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	import DataTable from '$lib/ui/DataTable.svelte';
	import type { Column } from '$lib/ui/table.ts';
	import AccountDrawer from './AccountDrawer.svelte';
	import AddAccount from './AddAccount.svelte';
	import HeadReaders from './HeadReaders.svelte';
	import InterestReader from './InterestReader.svelte';
	import Orphans from './Orphans.svelte';
	import StrictRoles from './StrictRoles.svelte';
	let { data } = $props();
	type Account = (typeof data.accounts)[number];
	let adding = $state(false);
	let openId = $state('');
	const account = $derived(data.accounts.find(({ id }) => id === openId));
	const columns: Column<Account>[] = [
		{ key: 'name', label: 'Name', cell: name },
		{ key: 'login', label: 'Signs in as', text: ({ login }) => login, class: 'max-md:hidden' },
		{ key: 'role', label: 'Role', text: ({ roleName }) => roleName, class: 'sub' },
		{
			key: 'state',
			label: 'Now',
			text: ({ active, sessions }) =>
				active ? (sessions ? 'signed in' : '') : 'not in use any more',
			class: 'sub'
		}
	];
</script>

<svelte:head><title>Accounts · Kite Pen</title></svelte:head>
{#snippet name({ id, name: words, active }: Account)}
	<button class={['act', { 'text-ink-2': !active }]} onclick={() => (openId = id)}>{words}</button>
{/snippet}

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Accounts</h1>
		<span class="sub grow">who may sign in, and as what</span>
		<HouseTabs />
	</div>
	<div class="mt-3">
		<button class="btn go" onclick={() => (adding = true)}>Add an account</button>
	</div>
	<DataTable {columns} rows={data.accounts} id={({ id }) => id} class="mt-3 max-w-page" />
	<StrictRoles roles={data.roles} strict={data.strict} />
	{#if data.orphans.length}
		<Orphans orphans={data.orphans} accounts={data.accounts} me={data.me.id} />
	{/if}
	<InterestReader reader={data.reader} />
	<HeadReaders staff={data.staff} readers={data.headReaders} />
</div>
<AddAccount bind:open={adding} roles={data.roles} levels={data.levels} />
{#if account}
	{#key account.id}
		<AccountDrawer
			{account}
			accounts={data.accounts}
			roles={data.roles}
			levels={data.levels}
			own={account.id === data.me.id}
			bind:open={
				() => openId !== '',
				(open) => {
					if (!open) openId = '';
				}
			}
		/>
	{/key}
{/if}
