<script lang="ts">
	import { toast } from 'svelte-sonner';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import HouseTabs from '$lib/shell/HouseTabs.svelte';
	let { data } = $props();
</script>

<svelte:head><title>Staff · Kite Pen</title></svelte:head>
<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Staff</h1>
		<span class="sub grow"
			>to whom a date goes that nobody on the matter has said they saw; without a supervisor, to the
			docket clerk</span
		><HouseTabs />
	</div>
	<table class="list mt-4 max-w-form">
		<thead><tr><th>Name</th><th>Role</th><th class="w-[320px]">Supervisor</th></tr></thead>
		<tbody
			>{#each data.people as s (s.id)}
				<tr
					><td><b class="font-semibold">{s.name}</b></td><td class="sub">{s.role}</td><td>
						<ActionForm
							action="?/supervisor"
							class="flex items-center gap-2"
							ondone={() => {
								toast('Kept.');
							}}
							>{#snippet children({ errors, busy })}<input
									type="hidden"
									name="staffId"
									value={s.id}
								/><select
									class="box"
									name="supervisorId"
									aria-label="Supervisor of {s.name}"
									value={s.supervisor ?? ''}
									onchange={(e) => e.currentTarget.form?.requestSubmit()}
									disabled={busy}
									><option value="">none</option
									>{#each data.people.filter((x) => x.id !== s.id) as x (x.id)}<option value={x.id}
											>{x.name}</option
										>{/each}</select
								>{#if errors.supervisorId}<span class="fault">{errors.supervisorId}</span
									>{/if}{/snippet}</ActionForm
						>
					</td></tr
				>
			{/each}</tbody
		>
	</table>
</div>
