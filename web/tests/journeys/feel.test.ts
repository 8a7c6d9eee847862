import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { send } from '../application';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** How a gimbal feels: from the front door to a recipe that is found again, with a crew's gear. */

const feelPage = /^\/feel\/[0-9a-f-]{36}\/[0-9a-f-]{36}$/;

describe.each(waysToday(1))('feel with %s', (way: Way) => {
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
	const saved = async () => {
		const state = '[data-testid="feel-save"]';
		const done = await person.page
			.waitForSelector(`${state}[data-state="saved"]`, { timeout: 15_000 })
			.catch(() => null);
		if (done === null) throw new Error(`Not saved: ${await person.words(state)}\n${await person.words()}`);
	};
	/** The search in its worker has found what it was asked. */
	const found = () =>
		person.reads(/No wish stands in the way|no more than that is left|comes nearest|only its stiffness/, '.slip');
	const sheet = async (words: string, path: string) => {
		await person.press(words, 'nav[aria-label="Sheets of Feel"]');
		await person.arrives(new RegExp(`${feelPage.source.slice(0, -1)}/${path}$`));
	};

	it('is reached by the day line: the chooser first, since nothing is in hand', async () => {
		await person.press(/Feel$/, 'header nav');
		await person.arrives(/^\/feel$/);
		const row = await person.page.$$eval('tbody tr', (rows) =>
			rows.findIndex((each) => /Cine build/.test(each.textContent ?? ''))
		);
		await person.press('Large two-handed gimbal', `tbody tr:nth-child(${row + 1})`);
		await person.arrives(feelPage);
		await person.reads(/Whip pan · upright · one person/, '.slip');
	});

	it('solves for a whip pan, sets it so, and logs the recipe', async () => {
		await person.picks(/^Shot/, /^Walk behind$/);
		await found();
		await person.picks(/^Shot/, /^Whip pan$/);
		await person.reads(/Fast follow\..*Set|It is set as/, '.slip .answer');
		await found();
		await person.press('It is set so');
		await person.reads(/It is set as whip pan asks/, '.slip .answer');
		await person.reads(/→/, '.slip .roll');
		await person.types('Note for the recipe', 'From the piste');
		await person.press('Log this feel');
		await person.reads(/Logged: Whip pan/, '.slip');
		await saved();
	});

	it('sees what differs with another lens: the recipe says why', async () => {
		await person.types(/^Lens/, '85');
		await found();
		await person.press('It is set so');
		await person.reads(/It is set as whip pan asks/, '.slip .answer');
		await sheet('Recipes', 'recipes');
		await person.reads(/From the piste/, '.book');
		await person.press(/From the piste/, '.book');
		await person.reads(/because the lens is longer/, '.slip');
		await person.reads(/Lens 40 mm 85 mm/, '[data-testid="recipe-differences"]');
		await person.types('Find a recipe', 'procession');
		await person.press('Find');
		await person.reads(/^(?!.*Whip pan).*Procession Pan follows/, '.book');
	});

	it('keeps all of it when the page is opened again', async () => {
		await saved();
		await person.press('Response', 'nav[aria-label="Sheets of Feel"]');
		await person.arrives(feelPage);
		await person.page.reload();
		await person.settled();
		await person.reads(/It is set as whip pan asks/, '.slip .answer');
		expect(await person.page.$eval('[data-testid="focal"]', (field) => (field as HTMLInputElement).value)).toBe('85');
	});

	it('says which mode for two people, and how to get there from the mode it is in', async () => {
		await sheet('Which mode', 'which');
		await person.press('Interview hold');
		await person.press('Holder and head operator');
		await person.reads(/Everything holds, turned with the stick\..*head operator turns pan and tilt/, '.slip');
		await person.reads(/Others do it so Pan follows/, '.slip');
		await person.press('Make our own from it');
		await person.types('Its name', 'Mayor’s speech');
		await person.reads(/What mayor’s speech wants/);
		await person.types(/At most shakes on screen/, '-3');
		await person.reads(/More than 0, up to 100 %/);
		await person.types(/At most shakes on screen/, '0.4');
		await person.types('Another shot of the day', 'The mayor speaks');
		await person.press('Add it');
		await person.reads(/The mayor speaks/);
		await sheet('Modes', 'modes');
		await person.press('Pan and tilt follow', '.slip');
		await person.reads(/Choose “pan \+ tilt” on the screen/, '.slip');
		await person.press(/^It is in pan and tilt follow now/);
		await person.reads(/It is in Pan and tilt follow now/, '.slip');
		await saved();
	});

	it('hears a buzz and sees a sag: expected, seen and now reckoned', async () => {
		await sheet('Stiffness', 'stiffness');
		await person.press('It buzzes');
		await person.types(/is at$/, '70');
		await person.press('Take it into account');
		await person.reads(/Expected no buzz .*Seen it buzzes at 70 Now reckoned motors .* late/, '.slip');
		await person.press('It sags');
		await person.types('It leans by', '0');
		await person.reads(/More than 0/, '.slip');
		await person.types('It leans by', '4');
		await person.press('Take it into account');
		await person.reads(/Seen 4° at .*Now reckoned .*off balance/, '.slip');
		await person.press(/^Strike out/, '.looks');
		await person.reads(/Count it/, '.looks');
	});

	it('a game controller and the arrow keys turn the head, each to its side', async () => {
		await sheet('Stick', 'stick');
		await person.reads(/Full stick turns/, '.slip');
		const pad = (axes: readonly number[] | null) =>
			person.page.evaluate((values) => {
				const stand = values === null ? null : { connected: true, id: 'Stand-in controller', axes: values };
				Object.defineProperty(navigator, 'getGamepads', { configurable: true, value: () => [stand] });
			}, axes);
		await pad([0.9, -0.9]);
		await person.reads(/pan \d.*°\/s right .*tilt \d.*°\/s up .*Stand-in controller/);
		await pad([-0.9, 0.5]);
		await person.reads(/pan \d.*°\/s left .*tilt \d.*°\/s down/);
		await pad(null);
		await person.reads(/pan 0°\/s tilt 0°\/s/);
		await person.page.keyboard.down('ArrowRight');
		await person.reads(/pan \d.*°\/s right tilt 0°\/s/);
		await person.page.keyboard.up('ArrowRight');
		await person.reads(/pan 0°\/s/);
		await person.types(/^Dead zone/, '-5');
		await person.reads(/Between 0 and 90 %/, '.slip');
		await person.types(/^Dead zone/, '12');
		await saved();
	});

	it('times the scale of another gimbal with three presses a turn', async () => {
		const before = person.path;
		await person.picks(/^Gimbal$/, /^Small single-handed/);
		await person.page.waitForFunction((path: string) => location.pathname !== path, {}, before);
		await person.settled();
		await person.press('Response', 'nav[aria-label="Sheets of Feel"]');
		await person.arrives(feelPage);
		// Far more than it carries and its motors hold: that comes first, on both sheets, and nothing is offered to be set.
		await person.reads(/It must not fly so\. It carries 2\.00 kg at most.*% of its motor.*motors stay off/, '.slip');
		expect(await person.page.$eval('[data-testid="set-so"]', (each) => (each as HTMLButtonElement).disabled)).toBe(
			true
		);
		await sheet('Stiffness', 'stiffness');
		await person.reads(/It must not fly so\. .*No stiffness mends that/, '.slip');
		await sheet('Scale', 'scale');
		await person.reads(/Set pan speed to 20 and time a quick turn/, '.slip');
		await person.types(/^“pan speed” is at/, '500');
		await person.reads(/Between 0 and 100 on this gimbal/);
		await person.types(/^“pan speed” is at/, '35');
		// No quick turn: said, asked again. And what is typed after is not what it was timed at.
		const slow = Date.now();
		await person.press(/Press as you turn/);
		await person.page.waitForFunction((until: number) => Date.now() >= until, {}, slow + 5400);
		await person.press(/Press at half of the way/);
		await person.press(/Press when it stands/);
		await person.reads(/Half of the way after 5\.\d s is no quick turn/);
		await person.types(/^“pan speed” is at/, '90');
		await person.reads(/Timed at pan speed 35/);
		await person.press('Turn again');
		await person.types(/^“pan speed” is at/, '20');
		for (const [halfMs, endMs] of [
			[700, 2600],
			[260, 700]
		] as const) {
			const began = Date.now();
			await person.press(/Press as you turn/);
			await new Promise((resolve) => setTimeout(resolve, Math.max(0, halfMs - (Date.now() - began))));
			await person.press(/Press at half of the way/);
			await new Promise((resolve) => setTimeout(resolve, Math.max(0, endMs - (Date.now() - began))));
			await person.press(/Press when it stands/);
			await person.reads(/half way after \d\.\d\d s, stood after \d\.\d\d s/);
			await person.types(/^It stood short/, '60');
			await person.reads(/Less than it was turned by/);
			await person.types(/^It stood short/, '3');
			await person.press('Keep this turn');
		}
		await person.reads(/Was reckoned 0\.6 .*assumed Seen 2 turns.*Now reckoned/, '.slip');
		await person.press(/^Take this for the gimbal/);
		await person.reads(/measured by/, '.slip');
		await saved();
		await person.press('Undo');
		await person.reads(/Take this for the gimbal/, '.slip');
		await person.press('Redo');
		await person.reads(/This is the gimbal’s scale/, '.slip');
		await saved();
	});

	it('a sled in hand: Feel says that it follows nothing and offers the gimbals', async () => {
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.press(/^Light sled/, 'td');
		await person.arrives(/^\/balance\/sled\//);
		await new Promise((resolve) => setTimeout(resolve, 600));
		await person.press(/Feel$/, 'header nav');
		await person.arrives(/^\/feel$/);
		await person.reads(/A sled follows nothing/);
		expect(await person.offers('Large two-handed gimbal')).toBe(true);
		const recipes = (await send(crew.origin, 'GET', '/api/recipes?find=piste')).body as { note: string }[];
		expect(recipes.some(({ note }) => note === 'From the piste')).toBe(true);
	});
});
