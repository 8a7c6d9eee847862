import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Payload } from '../../src/lib/model/payload';
import { send } from '../application';
import { type Crew, crewWith, Person, type Way, ways } from '../person';

/** A person whose crew owns nothing: from the front door to a logged balance that is found again. */

async function newPart(
	person: Person,
	kind: RegExp,
	name: string,
	mass: string,
	size: readonly [string, string, string]
) {
	await person.press(/New part/);
	await person.types('Name', name);
	await person.picks('Kind', kind);
	await person.types(/^Mass/, mass);
	await person.types(/^Length/, size[0]);
	await person.types(/^Width/, size[1]);
	await person.types(/^Height/, size[2]);
	await person.press('Add to the shelf and the plate');
	await person.reads(new RegExp(name));
}

/** Does what the slip says until it is poised, then logs it; gives every heading and answer it read on the way. */
async function balances(person: Person): Promise<string[]> {
	const told: string[] = [];
	for (let steps = 0; steps < 20; steps += 1) {
		const slip = await person.words('.slip');
		told.push(slip.slice(0, 160));
		if (/^Every axis was let go and held/.test(slip)) return told;
		if (/(Now|Once more,) let go of/.test(slip)) await person.press('Holds');
		else await person.press(/^It stands at/);
		await person.page.waitForFunction(
			(before: string) =>
				((document.querySelector('.slip') as HTMLElement | null)?.innerText ?? '')
					.replace(/\s+/g, ' ')
					.slice(0, 160) !== before,
			{ timeout: 5000 },
			slip.slice(0, 160)
		);
	}
	throw new Error(`Not poised after twenty presses:\n${told.join('\n')}`);
}

describe.each(ways)('a newcomer with %s', (way: Way) => {
	let crew: Crew;
	let person: Person;
	beforeAll(async () => {
		crew = await crewWith('nothing');
		person = await crew.person(way);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('makes a body and a lens, and both stand on the plate, the lens before the body', async () => {
		await person.press(/Feel$/, 'header nav');
		await person.arrives(/^\/feel$/);
		await person.press('build a payload');
		await person.arrives(/^\/payload$/);
		await person.reads(/No payload yet/);
		await person.press('New payload');
		await person.arrives(/^\/payload\/[0-9a-f-]{36}$/);
		await newPart(person, /^camera$/, 'First body', '700', ['75', '130', '95']);
		await newPart(person, /^lens$/, 'First lens', '420', ['110', '72', '72']);
		const words = await person.words();
		expect(words).toMatch(/First body/);
		expect(words).toMatch(/First lens/);
		await person.reads(/1\.20 kg, ready to balance/);
		await person.page.waitForSelector('[data-testid="save"][data-state="saved"]');
		const [payload] = (await send(crew.origin, 'GET', '/api/payloads')).body as Payload[];
		const [body, lens] = payload!.placements.map(({ positionM }) => positionM);
		// The middle of the lens lies half of both lengths before that of the body: beside it, not inside.
		expect(lens![0] - body![0]).toBeCloseTo((0.075 + 0.11) / 2, 6);
		await person.reads(/Centre of gravity .*forward/);
	});

	it('has no gimbal, is shown where they are made, makes one from a pattern and comes back to its payload', async () => {
		await person.press('Choose what carries it');
		await person.arrives(/^\/balance$/);
		await person.reads(/None yet/);
		await person.press(/a first one, from a pattern/);
		await person.arrives(/^\/gimbals$/);
		// Which of the patterns carry what was just built is said before one is taken.
		await person.reads(/One hand, .* carries New payload, 1\.20 kg/);
		await person.reads(/not for New payload: .* too light/);
		await person.press('Start from this');
		await person.arrives(/^\/gimbals\/[0-9a-f-]{36}$/);
		await person.reads(/These first/);
		expect(await person.words()).not.toMatch(/Motors and friction/);
		await person.types('Carries at most', '0');
		await person.reads(/More than the least/);
		await person.types('Carries at most', '2100');
		await person.press('All its figures');
		await person.reads(/Motors and friction/);
		await person.press('Put New payload on it');
		await person.arrives(/^\/balance\/gimbal\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/);
	});

	it('follows the slip, is told poised only after letting go, and logs it', async () => {
		const told = await balances(person);
		const first = told.findIndex((line) => /let go/.test(line));
		for (const line of told.slice(0, -1)) expect(line).not.toMatch(/\bPoised\b|power on/i);
		expect(told.slice(0, first).every((line) => /motors off/.test(line))).toBe(true);
		expect(told[told.length - 1]).toMatch(/Poised/);
		await person.reads(/power on/);
		await person.types('Note', 'First of all');
		await person.press('Log this balance');
		await person.press('Open it');
		await person.arrives(/^\/logbook\/[0-9a-f-]{36}$/);
		await person.reads(/let go and seen to hold/);
		expect((await person.words('.rows')).match(/found/g)).toHaveLength(4);
	});

	it('finds it again by its lens and by its day, corrects its note, and compares it', async () => {
		await person.press('All of the logbook');
		await person.arrives(/^\/logbook$/);
		await person.types(/Search/, 'first lens today');
		await person.reads(/1 balance\b/);
		await person.types(/Search/, 'first lens yesterday');
		await person.reads(/Nothing logged matches/);
		await person.types(/Search/, 'today');
		await person.press(/New payload/, 'ol');
		await person.arrives(/^\/logbook\/[0-9a-f-]{36}$/);
		await person.press('Correct this entry');
		await person.types('Note', 'First of all, in the hall');
		await person.press('Save the correction');
		await person.reads(/Say why/);
		await person.types('Why', 'The place was missing');
		await person.press('Save the correction');
		await person.reads(/Corrected by You, .*The place was missing.*The note was “First of all”/);
		await person.reads(/as logged|slide moves|slides move/);
		await person.press(/Balance it now/);
		await person.arrives(/^\/balance\/gimbal\//);
	});

	it('goes on to Feel, is told what to set with assumed scales, sets it so and logs it', async () => {
		await person.press(/Feel$/, 'header nav');
		await person.arrives(/^\/feel\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/);
		await person.reads(/Walk behind · upright · one person/, '.slip');
		await person.reads(/No wish stands in the way|no more than that is left|comes nearest/, '.slip');
		await person.reads(/Reckoned with assumed scales/, '.slip');
		await person.press('It is set so');
		await person.reads(/It is set as walk behind asks/, '.slip');
		await person.press('Log this feel');
		await person.reads(/Logged: Walk behind/, '.slip');
		await person.press('See the recipes');
		await person.arrives(/\/recipes$/);
		await person.reads(/Walk behind Pan follows.*New payload on/);
		await person.press(/Balance$/, 'header nav');
		await person.arrives(/^\/balance\/gimbal\//);
	});

	it('makes a sled, a crane and a slider too, and goes from one to the other and back to the gimbal', async () => {
		for (const [many, path, kind] of [
			['Sleds', 'sleds', 'sled'],
			['Cranes', 'cranes', 'crane'],
			['Sliders', 'sliders', 'slider']
		] as const) {
			await person.press(/Shelf$/);
			await person.arrives(/^\/shelf$/);
			await person.press(`all ${many.toLowerCase()}, and a new one`);
			await person.arrives(new RegExp(`^/${path}$`));
			await person.press('Start from this');
			await person.arrives(new RegExp(`^/${path}/[0-9a-f-]{36}$`));
			await person.press('Put a payload on it');
			await person.arrives(/^\/balance$/);
			await person.press(/./, `td[data-kind="${many}"]`);
			await person.arrives(new RegExp(`^/balance/${kind}/[0-9a-f-]{36}/[0-9a-f-]{36}$`));
		}
	});

	it('sets the slider’s supports as the slip says, walks the carriage, logs what it saw, and finds who changed it', async () => {
		const says = () => person.words('.slip');
		expect(await says()).not.toMatch(/\bStays\b, as seen/);
		const apart = person.page.waitForFunction(() =>
			/walk it end to end/.test((document.querySelector('.slip') as HTMLElement | null)?.innerText ?? '')
		);
		if (/^\S.*(is|are) done/.test(await person.words('.slip .go').catch(() => '')))
			await person.press(/(is|are) done$/);
		await apart;
		await person.press('Start lifts', '.looks');
		await person.reads(/The figures have it staying.*Seen start lifts.*Now reckoned it does not stay/);
		expect(await says()).not.toMatch(/Log this balance.*Stays, as seen/);
		await person.press(/^Strike out/, '.looks');
		await person.press('Stays', '.looks');
		await person.reads(/Stays, as seen/);
		await person.types('Note', 'On two stools');
		await person.press('Log this balance');
		await person.press('Open it');
		await person.arrives(/^\/logbook\/[0-9a-f-]{36}$/);
		await person.reads(/The carriage was walked from end to end, and it was seen to stay.*On two stools/);
		await person.press('Set the bench up so');
		await person.arrives(/^\/balance\/slider\//);
		await person.types('Reach past the carriage', '40');
		await person.page.waitForFunction(() =>
			/40/.test(document.querySelector<HTMLInputElement>('[data-testid="reach"]')?.value ?? '')
		);
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.press(/./, 'td[data-kind="Sliders"]');
		await person.arrives(/^\/balance\/slider\//);
		await person.press('Who changed it, and when');
		// One person at one piece of work leaves one entry, however often it was saved.
		await person.reads(/You .* the first that is kept as it stands/, '.history');
		await person.types('Incline, up to the far end', '95');
		await person.reads(/Within 90°/);
	});

	it('goes back to the gimbal', async () => {
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.reads(/on the bench now/);
		await person.press(/./, 'td[data-kind="Gimbals"]');
		await person.arrives(/^\/balance\/gimbal\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/);
	});
});
