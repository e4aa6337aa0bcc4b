<script lang="ts">
	import '../app.css';
	import { Toaster } from 'svelte-sonner';
	let { children } = $props();
</script>

{@render children()}
<Toaster position="bottom-left" duration={6000} offset={{ bottom: 62 }} />
