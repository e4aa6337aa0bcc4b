<script lang="ts">
	import { changeQuery } from '$lib/ui/address.ts';
	import FilterBar from '$lib/ui/FilterBar.svelte';
	import { page } from '$app/state';
	import type { LogEntry } from '#server/logbook/queries.ts';
	import Told from '$lib/logbook/Told.svelte';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import RowAction from '$lib/ui/RowAction.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { draft } from '$lib/ui/draft.svelte.ts';
	import { formatInstant, plural } from '$lib/ui/format.ts';
	let { data } = $props();
	// svelte-ignore state_referenced_locally
	const kept = draft(`note ${data.caption.id}`, { words: '', asks: false });
	let answering = $state<LogEntry | null>(null),
		reply = $state(''),
		box = $state<HTMLTextAreaElement>();
	let more = $state<LogEntry[]>([]),
		next = $state<string | null>(null),
		loading = $state(false);
	$effect(() => {
		void data.rows;
		more = [];
		next = data.next;
	});
	const rows = $derived([...data.rows, ...more]);
	const kinds = [
		['', 'All'],
		['note', 'Notes'],
		['date', 'Dates'],
		['task', 'Tasks'],
		['document', 'Documents'],
		['signing', 'Signing'],
		['time', 'Time'],
		['people', 'People'],
		['matter', 'Matter'],
		['cost', 'Cost']
	];
	const to = (change: Record<string, string>) => changeQuery(page.url.searchParams, change);
	async function fetchMore() {
		if (!next || loading) return;
		loading = true;
		const p = new URLSearchParams(page.url.searchParams);
		p.set('before', next);
		const r = await fetch(`/matters/${data.caption.number}/logbook/more?${p}`);
		if (r.ok) {
			const got = (await r.json()) as { rows: LogEntry[]; next: string | null };
			more = [...more, ...got.rows];
			next = got.next;
		}
		loading = false;
	}
	/** The next page is fetched before its place comes in sight. */
	function watch(el: HTMLElement) {
		const o = new IntersectionObserver(
			(e) => {
				if (e.some((x) => x.isIntersecting)) void fetchMore();
			},
			{ rootMargin: '900px' }
		);
		o.observe(el);
		return { destroy: () => o.disconnect() };
	}
	/** Colleagues for the name begun with @. */
	const begun = $derived(/(?:^|\s)@([\p{L} ]{0,20})$/u.exec(kept.value.words)?.[1]);
	const offered = $derived(
		begun === undefined
			? []
			: data.staff
					.filter(
						(s) => s.id !== data.me.id && s.name.toLowerCase().startsWith(begun.toLowerCase())
					)
					.slice(0, 6)
	);
	function mention(name: string) {
		kept.value.words = kept.value.words.replace(/@[\p{L} ]{0,20}$/u, `@${name} `);
		box?.focus();
	}
</script>

<div class="p-5">
	<div class="flex flex-wrap items-center gap-2">
		<h2 class="read mr-2 text-title font-medium">Logbook</h2>
		<span class="sub">{plural(data.total, 'entry', 'entries')}</span>
		<FilterBar
			search={{ label: 'Search within the logbook', placeholder: 'Search within' }}
			class="ml-auto"
		/>
	</div>
	<div class="no-print mt-2 flex flex-wrap gap-1.5">
		{#each kinds as [k, n] (k)}<a
				class="note"
				class:on={(data.filter.kind ?? '') === k}
				href={to({ kind: k! })}>{n}</a
			>{/each}
		<a
			class="note"
			class:on={data.filter.show === 'questions'}
			href={to({ show: data.filter.show === 'questions' ? '' : 'questions' })}
			>Unanswered questions</a
		><a
			class="note"
			class:on={data.filter.show === 'me'}
			href={to({ show: data.filter.show === 'me' ? '' : 'me' })}>Where I am named</a
		>
		<select
			class="box min-h-[24px] w-auto py-0"
			aria-label="Person"
			value={data.filter.person ?? ''}
			onchange={(e) => (location.href = to({ person: e.currentTarget.value }))}
			><option value="">Everyone</option>{#each data.people as p (p.id)}<option value={p.id}
					>{p.name}</option
				>{/each}</select
		>
		{#each data.tags as t (t.tag)}<a
				class="note"
				class:on={data.filter.tag === t.tag}
				href={to({ tag: data.filter.tag === t.tag ? '' : t.tag })}>#{t.tag} {t.n}</a
			>{/each}
	</div>
	{#if data.caption.mayChange}
		<ActionForm action="?/note" class="no-print relative mt-3" ondone={() => kept.clear()}
			>{#snippet children({ errors, busy })}
				<input type="hidden" name="matterId" value={data.caption.id} />
				<div class="flex items-start gap-2">
					<textarea
						class="box"
						name="words"
						rows={2}
						bind:this={box}
						bind:value={kept.value.words}
						placeholder="Write a note. @name tells a colleague, #word makes it findable."
						aria-label="Write a note"
						aria-invalid={errors.words ? 'true' : undefined}></textarea>
					<div class="flex flex-col gap-1">
						<button class="btn" disabled={busy}>{kept.value.asks ? 'Ask' : 'Note it'}</button>
						<label class="sub whitespace-nowrap">
							<input type="checkbox" name="asks" bind:checked={kept.value.asks} />
							a question
						</label>
					</div>
				</div>
				{#if offered.length}<ul
						class="absolute z-10 mt-1 w-64 rounded border border-rule bg-white p-1 shadow-raised"
					>
						{#each offered as s (s.id)}<li>
								<button
									type="button"
									class="w-full rounded px-2 py-1 text-left hover:bg-petrol-wash"
									onclick={() => mention(s.name)}>{s.name}</button
								>
							</li>{/each}
					</ul>{/if}
				{#if !offered.length}<Told words={kept.value.words} />{/if}
				{#if errors.words}<p class="fault mt-1">{errors.words}</p>{/if}{/snippet}</ActionForm
		>
	{/if}
	<div class="mt-3 border-t-[1.5px] border-ink">
		{#each rows as l (l.id)}
			<div
				class="row entry grid grid-cols-[96px_76px_minmax(0,1fr)_110px] gap-2 py-2 max-md:grid-cols-[76px_minmax(0,1fr)_40px]"
				data-entry={l.kind}
			>
				<span class="sub">{formatInstant(l.at, data.zone, data.today)}</span><span
					class="sub max-md:hidden">{l.asks ? 'question' : l.answers ? 'answer' : l.kind}</span
				>
				<div class="min-w-0 break-words whitespace-pre-line" class:sub={l.takenBack}>
					{#if l.answers}<span class="sub mb-0.5 block truncate"
							>to {l.answers.who ?? 'a note'}: {l.answers.text}</span
						>{/if}{#each l.parts as p, i (i)}{#if 'mention' in p}<b
								class="font-semibold text-petrol">{p.text}</b
							>{:else if 'tag' in p}<a
								class="text-petrol underline decoration-1 underline-offset-2"
								href="?tag={p.tag}">{p.text}</a
							>{:else if 'number' in p}<a
								class="text-petrol underline decoration-1 underline-offset-2"
								href="/matters/{p.number}">{p.text}</a
							>{:else if 'href' in p}<a
								class="text-petrol underline decoration-1 underline-offset-2"
								href={p.href}
								rel="noreferrer"
								target="_blank">{p.text}</a
							>{:else if l.link}<a class="hover:underline" href={l.link}>{p.text}</a
							>{:else}{p.text}{/if}{/each}{#if l.mine}<RowAction
							action="?/take-back"
							fields={{ noteId: l.id }}
							class="no-print ml-2 inline-block"
							aria-label="Take this note back">take back</RowAction
						>{/if}
					{#if l.shared}
						<span class="sub block" data-shared>
							{l.shared.name} reads this too{l.shared.seenAt
								? `, seen ${formatInstant(l.shared.seenAt, data.zone, data.today)}`
								: ', not seen yet'}
						</span>
					{/if}
					{#if answering?.id === l.id}<ActionForm
							action="?/note"
							class="no-print mt-2 flex gap-2"
							ondone={() => {
								answering = null;
								reply = '';
							}}
							>{#snippet children({ errors, busy })}<input
									type="hidden"
									name="matterId"
									value={data.caption.id}
								/><input type="hidden" name="answers" value={l.id} /><input
									class="box"
									name="words"
									bind:value={reply}
									placeholder="Your answer"
									aria-label="Your answer"
									aria-invalid={errors.words ? 'true' : undefined}
								/><button class="btn go" disabled={busy}>Answer</button><button
									type="button"
									class="btn slight"
									onclick={() => (answering = null)}>Cancel</button
								>{/snippet}</ActionForm
						>{/if}
				</div>
				<span class="sub flex items-start justify-end gap-2"
					>{#if l.kind === 'note' && !l.takenBack && answering?.id !== l.id}<button
							class="act no-print max-md:hidden"
							onclick={() => {
								answering = l;
								reply = '';
							}}
							>{l.answered
								? `${l.answered} ${l.answered === 1 ? 'answer' : 'answers'}`
								: 'answer'}</button
						>{/if}<span title={l.who ?? 'an outside signer'}>{l.initials ?? ''}</span></span
				>
			</div>
		{:else}<Empty
				>{data.filter.q ||
				data.filter.kind ||
				data.filter.tag ||
				data.filter.person ||
				data.filter.show
					? 'Nothing fits.'
					: 'Everything done on this matter is written here by itself.'}</Empty
			>{/each}
	</div>
	{#if next}<div use:watch class="py-4">
			<button class="act" onclick={() => void fetchMore()}
				>{loading ? 'Fetching…' : 'Older entries'}</button
			>
		</div>{/if}
</div>

<style>
	/* Entries out of sight are not laid out: thousands scroll as lightly as ten. */
	.entry {
		content-visibility: auto;
		contain-intrinsic-size: auto 38px;
	}
	@media print {
		.entry {
			content-visibility: visible;
		}
	}
</style>
