import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** Round a move: begun from a bench or a head, played and scrubbed, put right together with somebody else, and with the server away. */

const movePage = /^\/moves\/[0-9a-f-]{36}$/;
const sheets = 'nav[aria-label="Sheets of this move"]';
const nowS = async (person: Person) => Number.parseFloat(await person.words('[data-testid="now"]'));

describe.each(waysToday(4))('a move with %s, begun from what stands on the shelf', (way: Way) => {
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
	const saved = (of: Person = person) =>
		of.page.waitForSelector('[data-testid="move-save"][data-state="saved"]', { timeout: 20_000 });

	it('is laid with the arm of the bench in hand, and carries what is on it', async () => {
		await person.press('Choose payload and support', 'header');
		await person.arrives(/^\/balance$/);
		await person.press(/^Chapel jib/, 'td');
		await person.arrives(/^\/balance\/crane\//);
		await person.press('A move with it');
		await person.arrives(/^\/moves$/);
		await person.press('Lay it with Chapel jib');
		await person.arrives(movePage);
		await person.press('Carried by', '.topics');
		await person.reads(/Chapel jib/, '.details');
		await person.press('Camera', '.topics');
		expect(await person.words('.details')).not.toMatch(/Camera 2/);
		await saved();
	});

	it('says of every carrier and every payload on the shelf whether the one carries the other', async () => {
		await person.press('Carried by', '.topics');
		const offers = await person.words('[data-testid="carrier"]');
		expect(offers).toMatch(/Hall crane · .* too light: wants/);
		await person.picks(/^stands on/, /^Hall crane/);
		await person.press('Camera', '.topics');
		await person.reads(/Hall crane does not carry it · .* too light/, '[data-testid="too-much"]');
		await person.press('Undo');
		await saved();
		expect(await person.words('.details')).not.toMatch(/does not carry it/);
	});

	it('plays by Space wherever the hand is but in a field, and is gone through by its thread', async () => {
		await person.press('Subject', '.topics');
		const start = await nowS(person);
		if (way !== 'thumb') {
			// Another topic has the focus: Space plays, and does not press it.
			await person.page.focus('[data-testid="topic-knot"]');
			await person.page.keyboard.press('Space');
			await person.page.waitForFunction(
				(was: number) =>
					Number.parseFloat(document.querySelector('[data-testid="now"]')!.textContent!) > was + 0.2 &&
					document.querySelector('[data-testid="play"]')!.textContent!.trim() === 'Stop',
				{ timeout: 10_000 },
				start
			);
			await person.page.keyboard.press('Space');
			await person.reads(/Play ▸/, '.thread');
			const stood = await nowS(person);
			await person.types(/^called/, 'the reader at the desk');
			expect(await nowS(person)).toBe(stood);
		}
		const thread = (await person.page.$('[data-testid="scrub"] rect'))!;
		await thread.evaluate((each) => each.scrollIntoView({ block: 'center' }));
		const { x, y, width, height } = (await thread.boundingBox())!;
		if (way === 'keys') {
			await person.page.$eval('[data-testid="scrub"]', (each) => (each as SVGElement).focus());
			await person.page.keyboard.press('End');
			await person.page.keyboard.press('ArrowLeft');
		} else if (way === 'thumb') await person.page.touchscreen.tap(x + width * 0.75, y + height * 0.6);
		else await person.page.mouse.click(x + width * 0.75, y + height * 0.6);
		await person.page.waitForFunction(
			() => Number.parseFloat(document.querySelector('[data-testid="now"]')!.textContent!) > 5
		);
		await saved();
	});

	it('what somebody else saved meanwhile waits for a choice, and after a reload too', async () => {
		const other = await crew.person('mouse');
		await other.press(/Moves$/, 'header nav');
		await other.arrives(movePage);
		expect(other.path).toBe(person.path);
		await other.press('Venue and history', '.topics');
		await other.types('job', 'Evening');
		await saved(other);
		await person.press('Venue and history', '.topics');
		await person.types('job', 'Morning');
		await person.reads(/Somebody else has changed this move since you opened it/);
		await person.page.reload();
		await person.settled();
		await person.reads(/Yours is kept here until you choose/);
		await person.press('Venue and history', '.topics');
		const job = () => person.page.$eval('[data-testid="job"]', (field) => (field as HTMLInputElement).value);
		expect(await job()).toBe('Morning');
		await person.press('Show theirs');
		await saved();
		expect(await job()).toBe('Evening');
		await person.press('Undo');
		await saved();
		expect(await job()).toBe('Morning');
		await other.leaves();
	});

	it('a table put on the plan with the server away is said not to be there, and is put once it is back', async () => {
		await person.press('Venue and history', '.topics');
		await person.page.setOfflineMode(true);
		await person.press('Table', '.details');
		await person.reads(/link|reach|server/i, '.details [role="alert"]');
		expect(await person.words('.details')).not.toMatch(/Table \d/);
		await person.page.setOfflineMode(false);
		await person.press('Table', '.details');
		await person.reads(/Table \d/, '[data-testid="put-here"]');
		await person.press('Take it off again');
		await saved();
		// The browser's own word for a link that was cut on purpose.
		person.complaints.splice(
			0,
			person.complaints.length,
			...person.complaints.filter((each) => !/INTERNET|Failed/.test(each))
		);
	});

	it('is turned by the head that it was begun with', async () => {
		await person.press(/Shelf$/);
		await person.press('all heads, and a new one');
		await person.arrives(/^\/heads$/);
		await person.press('Start from this');
		await person.arrives(/^\/heads\/[0-9a-f-]{36}$/);
		await person.reads(/These first/);
		await person.types('pan, at most', '0');
		await person.reads(/three times a second|More than|Between|From/);
		await person.types('pan, at most', '55');
		await person.press('Plan a move with it');
		await person.arrives(/^\/moves$/);
		await person.press(/^Lay it with Small remote head/);
		await person.arrives(movePage);
		await person.press('Head', '.topics');
		await person.reads(/Small remote head/, '.details');
		await person.press('All moves', sheets);
		await person.arrives(/^\/moves$/);
		await person.reads(/Salute, low to high/);
	});
});
