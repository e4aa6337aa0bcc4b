<!--
	Comes in from the right for entering and editing; Escape closes, what was typed is kept by its
	form.
-->
<script lang="ts">
	import { Dialog } from 'bits-ui';
	import type { Snippet } from 'svelte';
	type Props = {
		open: boolean;
		title: string;
		about?: string;
		onclose?: () => void;
		children: Snippet;
		wide?: boolean;
	};
	let { open = $bindable(), title, about = '', onclose, children, wide = false }: Props = $props();
	let sheet = $state<HTMLElement | null>(null);
	/** What one types into; not what one ticks. */
	const FIELDS =
		'input:not([type="hidden"], [type="radio"], [type="checkbox"], [type="file"]), textarea, select';
	/** The cursor is in the first field, so that the first key is not lost. */
	function focusFirst(event: Event) {
		const field = sheet?.querySelector<HTMLElement>(FIELDS);
		if (!field) return;
		event.preventDefault();
		field.focus();
	}
</script>

<Dialog.Root
	bind:open
	onOpenChange={(o) => {
		if (!o) onclose?.();
	}}
>
	<Dialog.Portal>
		<Dialog.Overlay class="veil" />
		<Dialog.Content
			bind:ref={sheet}
			class="drawer {wide ? 'wide' : ''}"
			interactOutsideBehavior="ignore"
			onOpenAutoFocus={focusFirst}
		>
			<div class="flex items-start gap-3">
				<div class="min-w-0 grow">
					<Dialog.Title level={2} class="drawer-title">{title}</Dialog.Title>
					{#if about}<Dialog.Description class="sub mt-1">{about}</Dialog.Description>{/if}
				</div>
				<Dialog.Close class="key mt-1" aria-label="Esc, close">Esc</Dialog.Close>
			</div>
			<div class="mt-3">{@render children()}</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

<style>
	:global(.veil) {
		position: fixed;
		inset: 46px 0 50px 0;
		background: rgb(19 38 44 / 0.12);
		z-index: 30;
	}
	:global(.drawer) {
		position: fixed;
		z-index: 31;
		top: 46px;
		right: 0;
		bottom: 50px;
		width: 420px;
		max-width: 100vw;
		overflow-y: auto;
		background: var(--color-white);
		border-left: 1px solid var(--color-rule);
		box-shadow: var(--shadow-drawer);
		padding: 18px 22px 24px;
		animation: drawer-in 130ms ease-out;
	}
	@media (prefers-reduced-motion: reduce) {
		:global(.drawer) {
			animation: none;
		}
	}
	:global(.drawer.wide) {
		width: 560px;
	}
	:global(.drawer-title) {
		font: 500 var(--text-display) / 1.2 var(--font-read);
	}
	@keyframes -global-drawer-in {
		from {
			transform: translateX(24px);
			opacity: 0;
		}
	}
</style>
