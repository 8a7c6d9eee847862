import type { HeadSeen } from '@poise/desk/messages';
import type { NextHold, Waiting } from '@poise/desk/nextHold';
import { axisWords, called } from './words';

/** One sentence, its hand's part apart. */
export interface Said {
	readonly before: string;
	readonly strong: string;
	readonly after: string;
}
const say = (before: string, strong = '', after = ''): Said => ({ before, strong, after });
export const wholeOf = ({ before, strong, after }: Said): string =>
	[before, strong, after]
		.filter((each) => each !== '')
		.join(' ')
		.replace(/ ([,:])/g, '$1');
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const listed = (words: readonly string[]): string =>
	words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]!}`;

/** What the next hold does, or what this one is doing: the headline of the desk. */
export function headline(input: {
	readonly next: NextHold;
	readonly head: HeadSeen | null;
	/** Others that go with the same press. */
	readonly along: readonly HeadSeen[];
	readonly standing: string | null;
	/** This page holds it now. */
	readonly armed: boolean;
	readonly stoppedBy: string | null;
	readonly heard: boolean;
	/** How many heads are heard, and how many are kept. */
	readonly here: number;
	readonly kept: number;
}): Said {
	const { next, head, along, armed } = input;
	if (next.does === 'nothing') return waitingWords(next.why, input);
	if (head === null) return say('Choose a head');
	const it = called(head);
	if (armed) return heldWords(head, input.standing);
	if (along.length > 0) {
		const numbers = [head, ...along].map(({ number, name }) => (number === null ? name : String(number)));
		return say(`Hold to move heads ${listed(numbers)}`, 'together');
	}
	const { task } = head;
	switch (next.does) {
		case 'steer':
			return say('Hold and steer', it);
		case 'ring':
			return say('Hold to find the ends of the', axisWords(head.next?.name ?? ''), 'ring');
		case 'goOn':
			return say('Hold to go on to', task?.legs[task.leg] ?? '');
		case 'back':
			return say('Hold to go back along the way to', task?.legs[task.leg] ?? '');
		case 'go':
			return say(goWords(head, it), head.next?.name ?? '');
	}
}
function goWords(head: HeadSeen, it: string): string {
	switch (head.next?.kind) {
		case 'programme':
			return `Hold to loop ${it}:`;
		case 'move':
			return `Hold to run ${it} through`;
		case 'back':
			return `Hold to move ${it} back to`;
		default:
			return `Hold to move ${it} to`;
	}
}
function heldWords(head: HeadSeen, standing: string | null): Said {
	const It = capital(called(head));
	const { task, next } = head;
	if (next?.kind === 'ring' && !head.ready.includes(next.name) && (head.found[next.name] ?? 0) > 0)
		return say('Keep holding: it finds the ends of the', axisWords(next.name), 'ring');
	if (task !== null && task.phase !== 'done')
		return say(`${It} ${task.turned ? 'back along the way to' : 'to'}`, task.legs[task.leg] ?? '');
	return standing === null ? say(`${It} is held:`, 'steer') : say(`${It} stands at`, standing);
}
function waitingWords(
	why: Waiting,
	{
		head,
		stoppedBy,
		heard,
		here,
		kept
	}: {
		readonly head: HeadSeen | null;
		readonly stoppedBy: string | null;
		readonly heard: boolean;
		readonly here: number;
		readonly kept: number;
	}
): Said {
	const it = head === null ? 'a head' : called(head);
	switch (why) {
		case 'stopped':
			return say('', 'Everything is stopped', `by ${stoppedBy ?? head?.stoppedBy ?? 'somebody'}`);
		case 'noDesk':
			return say(heard ? 'The link to the desk is lost' : 'Looking for the desk …');
		case 'noHead':
			return here === 0
				? say('Switch on a head')
				: kept === 0
					? say('', 'Claim', 'the first head')
					: say('Choose a head');
		case 'away':
			return say(`${capital(it)} is`, 'away');
		case 'unclaimed':
			return say(`Claim ${it} anew`);
		case 'looking':
			if (head?.task?.watchedFor != null) return say(`Looking only: ${it} loops`, head.task.name);
			return head?.driver == null
				? say('Looking only: nobody drives', it)
				: say(`Looking only: ${it} is driven by`, head.driver.name);
		case 'watched':
			return say(`${capital(it)} loops`, head?.task?.name ?? '');
		case 'linkUnknown':
			return say('Wait: getting to know the link of', it);
		case 'linkSlow':
			return say('Too slow a link to hold', it);
	}
}
