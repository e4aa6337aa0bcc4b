<script lang="ts">
	import { onMount } from 'svelte';
	import { afterNavigate, goto } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import KiteShapes from '$lib/docket/KiteShapes.svelte';
	import { isWithin, listAreas } from '$lib/shell/areas.ts';
	import KeysHelp from '$lib/shell/KeysHelp.svelte';
	import Logo from '$lib/shell/Logo.svelte';
	import { isOtherPage } from '$lib/shell/other-page.ts';
	import Printed from '$lib/shell/Printed.svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import Said from '$lib/ui/Said.svelte';
	import PenLine from '$lib/shell/PenLine.svelte';
	import { bindKeys, isDialogOpen, walkLinks } from '$lib/ui/keys.ts';
	import OpeningDrawer from '$lib/matters/OpeningDrawer.svelte';
	import { opening } from '$lib/matters/opening.svelte.ts';
	let { data, children } = $props();
	const areas = $derived(listAreas(data.can));
	/** So many areas leave no room for the name on a narrow screen; the kite stays. */
	const MANY = 8;
	const on = (href: string) => isWithin(href, page.url.pathname);
	let keys = $state(false),
		near = $state(false);
	let sheet = $state<HTMLElement>();
	// The sheet scrolls, not the window: another page begins at its top, and Back comes to where one
	// was.
	export const snapshot = {
		capture: () => sheet?.scrollTop ?? 0,
		restore: (top: number) => sheet?.scrollTo(0, top)
	};
	afterNavigate((navigation) => {
		if (isOtherPage(navigation)) sheet?.scrollTo(0, 0);
	});
	let areasNav = $state<HTMLElement>();
	$effect(() => {
		void page.url.pathname;
		near = false;
		// Where the areas do not fit beside one another, the one that is open is in sight.
		areasNav?.querySelector('.on')?.scrollIntoView({ block: 'nearest', inline: 'center' });
	});
	const focusFirst = (el: HTMLElement) => {
		el.querySelector('a')?.focus();
	};
	/** The form is on its way before it is asked for, so that its first key finds it. */
	const fetchDrawer = () => void import('$lib/matters/OpenMatter.svelte');
	/** On the way to another page, keys are for what comes. */
	const isFree = () => !opening.open && !isDialogOpen() && navigating.to === null;
	function toggleKeys(event: KeyboardEvent) {
		event.preventDefault();
		keys = !keys;
	}
	function leave() {
		keys = false;
		near = false;
	}
	onMount(() =>
		bindKeys({
			'?': toggleKeys,
			'Shift+?': toggleKeys,
			Escape: leave,
			/** Pinned and recent matters: one keystroke opens the list, arrows move in it. */
			m(event) {
				if (!data.can.inside || !isFree()) return;
				event.preventDefault();
				near = true;
			},
			n(event) {
				if (!data.can.open || !isFree()) return;
				event.preventDefault();
				opening.show();
			},
			d: () => visit('/docket'),
			s: () => visit('/docket/check'),
			/** On a matter: what happened, and its dates. */
			e() {
				const { number, status } = page.data.caption ?? {};
				if (number && status !== 'closed' && data.can.docket)
					visit(`/matters/${number}/docket?enter`);
			},
			...Object.fromEntries(
				Array.from({ length: 9 }, (_, index) => [String(index + 1), () => openNear(index)])
			)
		})
	);
	function visit(href: string) {
		if (data.can.inside && isFree()) void goto(href);
	}
	/** A number opens the pinned or recent matter beside it. */
	function openNear(index: number) {
		const matter = near ? data.near[index] : undefined;
		if (matter) void goto(`/matters/${matter.number}`);
	}
</script>

<a class="vh focus:not-sr-only" href="#sheet">To the contents</a>
<div class="frame">
	<header class="on-dark band no-print">
		<a href="/" class="flex items-center gap-[9px] text-white"
			><Logo /><span
				class="read text-head font-medium whitespace-nowrap max-sm:hidden"
				class:max-xl:hidden={areas.length > MANY}>Kite Pen</span
			></a
		>
		<nav
			bind:this={areasNav}
			class="flex h-full min-w-0 gap-[2px] overflow-x-auto"
			aria-label="Areas"
		>
			{#each areas as [href, name] (href)}<a
					class="tab"
					class:on={on(href)}
					aria-current={on(href) ? 'page' : undefined}
					{href}>{name}</a
				>{/each}
		</nav>
		<div class="ml-auto flex items-center gap-4">
			{#if data.can.open}<button
					class="open max-md:hidden"
					onpointerenter={fetchDrawer}
					onfocus={fetchDrawer}
					onclick={() => opening.show()}>Open a matter</button
				>{/if}
			{#if data.can.open}<button
					class="grid size-8 place-items-center rounded-md border border-haze text-white md:hidden"
					aria-label="Open a matter"
					onclick={() => opening.show()}><Plus size={18} /></button
				>{/if}
			<span class="text-chalk-2 max-xl:hidden">{data.department}</span>
			<details class="who">
				<summary aria-label="{data.me.initials}: {data.me.name}, {data.me.role}"
					>{data.me.initials}</summary
				>
				<div class="who-menu">
					<p class="font-semibold">{data.me.name}</p>
					<p class="sub">{data.me.role}</p>
					<p class="mt-2"><a class="act" href="/account">Your account</a></p>
					<form method="post" action="/sign-out" class="mt-3">
						<button class="btn">Sign out</button>
					</form>
				</div>
			</details>
		</div>
	</header>
	<main bind:this={sheet} id="sheet" class="sheet" tabindex="-1">{@render children()}</main>
	{#if data.can.inside}<PenLine timers={data.timers} />{:else}<footer class="foot no-print">
			<Said />
		</footer>{/if}
</div>
<Printed name={data.me.name} />
<KiteShapes />
{#if data.can.open}<OpeningDrawer />{/if}
{#if near}
	<div
		class="keys near"
		role="dialog"
		aria-label="Pinned and recent matters"
		tabindex="-1"
		use:walkLinks={'a'}
		use:focusFirst
	>
		<h2 class="ruled">Pinned and recent</h2>
		{#each data.near as m, i (m.number)}<a
				class="row flex h-9 items-center gap-2 px-1 hover:bg-petrol-wash focus:bg-petrol-wash"
				href="/matters/{m.number}"
				><span class="key">{i < 9 ? i + 1 : '·'}</span><b
					class="min-w-0 grow truncate font-semibold">{m.title}</b
				><span class="sub">{m.pinned ? 'pinned' : ''} {m.number}</span></a
			>{:else}<p class="sub mt-2">
				No matter was opened or pinned yet. <a class="act" href="/matters">Matters</a>
			</p>{/each}
	</div>
{/if}
{#if keys}
	<KeysHelp />
{/if}

<style>
	.frame {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		grid-template-rows: 46px 1fr auto;
		height: 100vh;
	}
	.band {
		background: var(--color-band);
		color: var(--color-chalk);
		display: flex;
		align-items: center;
		padding: 0 20px;
		gap: 26px;
	}
	.tab {
		display: flex;
		align-items: center;
		padding: 0 12px;
		color: var(--color-chalk-2);
		font-weight: 500;
		position: relative;
		white-space: nowrap;
	}
	.tab:hover,
	.tab.on {
		color: var(--color-white);
	}
	.tab.on::after {
		content: '';
		position: absolute;
		left: 12px;
		right: 12px;
		bottom: 0;
		height: 3px;
		background: var(--color-saffron);
	}
	.foot:has(:global([data-said])) {
		background: var(--color-white);
		border-top: 2px solid var(--color-ink);
		padding: 12px 20px;
	}
	.sheet {
		overflow-y: auto;
		min-height: 0;
		position: relative;
		outline: none;
	}
	.who summary {
		list-style: none;
		width: 28px;
		height: 28px;
		border-radius: 50%;
		background: var(--color-band-3);
		color: var(--color-white);
		display: grid;
		place-items: center;
		font-weight: 600;
		font-size: 11.5px;
	}
	.who {
		position: relative;
	}
	.who-menu {
		position: absolute;
		right: 0;
		top: 36px;
		z-index: 40;
		width: 210px;
		background: var(--color-white);
		color: var(--color-ink);
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		padding: 14px;
		box-shadow: var(--shadow-raised);
	}
	:global(.keys) {
		position: fixed;
		right: 20px;
		bottom: 66px;
		width: 300px;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		padding: 16px;
		box-shadow: var(--shadow-raised);
		z-index: 60;
	}
	.open {
		color: var(--color-white);
		font-weight: 600;
		white-space: nowrap;
		border-bottom: 1.5px solid var(--color-saffron);
		line-height: 1.3;
	}
	.near {
		width: 420px;
	}
	@media print {
		.frame {
			display: block;
			height: auto;
		}
		.sheet {
			overflow: visible;
		}
	}
	@media (max-width: 640px) {
		.band {
			gap: 10px;
			padding: 0 10px;
		}
		.tab {
			padding: 0 8px;
		}
	}
</style>
