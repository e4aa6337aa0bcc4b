<!--
	What is done with one date: met, vacated, moved by order or agreement, described, answered, sent
	outside.
-->
<script lang="ts">
	import { toast } from 'svelte-sonner';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	import Drawer from '$lib/ui/Drawer.svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { DateAct, DateActProps, Exhibit } from './acts.ts';
	import AnswerCheck from './AnswerCheck.svelte';
	import DateDetails from './DateDetails.svelte';
	import MeetDate from './MeetDate.svelte';
	import MoveDate from './MoveDate.svelte';
	import SendDate from './SendDate.svelte';
	import VacateDate from './VacateDate.svelte';
	type Props = Pick<DateActProps, 'documents' | 'today'> & {
		open: boolean;
		act: DateAct;
		deadline: DeadlineView | null;
		linked: string[];
		exhibits: Exhibit[];
		ladder: string;
	};
	let {
		open = $bindable(),
		act,
		deadline,
		documents,
		linked,
		exhibits,
		ladder,
		today
	}: Props = $props();
	const TITLES: Record<DateAct, string> = {
		meet: 'It was met',
		vacate: 'Vacate the date',
		shift: 'Move the date',
		edit: 'Details of the date',
		answer: 'Answer the check',
		invite: 'Send it outside'
	};
	const moved = ({ to, told }: Record<string, unknown>) =>
		`Moved to ${formatDate(String(to) as PlainDate)}. ${plural(Number(told), 'person', 'people')} told, once.`;
	const RESULTS: Record<DateAct, (result: Record<string, unknown>) => string> = {
		meet: () => 'Recorded as met.',
		vacate: () => 'Vacated.',
		shift: moved,
		edit: () => 'Kept.',
		answer: () => 'Answered; it waits for a second check again.',
		invite: () => 'Sent. They are told when it changes.'
	};
	const FORMS = {
		meet: MeetDate,
		vacate: VacateDate,
		shift: MoveDate,
		answer: AnswerCheck,
		invite: SendDate
	};
	function ondone(result: Record<string, unknown>) {
		open = false;
		toast(RESULTS[act](result));
	}
</script>

<Drawer
	bind:open
	title={TITLES[act]}
	about={deadline ? `${deadline.title}, ${formatDate(deadline.date)}` : ''}
>
	{#if deadline}
		{#key `${deadline.id} ${act}`}
			{#if act === 'edit'}
				<DateDetails {deadline} {documents} {linked} {exhibits} {ladder} {today} {ondone} />
			{:else}
				{@const Form = FORMS[act]}
				<Form {deadline} {documents} {today} {ondone} />
			{/if}
		{/key}
	{/if}
</Drawer>
