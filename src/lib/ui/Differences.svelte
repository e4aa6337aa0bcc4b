<!-- Two people changed the same thing: both versions side by side, and one choice for each. -->
<script lang="ts">
	import type { Difference } from '#server/app/errors.ts';
	type Props = {
		by: string;
		differences: Difference[];
		choice: Record<string, 'theirs' | 'yours'>;
	};
	let { by, differences, choice = $bindable() }: Props = $props();
</script>

<div class="border-l-[3px] border-saffron bg-saffron-wash px-4 py-3" role="alert" data-differences>
	<p class="font-semibold">
		{by} changed this while you wrote. Nothing is lost: choose what holds, then save again.
	</p>
	{#each differences as d (d.field)}
		<fieldset class="mt-2.5">
			<legend class="font-semibold">{d.name}</legend>
			<label class="mt-1 flex gap-2"
				><input
					type="radio"
					name="keep-{d.field}"
					value="yours"
					bind:group={choice[d.field]}
				/><span
					><span class="text-saffron-deep">yours:</span>
					<span class="break-words whitespace-pre-line">{d.yours || 'nothing'}</span></span
				></label
			>
			<label class="mt-1 flex gap-2"
				><input
					type="radio"
					name="keep-{d.field}"
					value="theirs"
					bind:group={choice[d.field]}
				/><span
					><span class="text-saffron-deep">{by}:</span>
					<span class="break-words whitespace-pre-line">{d.theirs || 'nothing'}</span></span
				></label
			>
		</fieldset>
	{/each}
</div>
