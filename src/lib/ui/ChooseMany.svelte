<!-- Any number of a list, each with its box; nothing where the list is empty. -->
<script lang="ts">
	type Props = {
		label: string;
		name: string;
		options: readonly { id: string; label: string; about?: string }[];
		chosen: string[];
		error?: string | undefined;
	};
	let { label, name, options, chosen = $bindable(), error }: Props = $props();
</script>

{#if options.length}
	<fieldset>
		<legend class="label">{label}</legend>
		<div class="max-h-[150px] overflow-y-auto border border-rule p-2">
			{#each options as { id, label: words, about } (id)}
				<label class="flex gap-2 py-0.5">
					<input type="checkbox" {name} value={id} bind:group={chosen} class="accent-petrol" />
					<span>
						{words}
						{#if about}<span class="sub">{about}</span>{/if}
					</span>
				</label>
			{/each}
		</div>
		{#if error}<p class="fault">{error}</p>{/if}
	</fieldset>
{/if}
