<!-- What every printed page says at its foot: who printed it, and when. -->
<script lang="ts">
	let { name }: { name: string } = $props();
	function say() {
		const when = new Date().toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' });
		const words = `Printed by ${name}, ${when}`.replaceAll('"', '');
		document.documentElement.style.setProperty('--printed', `"${words}"`);
	}
</script>

<svelte:window onbeforeprint={say} />
