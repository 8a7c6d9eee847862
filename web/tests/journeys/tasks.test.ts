import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Crew, crewWith, dayNumber, type Person } from '../person';

/** Twelve tasks of a day, each in three presses at most from wherever somebody stands: the day line is the first. */
type Press = readonly [name: string | RegExp, within?: string];
const station = (name: string): Press => [new RegExp(`${name}$`), 'header nav'];
const sheet = (name: string): Press => [name, 'main nav'];
const tasks: readonly (readonly [task: string, presses: readonly Press[], path: RegExp, reads: RegExp])[] = [
	['what a payload weighs', [station('Payload'), [/^Cine build/]], /^\/payload\/[0-9a-f-]{36}$/, /\d+\.\d\d kg/],
	['swap a lens', [station('Payload'), sheet('Swap sheet')], /\/swap$/, /Alone, Cine build.*tick “Compact body/],
	[
		'balance what is in hand on a gimbal',
		[
			['Choose payload and support', 'header'],
			[/^Small single-handed gimbal/, 'td']
		],
		/^\/balance\/gimbal\//,
		/Step \d of \d.*Slide the/
	],
	['be led through it step by step', [station('Balance'), sheet('Guide')], /\/guide$/, /Step 1 of \d+ · power off/],
	[
		'see a crane’s plates',
		[
			['Choose payload and support', 'header'],
			[/^Hall crane/, 'td']
		],
		/^\/balance\/crane\//,
		/plates|Hang|Take off/
	],
	[
		'hear what to set for a walk',
		[station('Feel'), [/^Small single-handed gimbal/]],
		/^\/feel\//,
		/Walk behind.*speed/
	],
	['find how a mode is reached', [station('Feel'), sheet('Modes')], /\/modes$/, /Pan follows.*mode button/],
	[
		'plan a run along a line',
		[station('Moves'), ['All moves'], ['Lay rail and knots']],
		/^\/moves\/[0-9a-f-]{36}$/,
		// Before its room has been tried, and after.
		/It takes|It strikes/
	],
	['print the focus marks', [station('Moves'), sheet('Focus')], /\/focus$/, /Print the marks/],
	[
		'run it backwards before it runs',
		[station('Moves'), sheet('Backwards')],
		/\/backwards$/,
		/left before it has been run/
	],
	['take a head in hand', [station('Live')], /^\/live$/, /Gallery rail/],
	[
		'find a balance of the logbook',
		[station('Logbook'), [/Cine build/, 'ol']],
		/^\/logbook\/[0-9a-f-]{36}$/,
		/Expected.*Seen|as logged|let go|in place/
	]
];

/** One of the two a day; by keys every page is walked elsewhere. */
const hands =
	process.env.POISE_LONG === '1' ? (['mouse', 'thumb'] as const) : ([dayNumber % 2 === 0 ? 'mouse' : 'thumb'] as const);

describe.each(hands)('with %s, in three presses at most', (way) => {
	let crew: Crew;
	let person: Person;
	beforeAll(async () => {
		crew = await crewWith('demo');
		person = await crew.person(way);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});
	it.each(tasks)('%s', async (_, presses, path, reads) => {
		expect(presses.length).toBeLessThanOrEqual(3);
		// What is in hand is remembered a moment after it was taken.
		await person.page.waitForNetworkIdle({ idleTime: 300 });
		for (const [name, within] of presses) await person.press(name, within);
		await person.arrives(path);
		await person.reads(reads);
	});
});
