<script lang="ts">
	import '../app.css';
	import { onMount } from 'svelte';
	import { afterNavigate, beforeNavigate } from '$app/navigation';
	let { children } = $props();
	/**
	 * Tells who looks from outside that the page answers: its script has taken over, and it leads
	 * nowhere else just now.
	 */
	const mark = (ready: boolean) => (document.documentElement.dataset.ready = ready ? 'yes' : 'no');
	onMount(() => void mark(true));
	beforeNavigate(({ willUnload }) => void (willUnload || mark(false)));
	afterNavigate(() => void mark(true));
</script>

{@render children()}
