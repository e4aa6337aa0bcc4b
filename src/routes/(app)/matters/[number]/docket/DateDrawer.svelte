<!--
	What is done with one date: met, vacated, moved by order or agreement, held, continued, taken off,
	described, answered, sent outside.
-->
<script lang="ts">
	import { say } from '$lib/ui/say.svelte.ts';
	import type { PlainDate } from '#core/dates/plain.ts';
	import { formatDate } from '#core/format/dates.ts';
	import type { DeadlineView } from '#server/docket/list.ts';
	import Drawer from '$lib/ui/Drawer.svelte';
	import { plural } from '$lib/ui/format.ts';
	import type { DateAct, DateActProps, Exhibit } from './acts.ts';
	import AssignDate from './AssignDate.svelte';
	import AnswerCheck from './AnswerCheck.svelte';
	import ContinueHearing from './ContinueHearing.svelte';
	import type { DateLinks } from '#server/docket/date-links.ts';
	import DateDetails from './DateDetails.svelte';
	import HoldHearing from './HoldHearing.svelte';
	import JudgeLate from './JudgeLate.svelte';
	import MeetDate from './MeetDate.svelte';
	import MoveDate from './MoveDate.svelte';
	import SendDate from './SendDate.svelte';
	import TakeBack from './TakeBack.svelte';
	import { undoing } from './undo.ts';
	import TakeOffHearing from './TakeOffHearing.svelte';
	import VacateDate from './VacateDate.svelte';
	const NO_LINKS: DateLinks = { folders: [], mails: [] };
	type Props = Pick<DateActProps, 'documents' | 'hanging' | 'went' | 'today'> & {
		open: boolean;
		act: DateAct;
		deadline: DeadlineView | null;
		linked: string[];
		links: DateLinks | undefined;
		folders: readonly string[];
		mails: DateLinks['mails'];
		exhibits: Exhibit[];
		ladder: string;
		/** A hearing gets a new day. */
		onmove: () => void;
	};
	let {
		open = $bindable(),
		act,
		deadline,
		documents,
		hanging,
		went,
		linked,
		links,
		folders,
		mails,
		exhibits,
		ladder,
		onmove,
		today
	}: Props = $props();
	const TITLES: Record<DateAct, string> = {
		meet: 'It was met',
		vacate: 'Vacate the date',
		shift: 'Move the date',
		hold: 'It was held',
		continue: 'Continue it',
		off: 'Take it off',
		back: 'Take it back',
		judge: 'Your word on it',
		assign: 'Whose it is',
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
		hold: () => 'Its outcome is kept.',
		continue: ({ left }) =>
			`It waits for its new day, and ${plural(Number(left), 'date')} with it.`,
		back: ({ back }) =>
			Number(back) ? `It stands again, with ${plural(Number(back), 'date')}.` : 'It stands again.',
		judge: () => 'Your word is kept with it.',
		off: ({ vacated }) => `Off, and ${plural(Number(vacated), 'date')} with it.`,
		assign: () => 'Kept. Whoever has it now is told.',
		edit: () => 'Kept.',
		answer: () => 'Answered; it waits for a second check again.',
		invite: () => 'Sent. They are told when it changes.'
	};
	const FORMS = {
		meet: MeetDate,
		vacate: VacateDate,
		shift: MoveDate,
		hold: HoldHearing,
		continue: ContinueHearing,
		off: TakeOffHearing,
		back: TakeBack,
		judge: JudgeLate,
		assign: AssignDate,
		answer: AnswerCheck,
		invite: SendDate
	};
	/** What was done by a slip of the hand is undone where it is said. */
	const UNDONE: readonly DateAct[] = ['meet', 'vacate', 'hold', 'off'];
	function ondone(result: Record<string, unknown>) {
		open = false;
		const said = RESULTS[act](result);
		const undo = deadline && undoing({ id: deadline.id, also: went.map(({ id }) => id) });
		const isUndone = UNDONE.includes(act) && undo;
		say(said, isUndone ? { action: { label: 'Undo', onClick: undo } } : {});
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
				<DateDetails
					{...{ deadline, documents, linked, exhibits, ladder, folders, mails, today, ondone }}
					links={links ?? NO_LINKS}
				/>
			{:else}
				{@const Form = FORMS[act]}
				<Form {deadline} {documents} {hanging} {went} {today} {ondone} {onmove} />
			{/if}
		{/key}
	{/if}
</Drawer>
