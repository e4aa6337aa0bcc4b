/** For the test of access: the commands that are on no matter. */
import { changesMatter } from '#core/access/table.ts';
import { listCommands } from '#server/app/command.ts';

/**
 * What touches no matter and is nobody's own, or checks its own door. A new command is added
 * above or here.
 */
export const ELSEWHERE = [
	'open matter',
	'change password',
	'ask blind question',
	'answer blind question',
	'set interest reader',
	'set readers of heads',
	'read hidden hits',
	'take over restricted matter',
	'try failure again',
	'settle failure',
	'begin authenticator app',
	'add authenticator app',
	'begin passkey',
	'add passkey',
	'remove second factor',
	'remove second factors of account',
	'set roles that need a second factor',
	'set password by link',
	'add account',
	'change account',
	'make password link',
	'end sessions of account',
	'end own sessions',
	'end account',
	'save team',
	'remove team',
	'save origin',
	'add person',
	'edit person',
	'save card fields',
	'add identity number',
	'show identity number',
	'remove identity number',
	'write memo',
	'choose calendar view',
	'let keep calendar',
	'end keeping of calendar',
	'save resource',
	'save appointment sorts',
	'merge people',
	'undo merge',
	'save kind',
	'add kind',
	'save view',
	'begin import',
	'import rows',
	'link imported cards',
	'end import',
	'undo import',
	'take back rows',
	'end undo of import',
	'import vcards',
	'write request',
	'save request status',
	'set request status',
	'assign request',
	'write on request',
	'take request',
	'ask back on request',
	'turn down request',
	'release time',
	'make cost run',
	'discard cost run',
	'send cost run for approval',
	'approve cost run',
	'reverse cost run',
	'open for signing',
	'sign',
	'decline to sign',
	'seal document',
	'sign off dates',
	'set date order',
	'set proposal days',
	'add working mark',
	'rename working mark',
	'retire working mark',
	'offer working mark',
	'receive papers',
	'reconcile with court list',
	'add closure',
	'remove closure',
	'save rulebook',
	'write timeline',
	'add leave',
	'remove leave',
	'mail docket report',
	'mail docket report outside',
	'set supervisor',
	'add staff'
];

/** What whoever may only read a matter does all the same. */
const FOR_READERS = [
	...['remove member', 'check interest', 'decide interest check', 'see reminder', 'make feed'],
	...['queue document as paper', 'hand paper over', 'set paper aside', 'amend scheduling order']
];

/** Whether a command changes the matter it is on, and so is not for who may only read it. */
export function isRefusedToReaders(name: string): boolean {
	const action = listCommands().find(({ commandName }) => commandName === name)?.action;
	return Boolean(action) && changesMatter(action!) && !FOR_READERS.includes(name);
}
