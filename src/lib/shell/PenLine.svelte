<!-- The pen line at the foot of every screen: shows what it understood before Enter commits it. -->
<script lang="ts">
	import { onMount } from 'svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { say } from '$lib/ui/say.svelte.ts';
	import { formatClock } from '#core/format/hours.ts';
	import type { TimerView } from '#server/time/queries.ts';
	import { askServer } from '$lib/ui/ask.ts';
	import { bindKeys } from '$lib/ui/keys.ts';
	import Mark from '$lib/ui/Mark.svelte';
	import Said from '$lib/ui/Said.svelte';
	import { saying } from '$lib/ui/say.svelte.ts';
	import PenEvent, { type Parts } from './PenEvent.svelte';
	import PenHits from './PenHits.svelte';
	import PenParts from './PenParts.svelte';
	import PenShown, { type Answer } from './PenShown.svelte';
	import { opening } from '$lib/matters/opening.svelte.ts';

	let { timers }: { timers: TimerView[] } = $props();
	let line = $state('');
	let got = $state<Answer | null>(null);
	let at = $state(0);
	let fault = $state('');
	let input: HTMLInputElement;
	let asked = 0;
	/** What was corrected of the event in place; another line begins without. */
	let parts = $state<Parts>({});
	type Undo = Record<string, string>;
	/** The last act, which can be taken back for as long as the page stays. */
	let last = $state<{ message: string; undo: Undo } | null>(null);
	/** What is shown is not yet the answer to what is written. */
	let asking = $state(false);
	const current = $derived((page.data as { caption?: { number: string } }).caption?.number ?? '');
	const running = $derived(timers.find((t) => t.running) ?? timers[0]);
	let base = $state(Date.now());
	let now = $state(Date.now());
	$effect(() => {
		void timers;
		base = Date.now();
		now = base;
	});
	$effect(() => {
		if (!running?.running) return;
		const t = setInterval(() => (now = Date.now()), 1000);
		return () => clearInterval(t);
	});
	const ms = $derived(running ? running.ms + (running.running ? Math.max(0, now - base) : 0) : 0);

	async function ask() {
		fault = '';
		at = 0;
		const mine = ++asked;
		if (!line.trim()) {
			got = null;
			asking = false;
			return;
		}
		asking = true;
		const query = new URLSearchParams({ line, current, ...parts });
		const response = await fetch(`/api/pen?${query}`);
		const answer = response.ok ? ((await response.json()) as Answer) : null;
		// A slow answer to an earlier line never replaces that to a later one.
		if (mine !== asked) return;
		if (answer) got = answer;
		asking = false;
	}
	async function commit() {
		await ask();
		if (!got) return;
		const u = got.understood;
		if (u.kind === 'count') {
			const c = got.counted!;
			if (c.fault) fault = c.fault;
			else {
				await leave();
				await goto(c.href);
			}
		} else if (u.kind === 'go') {
			await leave();
			await goto(u.place!);
		} else if (u.kind === 'open') {
			const words = u.words ?? '';
			await leave();
			opening.show(words);
		} else if (u.kind === 'find') {
			const h = got.hits[at];
			if (h) {
				await leave();
				await goto(h.href);
			} else fault = 'Nothing found that you may see.';
		} else {
			type Done = { message: string; undo?: Undo; go?: string };
			const done = await askServer<Done>('/api/pen', { line, current, parts });
			if (!done.ok) {
				fault = done.message;
				return;
			}
			const body = done.value;
			await leave();
			const { message, undo: back, go } = body;
			last = back ? { message, undo: back } : null;
			say(message, {
				...(back ? { action: { label: 'Take back', onClick: () => void undo(back) } } : {}),
				...(go ? { cancel: { label: 'See', onClick: () => void goto(go) } } : {})
			});
			await invalidateAll();
		}
	}
	async function undo(what: Undo) {
		const done = await askServer('/api/pen', what, 'DELETE');
		say(done.ok ? 'Taken back.' : done.message);
		if (done.ok) last = null;
		await invalidateAll();
	}
	async function leave() {
		line = '';
		got = null;
		fault = '';
		parts = {};
		input.blur();
	}
	function key(e: KeyboardEvent) {
		if (e.key === 'Enter') {
			e.preventDefault();
			void commit();
		} else if (e.key === 'Escape') {
			void leave();
		} else if (e.key === 'ArrowDown' && got?.hits.length) {
			e.preventDefault();
			at = (at + 1) % got.hits.length;
		} else if (e.key === 'ArrowUp' && got?.hits.length) {
			e.preventDefault();
			at = (at + got.hits.length - 1) % got.hits.length;
		}
	}
	onMount(() =>
		bindKeys({
			'/'(event) {
				event.preventDefault();
				input.focus();
			}
		})
	);
	async function timer(action: string) {
		const body = new FormData();
		body.set('timerId', running!.id);
		const r = await fetch(`/time?/${action}`, {
			method: 'POST',
			body,
			headers: { 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
		if (!r.ok) say('The timer could not be changed.');
		await invalidateAll();
	}
	const u = $derived(got?.understood);
	/** Above the line stands what of it may be corrected in place. */
	const hasParts = $derived(
		got !== null &&
			(u?.kind === 'appointment' ||
				got.fits.length > 1 ||
				(got.matter !== null && (u?.kind === 'time' || (u?.kind === 'task' && got.task !== null))))
	);
	function oncorrect(part: Parts) {
		parts = { ...parts, ...part };
		void ask();
	}
	const listed = $derived(u?.kind === 'find' && line.trim() !== '');
</script>

<footer class="pen no-print">
	{#if hasParts}
		<PenParts
			got={got!}
			today={page.data.today}
			{oncorrect}
			oncommit={commit}
			fault={fault || (u?.fault ?? '')}
		/>
	{:else if u?.kind === 'event' && got?.entry}
		<PenEvent
			entry={got.entry}
			matter={got.matter?.title ?? ''}
			today={page.data.today}
			{oncorrect}
			oncommit={commit}
			fault={fault || ('fault' in u ? (u.fault ?? '') : '')}
		/>
	{/if}
	{#if listed}<PenHits hits={got!.hits} {at} looking={asking} onopen={leave} />{/if}
	<div class="line">
		<svg width="20" height="20" viewBox="0 0 16 16" aria-hidden="true"
			><path
				d="M2 14 4.5 7 10 2l4 4-5 5.5Z"
				fill="none"
				stroke="var(--color-ink)"
				stroke-width="1.3"
				stroke-linejoin="round"
			/><path d="M2 14l5-5" stroke="var(--color-ink)" stroke-width="1.2" /></svg
		>
		{#if u?.kind === 'time' || u?.kind === 'note' || u?.kind === 'event' || u?.kind === 'task' || u?.kind === 'count' || u?.kind === 'appointment'}<span
				class="note"
				style="color:var(--color-petrol);border-color:var(--color-petrol)">{u.kind}</span
			>{/if}
		<Said />
		<input
			bind:this={input}
			bind:value={line}
			onfocus={() => saying.clear()}
			oninput={() => {
				parts = {};
				void ask();
			}}
			onkeydown={key}
			class={['write', { aside: saying.said }]}
			style={u && u.kind !== 'find' && u.kind !== 'empty' && u.kind !== 'event'
				? `flex: 0 1 ${Math.max(12, line.length) + 1}ch`
				: ''}
			aria-label="Pen line: find, log time, note, task, event, count, go"
			aria-controls="pen-hits"
			role="combobox"
			aria-expanded={listed}
			aria-activedescendant={listed && got!.hits.length ? `pen-hit-${at}` : undefined}
			placeholder="Write a line: 0.4 LF-2026-0031 call about extension"
			autocomplete="off"
			spellcheck="false"
		/>
		<PenShown
			{got}
			{fault}
			isApart={hasParts || (u?.kind === 'event' && got?.entry != null)}
			last={last && !line && !saying.said ? last.message : ''}
			onundo={() => void undo(last!.undo)}
		/>
	</div>
	{#if running}
		<div class="timer">
			{#if running.running}<span class="dot" aria-hidden="true"></span>{/if}
			<a href="/time" class="max-w-[190px] truncate font-medium text-ink-2 max-lg:hidden"
				>{running.matterNumber} {running.matterTitle}</a
			>
			<b class="read" role="timer" aria-label="{running.running ? 'Running' : 'Paused'} timer"
				>{formatClock(ms)}</b
			>
			<button class="btn" onclick={() => void timer(running.running ? 'pause' : 'resume')}
				>{running.running ? 'Pause' : 'Resume'}</button
			>
		</div>
	{:else}<div class="timer hints sub">
			<Mark kind="signing" color="var(--color-ink-3)" /> <span class="key">/</span> to write,
			<span class="key">?</span> for keys
		</div>{/if}
</footer>

<style>
	.pen {
		position: relative;
		height: 50px;
		background: var(--color-white);
		border-top: 2px solid var(--color-ink);
		display: flex;
		align-items: center;
		padding: 0 20px;
		gap: 14px;
		z-index: 20;
	}
	.line {
		flex: 1;
		display: flex;
		align-items: center;
		gap: 10px;
		min-width: 0;
	}
	.write {
		flex: 1;
		min-width: 60px;
		height: 40px;
		font: 400 17px/1 var(--font-read);
		background: transparent;
		outline: none;
	}
	.line:focus-within {
		box-shadow: inset 0 -2px 0 var(--color-saffron);
	}
	/* What was done stands where the line says what may be written. */
	.write.aside {
		flex: 0 1 60px;
	}
	.write.aside::placeholder {
		color: transparent;
	}
	.line :global(.said:has([data-said])) {
		flex: 1;
	}
	.write::placeholder {
		font-style: italic;
	}
	.timer {
		display: flex;
		align-items: center;
		gap: 10px;
		border-left: 1px solid var(--color-rule);
		padding-left: 16px;
		height: 34px;
		white-space: nowrap;
	}
	.timer b {
		font: 500 19px/1 var(--font-read);
	}
	.dot {
		width: 9px;
		height: 9px;
		background: var(--color-madder);
		border-radius: 50%;
	}
	.pen > :global(.parts) {
		position: absolute;
		left: 54px;
		bottom: 52px;
		width: min(760px, calc(100vw - 74px));
		padding: 10px 12px;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-bottom: 0;
		border-radius: 6px 6px 0 0;
		box-shadow: var(--shadow-foot);
	}
	@media (max-width: 767px) {
		.pen {
			padding: 0 10px;
		}
		/* Whoever writes needs the room. */
		.line:focus-within + .timer {
			display: none;
		}
		.hints {
			display: none;
		}
	}
</style>
