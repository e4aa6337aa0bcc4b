<!-- A word of the department's own on a date, as if pencilled beside it. -->
<script lang="ts">
	type Props = { mark: string | null; class?: string };
	let { mark, class: more = '' }: Props = $props();
</script>

{#if mark}
	<span class={['read ml-1.5 whitespace-nowrap text-petrol italic', more]} data-working-mark={mark}>
		<span class="vh">marked</span>
		{mark}
	</span>
{/if}
