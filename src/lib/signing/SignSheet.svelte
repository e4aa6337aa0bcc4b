<!-- The page on which one signs, inside and outside: the document, one's own fields, consent. -->
<script lang="ts">
	import { onDestroy } from 'svelte';
	import { tokenValue } from '$lib/ui/tokens.ts';
	import SignaturePad from 'signature_pad';
	import type { SigningView } from '#server/signing/door.ts';
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import Mark from '$lib/ui/Mark.svelte';
	import PdfView from '$lib/ui/PdfView.svelte';
	import { formatInitials } from '#core/people/names.ts';
	type Props = {
		view: SigningView;
		file: string;
		consent: string;
		today: string;
		ondone: () => void;
	};
	let { view, file, consent, today, ondone }: Props = $props();
	let values = $state<Record<string, string>>({});
	let how = $state<'type' | 'draw' | 'picture'>('type');
	// svelte-ignore state_referenced_locally
	let typed = $state(view.name);
	let drawn = $state('');
	let agreed = $state(false);
	let declining = $state(false),
		reason = $state('');
	let pad: SignaturePad | undefined;
	const mark = $derived(how === 'type' ? typed.trim() : drawn);
	const others = $derived(view.fields.filter((f) => f.kind === 'text' || f.kind === 'check'));
	const shown = (f: SigningView['fields'][number]) =>
		f.kind === 'signature'
			? mark
			: f.kind === 'initials'
				? formatInitials(view.name)
				: f.kind === 'name'
					? view.name
					: f.kind === 'date'
						? today
						: (values[f.id] ?? '');
	const all = $derived(
		Object.fromEntries(
			view.fields.map((f) => [f.id, f.kind === 'check' ? (values[f.id] ?? 'no') : shown(f)])
		)
	);
	function draw(canvas: HTMLCanvasElement) {
		const ratio = window.devicePixelRatio || 1;
		canvas.width = canvas.offsetWidth * ratio;
		canvas.height = canvas.offsetHeight * ratio;
		canvas.getContext('2d')!.scale(ratio, ratio);
		pad = new SignaturePad(canvas, {
			penColor: tokenValue('--color-signature'),
			minWidth: 0.8,
			maxWidth: 2.4
		});
		pad.addEventListener('endStroke', () => (drawn = pad!.toDataURL('image/png')));
		return { destroy: () => pad?.off() };
	}
	function picture(e: Event) {
		const f = (e.currentTarget as HTMLInputElement).files?.[0];
		if (!f) return;
		const img = new Image();
		img.onload = () => {
			const c = document.createElement('canvas');
			const k = Math.min(1, 600 / img.width);
			c.width = img.width * k;
			c.height = img.height * k;
			c.getContext('2d')!.drawImage(img, 0, 0, c.width, c.height);
			drawn = c.toDataURL('image/png');
			URL.revokeObjectURL(img.src);
		};
		img.src = URL.createObjectURL(f);
	}
	onDestroy(() => pad?.off());
</script>

<div class="grid grid-cols-1 gap-8 lg:grid-cols-[minmax(0,780px)_minmax(280px,1fr)]">
	<div class="min-w-0">
		<PdfView src={file}>
			{#snippet over(n)}
				{#each view.fields.filter((f) => f.page === n) as f (f.id)}
					<div
						class="own"
						class:filled={shown(f)}
						style="left:{f.x * 100}%; top:{f.y * 100}%; width:{f.w * 100}%; height:{f.h * 100}%"
					>
						{#if shown(f).startsWith('data:')}<img
								src={shown(f)}
								alt="Your signature"
								class="h-full object-contain object-left"
							/>{:else}<span
								class={f.kind === 'signature' || f.kind === 'initials'
									? 'read text-head italic'
									: ''}
								>{f.kind === 'check'
									? values[f.id] === 'yes'
										? 'X'
										: ''
									: shown(f) || f.label || f.kind}</span
							>{/if}
					</div>
				{/each}
			{/snippet}
		</PdfView>
	</div>
	<div class="self-start lg:sticky lg:top-4">
		{#if view.message}<p
				class="read mb-4 border-l-[3px] border-petrol pl-3 text-read whitespace-pre-line"
			>
				{view.message}
			</p>{/if}
		<ActionForm action="?/sign" {ondone}>
			{#snippet children({ errors, busy })}
				<input type="hidden" name="values" value={JSON.stringify(all)} />
				<div class="ruled">
					<h2>Your signature</h2>
					<button
						type="button"
						class="act"
						onclick={() => document.querySelector('.own')?.scrollIntoView({ block: 'center' })}
						>show {view.fields.length === 1
							? 'the field'
							: `the ${view.fields.length} fields`}</button
					>
				</div>
				<div class="mt-2.5 flex gap-1.5" role="group" aria-label="How you sign">
					{#each [['type', 'Type'], ['draw', 'Draw'], ['picture', 'Upload a picture']] as const as [k, n] (k)}<button
							type="button"
							class="note"
							class:on={how === k}
							aria-pressed={how === k}
							onclick={() => {
								how = k;
								drawn = '';
							}}>{n}</button
						>{/each}
				</div>
				{#if how === 'type'}<input
						class="box read mt-2 text-display italic"
						bind:value={typed}
						aria-label="Type your signature"
						maxlength={120}
					/>
				{:else if how === 'draw'}<canvas
						use:draw
						class="mt-2 h-[110px] w-full touch-none border border-rule bg-white"
						aria-label="Draw your signature here; or choose Type"
					></canvas><button
						type="button"
						class="act"
						onclick={() => {
							pad?.clear();
							drawn = '';
						}}>clear</button
					>
				{:else}<input
						class="box mt-2 py-1"
						type="file"
						accept="image/png,image/jpeg"
						aria-label="Picture of your signature"
						onchange={picture}
					/>{/if}
				{#each view.fields.filter((f) => (f.kind === 'signature' || f.kind === 'initials') && errors[f.id]) as f (f.id)}<p
						class="fault mt-1"
						role="alert"
					>
						{errors[f.id]}
					</p>{/each}
				<div class="mt-3 flex flex-col gap-3">
					{#each others as f (f.id)}
						{#if f.kind === 'check'}<label class="flex gap-2"
								><input
									type="checkbox"
									checked={values[f.id] === 'yes'}
									onchange={(e) => (values[f.id] = e.currentTarget.checked ? 'yes' : 'no')}
								/>
								{f.label || 'Check box'}</label
							>
						{:else}<TextField
								label={f.label || 'Text'}
								error={errors[f.id]}
								bind:value={values[f.id]}
								maxlength={200}
							/>{/if}
					{/each}
					<label class="flex gap-2"
						><input
							type="checkbox"
							name="consent"
							bind:checked={agreed}
							class="mt-1 accent-petrol"
						/><span>{consent}</span></label
					>
					{#if errors.consent}<p class="fault" role="alert">{errors.consent}</p>{/if}
					<div class="flex gap-2">
						<button class="btn go" disabled={busy}
							><Mark kind="signing" color="var(--color-white)" size={13} />{busy
								? 'Signing…'
								: 'Sign'}</button
						><button type="button" class="btn slight" onclick={() => (declining = !declining)}
							>Decline</button
						>
					</div>
				</div>
			{/snippet}
		</ActionForm>
		{#if declining}
			<ActionForm action="?/decline" class="mt-4 border-t border-rule pt-4" {ondone}
				>{#snippet children({ errors, busy })}<TextArea
						label="Why do you decline?"
						error={errors.reason}
						hint="the sender reads this; it ends the round"
						name="reason"
						rows={2}
						bind:value={reason}
					/><button class="btn mt-2" disabled={busy}>Decline to sign</button>{/snippet}</ActionForm
			>
		{/if}
		<p class="sub mt-5 text-tiny break-all">
			Fingerprint of this document, SHA-256: {view.sha256}
		</p>
	</div>
</div>

<style>
	.own {
		position: absolute;
		border: 1.5px solid var(--color-saffron);
		background: rgb(253 241 216 / 0.6);
		display: flex;
		align-items: center;
		padding: 0 3px;
		overflow: hidden;
		color: var(--color-signature);
		white-space: nowrap;
	}
	.own.filled {
		border-color: var(--color-petrol);
		background: rgb(225 238 240 / 0.5);
	}
</style>
