import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** What does not fit together, and how it is settled: looks that clash, one person on two screens, one balance among many. */

const sledBench = /^\/balance\/sled\/[0-9a-f-]{36}\/[0-9a-f-]{36}/;
const toSled = async (person: Person) => {
	await person.press('Choose payload and support', 'header');
	await person.arrives(/^\/balance$/);
	await person.press(/./, 'tbody tr:first-child td[data-kind="Sleds"]');
	await person.arrives(sledBench);
};

describe.each(waysToday(5))('a crew with %s', (way: Way) => {
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

	it('a look at a sled that does not fit the others holds back every move until it is struck out, or counts again', async () => {
		await toSled(person);
		await person.press(/^(It is done|All \d are done)$/);
		await person.reads(/In place, as computed/, '.slip');
		for (const degrees of ['2', '2.1', '-20']) {
			if (await person.offers('By how many degrees')) await person.press('By how many degrees');
			await person.types(/^leans/, degrees);
			await person.press('Take this');
		}
		await person.reads(/First settle what was seen/, '.slip');
		await person.reads(/One of the looks is wrong/, '.slip');
		expect(await person.offers(/^(It is done|All \d are done)$/)).toBe(false);
		await person.reads(/does not fit together\. Without “.*20.*” the rest does/, '.slip');
		// The same in the guide, where the hand is.
		await person.press('Guide', 'nav');
		await person.arrives(/\/guide$/);
		await person.press(/Static/, '.steps');
		await person.reads(/does not fit together/, '.slip');
		await person.press('Bench', 'nav');
		await person.arrives(sledBench);
		await person.press('Strike it out', '.slip');
		await person.reads(/Slip 2/, '.slip');
		expect(await person.offers(/^(It is done|All \d are done)$/)).toBe(true);
		await person.press('Undo', '.slip');
		await person.reads(/First settle what was seen/, '.slip');
	});

	it('finds a balance to lay beside another by a word', async () => {
		await person.press(/Logbook$/, 'header');
		await person.arrives(/^\/logbook$/);
		await person.press(/side by side/i, 'main');
		await person.arrives(/^\/logbook\/compare$/);
		await person.types(/^Find another/, 'cine');
		await person.reads(/match(es)?, offered below/);
		await person.types(/^Find another/, 'no such build');
		await person.reads(/No balance matches “no such build”/);
		// What was chosen stays.
		expect(await person.page.$$eval('.pair section', (all) => all.length)).toBe(2);
	});
});

describe('one person on two screens', () => {
	let crew: Crew;
	let at: Person;
	let also: Person;
	beforeAll(async () => {
		crew = await crewWith('demo');
		[at, also] = [await crew.person('mouse'), await crew.person('thumb')];
	});
	afterAll(async () => {
		expect([at.complaints, also.complaints]).toEqual([[], []]);
		await crew.stop();
	});

	it('changes two things of how a sled is worn: both stand, and the first to change is told of the other', async () => {
		for (const person of [at, also]) {
			await person.page.bringToFront();
			await toSled(person);
			await person.press('Arm and vest', 'nav');
			await person.arrives(/\/arm$/);
		}
		await also.press(/^Reversed/);
		await also.page.waitForFunction(
			() => document.querySelector('[data-testid="arm-reversed"][aria-pressed="true"]') !== null
		);
		await new Promise((resolve) => setTimeout(resolve, 1500));
		await at.page.bringToFront();
		await at.press('Arm on the left');
		await at.reads(/You changed this on another screen meanwhile/, 'body');
		await at.page.waitForFunction(
			() => document.querySelector('[data-testid="arm-reversed"][aria-pressed="true"]') !== null
		);
	});
});

describe('a crew that owns nothing', () => {
	let crew: Crew;
	let person: Person;
	beforeAll(async () => {
		crew = await crewWith('nothing');
		person = await crew.person('thumb');
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('is told what to do first, where there is nothing to learn from, to compare or to find', async () => {
		await person.press(/Logbook$/, 'header');
		await person.arrives(/^\/logbook$/);
		await person.press(/teach|learn/i, 'main');
		await person.arrives(/^\/learn$/);
		await person.reads(/Nothing yet: log a balance whose axes were seen to hold/);
		expect(await person.offers('Take all of them over')).toBe(false);
		await person.press(/the shelf/, 'main');
		await person.arrives(/^\/shelf$/);
		await person.reads(/No part yet/);
	});
});
