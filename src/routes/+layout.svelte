<script lang="ts">
	import '../app.css';
	import { onMount } from 'svelte';
	import { Toaster } from 'svelte-sonner';
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
<!-- Above everything that is typed or pressed: a toast never lies over a field or its button. -->
<Toaster
	position="top-center"
	duration={6000}
	offset={{ top: 54 }}
	mobileOffset={{ top: 54 }}
	style="font-family: var(--font-ui)"
/>
