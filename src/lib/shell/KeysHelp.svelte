<!-- The keys of the screens, in a list. -->
<script lang="ts">
	const KEYS = [
		['/', 'to the pen line'],
		['n', 'open a matter'],
		['m', 'pinned and recent matters'],
		['d', 'to the docket'],
		['s', 'to the second check'],
		['e', 'on a matter: enter an event'],
		['[ ] t', 'calendar: earlier, later, today'],
		['a', 'calendar: add an appointment'],
		[', . o', 'calendar: a colleague’s, one’s own'],
		['Alt ↑', 'calendar: move it; with Shift its end'],
		['Enter', 'commit the line, open a hit'],
		['Esc', 'leave, close'],
		['?', 'this list']
	] as const;
</script>

<div class="keys" role="dialog" aria-label="Keys">
	<h2 class="ruled">Keys</h2>
	<dl class="mt-2 grid grid-cols-[70px_1fr] gap-y-1.5">
		{#each KEYS as [key, act] (key)}
			<dt><span class="key">{key}</span></dt>
			<dd>{act}</dd>
		{/each}
	</dl>
</div>
