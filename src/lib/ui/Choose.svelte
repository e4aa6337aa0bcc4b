<!-- Type to find one of many. Items are given, or asked for while one types. -->
<script lang="ts" module>
	export type Item = { value: string; label: string; about?: string };
</script>

<script lang="ts">
	import { Combobox } from 'bits-ui';
	import { UNPICKED } from './unpicked.ts';
	type Props = {
		label: string;
		name: string;
		value: string;
		items?: Item[];
		find?: (typed: string) => Promise<Item[]>;
		error?: string | undefined;
		hint?: string | undefined;
		typed?: string;
		placeholder?: string;
		onpick?: (item: Item) => void;
		offer?: (typed: string) => Item | null;
		/** Words that were not chosen from the list count too. */
		free?: boolean;
		class?: string;
	};
	let {
		label,
		name,
		value = $bindable(),
		items = [],
		find,
		error,
		hint,
		typed = $bindable(''),
		placeholder = 'Type to find',
		onpick,
		offer,
		free = false,
		class: more = ''
	}: Props = $props();
	const id = $props.id();
	/**
	 * Something stands in the field that stands for nothing: it is not sent, and so it is not let
	 * pass in silence.
	 */
	const unpicked = $derived(!free && !value && typed.trim() !== '');
	let isRefused = $state(false);
	const fault = $derived(
		unpicked && isRefused
			? `“${typed.trim()}” was not chosen. Choose it from the list, or empty the field.`
			: error
	);
	function listen(root: HTMLElement) {
		const refuse = () => (isRefused = true);
		root.addEventListener(UNPICKED, refuse);
		return { destroy: () => root.removeEventListener(UNPICKED, refuse) };
	}
	/** A name that is typed whole is chosen, where the search for it found one that is called so. */
	function pickWhole() {
		if (!unpicked || (find && answered !== typed)) return;
		const label = typed.trim().toLowerCase();
		const [one, other] = list.filter((item) => item.label.toLowerCase() === label);
		if (!one || other) return;
		value = one.value;
		typed = one.label;
		onpick?.(one);
	}
	let found = $state<Item[]>([]);
	let open = $state(false);
	let last = 0;
	/**
	 * What the found items answer: an offer to make something new comes only after the search has had
	 * its say.
	 */
	let answered = $state('');
	const words = $derived(typed.toLowerCase().split(/\s+/).filter(Boolean));
	const chosen = $derived(items.find((i) => i.value === value));
	/** What there is, without what could be made new. */
	const list = $derived(
		find
			? found
			: items.filter(
					(i) => chosen?.label === typed || words.every((w) => i.label.toLowerCase().includes(w))
				)
	);
	const shown = $derived.by(() => {
		const extra =
			offer && typed.trim() && (!find || answered === typed) ? offer(typed.trim()) : null;
		return extra && !list.some((i) => i.label.toLowerCase() === typed.trim().toLowerCase())
			? [...list, extra]
			: list;
	});
	async function type(e: Event) {
		typed = (e.target as HTMLInputElement).value;
		value = '';
		isRefused = false;
		open = true;
		if (!find) return;
		const mine = ++last;
		const got = typed.trim() ? await find(typed) : [];
		if (mine === last) {
			found = got;
			answered = typed;
		}
	}
	const all = $derived([...items, ...found, ...shown]);
</script>

<div class={more} data-field={name} data-unpicked={unpicked ? '' : undefined} use:listen>
	<label class="label" for={id}>{label}</label>
	<Combobox.Root
		type="single"
		bind:value
		bind:open
		items={shown.map((i) => ({ value: i.value, label: i.label }))}
		inputValue={typed}
		onValueChange={(v) => {
			const it = all.find((i) => i.value === v);
			if (it) {
				typed = it.label;
				onpick?.(it);
			}
		}}
	>
		<Combobox.Input
			{id}
			class="box"
			{placeholder}
			autocomplete="off"
			oninput={type}
			onfocus={() => {
				if (!find && !value) open = true;
			}}
			onblur={pickWhole}
			aria-invalid={fault ? 'true' : undefined}
			aria-describedby={fault || hint ? `${id}-more` : undefined}
		/>
		<Combobox.Portal>
			<Combobox.Content class="choices" sideOffset={3}>
				{#each shown as item (item.value)}
					<Combobox.Item value={item.value} label={item.label} class="choice"
						>{item.label}{#if item.about}<span class="sub ml-2 text-note">{item.about}</span
							>{/if}</Combobox.Item
					>
				{:else}<div class="sub px-2 py-1.5">
						{typed.trim() ? 'Nothing found.' : 'Type to find.'}
					</div>{/each}
			</Combobox.Content>
		</Combobox.Portal>
	</Combobox.Root>
	<!-- What is offered as new has no id yet. -->
	<input type="hidden" {name} value={value === 'new' ? '' : value} />
	{#if fault}<p class="fault mt-1" id="{id}-more">{fault}</p>{:else if hint}<p
			class="sub mt-1 text-note"
			id="{id}-more"
		>
			{hint}
		</p>{/if}
</div>

<style>
	:global(.choices) {
		z-index: 50;
		width: var(--bits-combobox-anchor-width);
		max-height: 280px;
		overflow-y: auto;
		background: var(--color-white);
		border: 1px solid var(--color-rule);
		border-radius: 6px;
		padding: 4px;
		box-shadow: var(--shadow-raised);
	}
	:global(.choice) {
		padding: 6px 8px;
		border-radius: 4px;
		cursor: pointer;
	}
	:global(.choice[data-highlighted]) {
		background: var(--color-petrol-wash);
	}
	:global(.choice[data-selected]) {
		font-weight: 600;
	}
</style>
