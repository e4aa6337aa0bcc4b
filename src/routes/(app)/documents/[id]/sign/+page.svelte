<script lang="ts">
	import { goto } from '$app/navigation';
	import { say } from '$lib/ui/say.svelte.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import PdfView from '$lib/ui/PdfView.svelte';
	import Section from '$lib/ui/Section.svelte';
	let { data } = $props();
	type Kind = 'signature' | 'initials' | 'name' | 'date' | 'text' | 'check';
	type Placed = {
		id: number;
		signer: number;
		kind: Kind;
		page: number;
		x: number;
		y: number;
		w: number;
		h: number;
		label: string;
	};
	const KINDS: [Kind, string, number, number][] = [
		['signature', 'Signature', 0.3, 0.045],
		['initials', 'Initials', 0.09, 0.03],
		['name', 'Name', 0.28, 0.022],
		['date', 'Date', 0.2, 0.022],
		['text', 'Text', 0.3, 0.022],
		['check', 'Check box', 0.03, 0.022]
	];
	// svelte-ignore state_referenced_locally
	let signers = $state<{ name: string; email: string; staffId: string | null }[]>(
		data.self
			? [{ name: data.me.name, email: data.myEmail, staffId: data.me.id }]
			: [{ name: '', email: '', staffId: null }]
	);
	let placed = $state<Placed[]>([]);
	let kind = $state<Kind>('signature');
	let who = $state(0);
	let label = $state('');
	// svelte-ignore state_referenced_locally
	let title = $state(data.doc.name),
		message = $state(''),
		wantedBy = $state(''),
		inOrder = $state(true);
	let next = 1;
	const colors = [
		'var(--color-petrol)',
		'var(--color-plum)',
		'var(--color-saffron-ink)',
		'var(--color-spruce)',
		'var(--color-madder)',
		'var(--color-ink-2)'
	];
	const sayKind = (k: Kind) => KINDS.find((x) => x[0] === k)![1];
	function place(page: number, x: number, y: number) {
		const [, , w, h] = KINDS.find((k) => k[0] === kind)!;
		placed.push({
			id: next++,
			signer: who,
			kind,
			page,
			x: Math.max(0, Math.min(1 - w, x)),
			y: Math.max(0, Math.min(1 - h, y - h / 2)),
			w,
			h,
			label: kind === 'text' ? label || 'Text' : ''
		});
	}
	function drag(e: PointerEvent, f: Placed) {
		const box = e.currentTarget as HTMLElement;
		const page = box.parentElement!.getBoundingClientRect();
		const [dx, dy] = [
			e.clientX - page.left - f.x * page.width,
			e.clientY - page.top - f.y * page.height
		];
		const size = (e.target as HTMLElement).dataset.size === 'yes';
		box.setPointerCapture(e.pointerId);
		const move = (m: PointerEvent) => {
			if (size) {
				f.w = Math.max(0.02, Math.min(1 - f.x, (m.clientX - page.left) / page.width - f.x));
				f.h = Math.max(0.015, Math.min(1 - f.y, (m.clientY - page.top) / page.height - f.y));
			} else {
				f.x = Math.max(0, Math.min(1 - f.w, (m.clientX - page.left - dx) / page.width));
				f.y = Math.max(0, Math.min(1 - f.h, (m.clientY - page.top - dy) / page.height));
			}
		};
		const up = () => {
			box.removeEventListener('pointermove', move);
			box.removeEventListener('pointerup', up);
		};
		box.addEventListener('pointermove', move);
		box.addEventListener('pointerup', up);
	}
	function key(e: KeyboardEvent, f: Placed) {
		const step = e.shiftKey ? 0.002 : 0.01;
		const d = {
			ArrowLeft: [-step, 0],
			ArrowRight: [step, 0],
			ArrowUp: [0, -step],
			ArrowDown: [0, step]
		}[e.key];
		if (d) {
			e.preventDefault();
			f.x = Math.max(0, Math.min(1 - f.w, f.x + d[0]!));
			f.y = Math.max(0, Math.min(1 - f.h, f.y + d[1]!));
		} else if (e.key === 'Delete' || e.key === 'Backspace') {
			e.preventDefault();
			placed = placed.filter((x) => x.id !== f.id);
		}
	}
	function known(i: number, name: string) {
		const c = data.colleagues.find((x) => x.name === name),
			o = data.outside.find((x) => x.name === name);
		if (c) {
			signers[i]!.email = c.email;
			signers[i]!.staffId = c.id;
		} else {
			signers[i]!.staffId = null;
			if (o) signers[i]!.email = o.email;
		}
	}
</script>

<svelte:head
	><title>{data.self ? 'Sign' : 'Send for signing'}: {data.doc.name} · Kite Pen</title></svelte:head
>
<div class="grid grid-cols-1 gap-8 px-5 py-4 lg:grid-cols-[minmax(0,780px)_minmax(280px,1fr)]">
	<div class="min-w-0">
		<h1 class="truncate">{data.self ? 'Sign it yourself' : 'Send for signing'}</h1>
		<p class="sub mt-1 mb-3">
			Choose a field, then click where it belongs. Drag to move, or the arrow keys; Delete takes it
			away.
		</p>
		<PdfView src="/documents/{data.doc.id}/file" onpage={place}>
			{#snippet over(n)}
				{#each placed.filter((f) => f.page === n) as f (f.id)}
					<div
						class="field"
						style="left:{f.x * 100}%; top:{f.y * 100}%; width:{f.w * 100}%; height:{f.h *
							100}%; --who:{colors[f.signer % 6]}"
						role="button"
						tabindex="0"
						aria-label="{sayKind(f.kind)} for {signers[f.signer]?.name || `signer ${f.signer + 1}`}"
						onpointerdown={(e) => drag(e, f)}
						onkeydown={(e) => key(e, f)}
					>
						{sayKind(f.kind)}{signers.length > 1 ? ` ${f.signer + 1}` : ''}<span
							class="grip"
							data-size="yes"
						></span>
					</div>
				{/each}
			{/snippet}
		</PdfView>
	</div>
	<div>
		<ActionForm
			action={data.self ? '?/send&self' : '?/send'}
			ondone={async () => {
				say('Sent. The Post room has the mail.');
				await goto(`/documents/${data.doc.id}`);
			}}
		>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="self" value={data.self ? '1' : ''} /><input
					type="hidden"
					name="signers"
					value={JSON.stringify(signers)}
				/><input
					type="hidden"
					name="fields"
					value={JSON.stringify(placed.map(({ id, ...f }) => f))}
				/>
				<Section title={data.self ? 'You sign' : 'Signers'}>
					{#each signers as s, i (i)}
						<div class="row flex items-end gap-2 py-2.5">
							<span class="mb-1.5 h-3 w-3" style="background:{colors[i % 6]}"></span>
							{#if data.self}<b class="font-semibold">{s.name}</b><span class="sub">{s.email}</span
								>{:else}
								<TextField
									label="Name"
									class="flex-1"
									list="known"
									bind:value={s.name}
									onchange={(e) => known(i, e.currentTarget.value)}
									autocomplete="off"
								/>
								<TextField
									label="Mail"
									class="flex-1"
									type="email"
									bind:value={s.email}
									autocomplete="off"
								/>
								{#if signers.length > 1}<button
										type="button"
										class="btn slight"
										aria-label="Take out signer {i + 1}"
										onclick={() => {
											signers = signers.filter((_, n) => n !== i);
											placed = placed
												.filter((f) => f.signer !== i)
												.map((f) => ({ ...f, signer: f.signer > i ? f.signer - 1 : f.signer }));
											who = 0;
										}}>Remove</button
									>{/if}
							{/if}
						</div>
					{/each}
					{#if errors.signers}<p class="fault mt-1">
							{errors.signers === 'Invalid input'
								? 'Give each signer a name and a mail address.'
								: errors.signers}
						</p>{/if}
					{#if !data.self}<div class="mt-2 flex gap-4">
							<button
								type="button"
								class="act"
								onclick={() => signers.push({ name: '', email: '', staffId: null })}
								>Add a signer</button
							>{#if signers.length > 1}<label class="flex gap-1.5"
									><input type="checkbox" bind:checked={inOrder} /> in this order</label
								>{/if}
						</div>{/if}
					<input type="hidden" name="inOrder" value={inOrder ? 'on' : ''} />
				</Section>
				<datalist id="known"
					>{#each [...data.colleagues, ...data.outside] as p (p.email)}<option value={p.name}
						></option>{/each}</datalist
				>
				<Section title="Place a field" class="mt-6">
					{#if signers.length > 1}<label class="mt-2 block"
							>for <select class="box w-auto" bind:value={who}
								>{#each signers as s, i (i)}<option value={i}>{s.name || `signer ${i + 1}`}</option
									>{/each}</select
							></label
						>{/if}
					<div class="mt-2.5 flex flex-wrap gap-1.5" role="group" aria-label="Kind of field">
						{#each KINDS as [k, n] (k)}<button
								type="button"
								class="note"
								class:on={kind === k}
								aria-pressed={kind === k}
								onclick={() => (kind = k)}>{n}</button
							>{/each}
					</div>
					{#if kind === 'text'}<input
							class="box mt-2"
							bind:value={label}
							placeholder="What is to be filled in"
							aria-label="What is to be filled in"
						/>{/if}
					<p class="sub mt-2">
						{placed.length
							? placed.map((f) => sayKind(f.kind).toLowerCase()).join(', ')
							: 'Nothing is placed yet.'}
					</p>
					{#if errors.fields}<p class="fault mt-1" role="alert">{errors.fields}</p>{/if}
				</Section>
				<div class="mt-5 flex flex-col gap-3">
					<TextField label="Title" error={errors.title} name="title" bind:value={title} />
					{#if !data.self}
						<TextArea
							label="Message"
							error={errors.message}
							name="message"
							rows={3}
							bind:value={message}
						/>
						<DateField
							name="wantedBy"
							label="Wanted by"
							bind:value={wantedBy}
							today={data.today}
							error={errors.wantedBy}
						/>
					{/if}
					<div class="flex gap-2">
						<button class="btn go" disabled={busy}
							>{data.self
								? 'Go on to sign'
								: signers.length > 1
									? `Send to ${signers.length} signers`
									: 'Send to the signer'}</button
						><a class="btn slight" href="/documents/{data.doc.id}">Cancel</a>
					</div>
				</div>
			{/snippet}
		</ActionForm>
	</div>
</div>

<style>
	.field {
		position: absolute;
		border: 1.5px dashed var(--who);
		background: color-mix(in srgb, var(--who) 14%, transparent);
		color: var(--who);
		font-size: 11.5px;
		font-weight: 600;
		padding: 0 4px;
		cursor: move;
		overflow: hidden;
		touch-action: none;
		z-index: 2;
		line-height: 1.4;
	}
	.grip {
		position: absolute;
		right: 0;
		bottom: 0;
		width: 9px;
		height: 9px;
		background: var(--who);
		cursor: nwse-resize;
	}
</style>
