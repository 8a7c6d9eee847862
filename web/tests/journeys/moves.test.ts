import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** A move from the front door: made, timed, tried against the room, saved, found again; with nothing on the shelf, and with a crew's gear. */

const movePage = /^\/moves\/[0-9a-f-]{36}$/;
const sheets = 'nav[aria-label="Sheets of this move"]';

const by = (person: Person) => ({
	saved: async () => {
		const state = '[data-testid="move-save"]';
		const done = await person.page
			.waitForSelector(`${state}[data-state="saved"]`, { timeout: 20_000 })
			.catch(() => null);
		if (done === null) throw new Error(`Not saved: ${await person.words(state)}\n${await person.words()}`);
	},
	tried: () => person.page.waitForSelector('[data-testid="clear-state"][data-state="tried"]', { timeout: 60_000 }),
	field: (testId: string) => person.page.$eval(`[data-testid="${testId}"]`, (each) => (each as HTMLInputElement).value),
	sheet: async (words: string, path: string) => {
		await person.press(words, sheets);
		await person.arrives(path === '' ? movePage : new RegExp(`${movePage.source.slice(0, -1)}/${path}$`));
	},
	/** A handle of a drawing, pulled so far by the hand that this person has; with keys by arrows. */
	pulls: async (testId: string, dx: number, dy: number, arrows: readonly string[]) => {
		const css = `[data-testid="${testId}"]`;
		const handle = (await person.page.waitForSelector(css))!;
		await handle.evaluate((each) => each.scrollIntoView({ block: 'center' }));
		await new Promise((resolve) => setTimeout(resolve, 200));
		const { x, y, width, height } = (await handle.boundingBox())!;
		const [fromX, fromY] = [x + width / 2, y + height / 2];
		if (person.way === 'keys') {
			await handle.evaluate((each) => (each as unknown as HTMLElement).focus());
			for (const arrow of arrows) await person.page.keyboard.press(arrow as 'ArrowLeft');
		} else if (person.way === 'thumb') {
			const touch = await person.page.touchscreen.touchStart(fromX, fromY);
			for (let k = 1; k <= 6; k += 1) await touch.move(fromX + (dx * k) / 6, fromY + (dy * k) / 6);
			await touch.end();
		} else {
			await person.page.mouse.move(fromX, fromY);
			await person.page.mouse.down();
			await person.page.mouse.move(fromX + dx, fromY + dy, { steps: 6 });
			await person.page.mouse.up();
		}
		await person.settled();
	}
});

describe.each(waysToday(2))('a first move with %s, with nothing on the shelf', (way: Way) => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('nothing');
		person = await crew.person(way);
		hand = by(person);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('is made from a pattern on an empty floor', async () => {
		await person.press(/Moves$/, 'header nav');
		await person.arrives(/^\/moves$/);
		await person.reads(/The first move/);
		await person.types('Name', 'Along the table');
		await person.press(/^Slider, level/);
		await person.arrives(movePage);
		await person.reads(/It takes 8\.0 s/, '.slip .answer');
		await person.reads(/An empty floor/, '.slip');
	});

	it('a run typed as so far, in so long lays rail and knots; the speed’s shape is how it starts and ends', async () => {
		const made = person.path;
		await hand.saved();
		await person.press('All moves');
		await person.arrives(/^\/moves$/);
		await person.types('so far', '0');
		await person.reads(/Between 0\.05 and 60 m/);
		await person.types('so far', '1.2');
		await person.types(/^in$/, '6');
		await person.types('subject off the line', '1.5');
		await person.types('lens', '50');
		await person.press('Lay rail and knots');
		await person.arrives(movePage);
		// From rest to rest, 300 mm/s of 250: not possible; evenly 200 are; by ramps 240.
		await person.reads(/It takes 7\.\d s at least/, '.slip .answer');
		await person.press('Time', '.topics');
		await person.press('Even all the way');
		await person.reads(/Nearest its limit: along the rail, 200 mm\/s of 250 mm\/s/, '.slip');
		await person.reads(/it has its speed at once.*the carriage needs 0\.5 s and 50 mm/, '.slip');
		await person.press('Own ramps');
		await person.reads(/Nearest its limit: along the rail, 240 mm\/s of 250 mm\/s/, '.slip');
		await person.press('Soft at both ends');
		await person.reads(/It takes 9\.0 s at least/, '.slip .answer');
		await person.press('From rest to rest');
		await person.press(/^Make it 7/);
		await person.reads(/It takes 7\.2 s$/, '.slip .answer');
		// What it is of stands in the picture by what it is.
		await person.press('Subject', '.topics');
		await person.picks(/^is/, /^a cake$/);
		await hand.saved();
		// Knots before and after, as they are put, are rests: nothing goes past its end.
		await person.press('Knot', '.topics');
		await person.press(/^Knot after/);
		await person.reads(/^(?!.*past its end)/, '.slip .answer');
		await hand.saved();
		await person.press('All moves');
		await person.arrives(/^\/moves$/);
		await person.press('Along the table');
		await person.arrives(movePage);
		expect(person.path).toBe(made);
	});

	it('looks at the subject wherever the two handles are pulled', async () => {
		const before = await person.words('[data-testid="set-list"]');
		await hand.pulls('subject', 60, 0, ['ArrowRight', 'ArrowRight', 'ArrowRight']);
		await person.page.waitForFunction(
			(was: string) =>
				(document.querySelector('[data-testid="set-list"]') as HTMLElement).innerText.replace(/\s+/g, ' ').trim() !==
				was,
			{},
			before
		);
		// The subject is further to the right now: at the start the camera turns less to its left.
		const pan = (words: string) => {
			const [, side, deg] = /pan (?:(left|right) )?([\d.]+)°/i.exec(words) ?? [];
			return Number(deg) * (side === 'right' ? -1 : 1);
		};
		expect(pan(await person.words('[data-testid="set-list"]'))).toBeLessThan(pan(before));
		await hand.pulls('camera', 40, 0, ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight']);
		await person.reads(/rail 0\.(1[1-9]|[2-9]\d) m to 1\.12 m/i, '[data-testid="set-list"]');
	});

	it('has a knot more, a rest at it, and is quicker than it may be: said, and mended', async () => {
		await person.press(/^Knot between this and the next/);
		await person.types(/^rests for/, '2');
		await person.press('Time');
		await person.types('altogether', '4');
		await person.reads(/at least/, '.slip .answer');
		await person.press(/^Make it/);
		await person.reads(/It takes [\d.]+ s$/, '.slip .answer');
		await hand.saved();
	});

	it('refuses two knots at one time, at the field, and keeps what stood', async () => {
		await person.press('Knot', '.topics');
		await person.types(/^at$/, '900');
		await person.reads(/Not after/);
		await person.types(/^at$/, '3');
		await hand.saved();
	});

	it('a rail of no length is refused at its field', async () => {
		await person.press('Carried by');
		await person.types(/^to$/, '0.05');
		await person.reads(/a rail of no length goes nowhere/);
		await person.types(/^to$/, '1.12');
		await hand.saved();
	});

	it('what its rail gives is a careful guess, said, until its own figure is typed', async () => {
		await person.press('Carried by');
		await person.reads(/A careful guess by its kind/);
		await person.reads(/mm more for what gives, a careful guess/, '.slip');
		await person.types(/^gives under load/, '3000');
		await person.reads(/Between 0 and 1 m/);
		await person.types(/^gives under load/, '25');
		await person.reads(/25(\.0)? mm more for what gives, as its own figure says/, '.slip');
		await person.press('Guess it by its kind');
		await person.reads(/mm more for what gives, a careful guess/, '.slip');
		await hand.saved();
	});

	it('where its lens is nobody has measured: said, then measured, and it looks another way', async () => {
		await person.press('Camera', '.topics');
		await person.reads(/Nobody has measured where the lens is/, '.slip');
		const before = await person.words('[data-testid="set-list"]');
		await person.picks(/^where the lens is/, /^measured$/);
		await person.types(/^above them/, '5000');
		await person.reads(/Within 1 m/);
		await person.types(/^above them/, '90');
		await person.page.waitForFunction(
			(was: string) => {
				const slip = (document.querySelector('.slip') as HTMLElement).innerText;
				const set = (document.querySelector('[data-testid="set-list"]') as HTMLElement).innerText;
				return !/Nobody has measured/.test(slip) && set.replace(/\s+/g, ' ').trim() !== was;
			},
			{},
			before
		);
		await hand.saved();
	});

	it('is there again by the day line, as it was left', async () => {
		const answer = await person.words('.slip .answer');
		await person.press(/Payload$/, 'header nav');
		await person.settled();
		await person.press(/Moves$/, 'header nav');
		await person.arrives(movePage);
		await person.reads(new RegExp(answer.replace(/[.()]/g, '\\$&')), '.slip .answer');
		expect(await hand.field('move-name')).toBe('Along the table');
	});

	it('prints a pan bar’s sheet in the order in which it is done', async () => {
		await hand.sheet('Pan bar', 'bar');
		await person.reads(/It misses by at most [\d.]+ %/);
		await person.reads(
			/Square to the subject.*Centre: carriage at 0\.60 m.*End A: carriage to 0\.08 m.*Centre again.*End B: carriage to 1\.12 m/
		);
		await person.press('Turn the camera with it');
		await hand.saved();
		await hand.sheet('Rail', 'rail');
		await person.reads(/Second support bears/);
		await hand.sheet('Focus', 'focus');
		await person.reads(/Sharp all the way as reckoned|goes soft/);
		await hand.sheet('Tables', 'tables');
		await person.reads(/Hold it by/);
	});

	it('an overhead one looks straight down, and says what it needs before anybody lifts it', async () => {
		await person.press('All moves', sheets);
		await person.types('Name', 'Over the table');
		await person.press(/^Slider, over the subject/);
		await person.arrives(movePage);
		await person.reads(/It takes 9\.0 s/, '.slip .answer');
		await person.reads(/hangs over heads/, '.slip');
		await hand.sheet('Rail', 'rail');
		await person.reads(/hangs under the carriage.*safety bond on rail, carriage and camera/);
		await person.press('All moves', sheets);
		await person.press(/^Along the table/);
		await person.arrives(movePage);
	});

	it('logs a run, and the logbook has it', async () => {
		await person.press('Log a run');
		await person.types('Note', 'Cup was full');
		await person.press('Log it');
		await person.reads(/It is in the logbook/);
		await person.press(/Logbook$/, 'header nav');
		await person.reads(/Along the table.*Cup was full.*ran as planned/);
		await person.press(/Along the table/, 'main');
		await person.reads(/Expected.*Seen ran as planned.*Reckoned now/);
	});

	it('a pillar and a table are put on the plan from the move itself; the venue that they make is there to be drawn on', async () => {
		await person.press(/Moves$/, 'header nav');
		await person.arrives(movePage);
		await person.press('Venue and history', '.topics');
		await person.press('Pillar');
		await person.reads(/Floor of/, '.slip');
		await person.reads(/Pillar 1/, '[data-testid="put-here"]');
		await person.types('across', '9999');
		await person.reads(/Within \d+ m/, '[data-testid="put-here"]');
		await person.press('Table');
		await person.reads(/Table 1/, '[data-testid="put-here"]');
		await person.press('Take it off again');
		await hand.saved();
		await person.press('Change its plan');
		await person.arrives(/^\/venues\/[0-9a-f-]{36}$/);
		await person.reads(/Pillar 1/);
		expect(await person.words('main')).not.toMatch(/Table 1/);
	});
});

describe.each(waysToday(3))('a crane’s move with %s, with a crew’s gear', (way: Way) => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('demo');
		person = await crew.person(way);
		hand = by(person);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('goes on with the last move, and all moves are one press away', async () => {
		await person.press(/Moves$/, 'header nav');
		await person.arrives(movePage);
		await person.press('All moves', sheets);
		await person.arrives(/^\/moves$/);
		await person.press(/^Salute, low to high/);
		await person.arrives(movePage);
		await hand.tried();
		await person.reads(/It takes/, '.slip .answer');
		await person.reads(/Piste/, '.slip');
	});

	it('is extended at both ends, told to be quicker than it can, and made possible', async () => {
		await person.press('Knot before');
		await person.press('Knot after');
		await person.press('Time');
		await person.types('altogether', '7');
		await person.reads(/at least/, '.slip .answer');
		await person.press(/^Make it/);
		await person.reads(/It takes [\d.]+ s$|It passes|It strikes/, '.slip .answer');
		await hand.saved();
	});

	it('strikes the truss when its boom is raised there; a knot that keeps away is offered', async () => {
		await person.press('Knot', '.topics');
		// Into the lamp truss: high, and out over the piste.
		await person.types(/^swing$/, '30');
		await person.types(/^boom$/, '48');
		await hand.tried();
		await person.press('Time');
		await person.types('altogether', '40');
		await person.press('Venue and history');
		await person.types('room asked beside it all', '0.9');
		await hand.tried();
		await person.reads(/It strikes|It passes/, '.slip .answer');
		const asked = await person.words('.slip .answer');
		await person.press('A knot that keeps away from it');
		await person.page.waitForFunction(
			(was: string) =>
				(document.querySelector('.slip .answer') as HTMLElement).innerText.replace(/\s+/g, ' ').trim() !== was ||
				/No knot that was tried/.test(document.body.innerText),
			{ timeout: 120_000 },
			asked
		);
		await hand.saved();
	});

	it('is undone step by step, and there again when the page is opened anew', async () => {
		const before = await person.words('.slip .answer');
		await person.press('Undo');
		await hand.saved();
		await person.press('Redo');
		await hand.saved();
		await person.page.reload();
		await person.settled();
		await hand.tried();
		expect(await person.words('.slip .answer')).toBe(before);
	});

	it('is run backwards line by line by a named person, and says so until it changes', async () => {
		await hand.sheet('Backwards', 'backwards');
		await person.page.waitForFunction(() => document.querySelector('[data-testid="steps-wait"]') === null);
		const lines = await person.page.$$eval('.steps input', (all) =>
			all.map((each) => each.getAttribute('data-testid')!)
		);
		for (const line of lines) {
			const tick = (await person.page.$(`[data-testid="${line}"]`))!;
			await tick.evaluate((each) => each.scrollIntoView({ block: 'center' }));
			if (way === 'thumb') await tick.tap();
			else if (way === 'mouse') await tick.click();
			else {
				await tick.focus();
				await person.page.keyboard.press('Space');
			}
		}
		await person.press(/ran it backwards$/);
		await person.reads(/ran it backwards, /, '[data-testid="backwards-answer"]');
		await hand.saved();
		await hand.sheet('Move', '');
		await person.press('Knot', '.topics');
		await person.types(/^rests for/, '4');
		await hand.saved();
		await hand.sheet('Backwards', 'backwards');
		await person.reads(/has changed since/, '[data-testid="backwards-answer"]');
		// What was ticked was of another way: nothing of it counts, and nobody can say so again without going it.
		expect(
			await person.page.$$eval('.steps input', (all) => all.filter((each) => (each as HTMLInputElement).checked).length)
		).toBe(0);
		expect(
			await person.page.$eval('[data-testid="ran-backwards"]', (each) => (each as HTMLButtonElement).disabled)
		).toBe(true);
	});

	it('is read in inches and feet at once when somebody works in them', async () => {
		await hand.sheet('Move', '');
		await person.press(/mm · g/, 'header');
		await person.reads(/focus [\d.]+ ft to [\d.]+ ft/i, '[data-testid="set-list"]');
		await person.press(/in · lb/, 'header');
		await person.reads(/focus [\d.]+ m to [\d.]+ m/i, '[data-testid="set-list"]');
	});

	it('looks where a phone is pointed: at the subject first, then aside', async () => {
		await hand.sheet('Move', '');
		await person.press('Knot', '.topics');
		const turn = (alpha: number) =>
			person.page.evaluate(
				(each: number) =>
					window.dispatchEvent(
						new DeviceOrientationEvent('deviceorientation', { alpha: each, beta: 90, gamma: 0, absolute: false })
					),
				alpha
			);
		await person.press('Point with the phone');
		await turn(40);
		await person.press('Press');
		await person.reads(/where the lens should look/);
		await turn(48);
		await person.press('Press');
		await person.page.waitForFunction(() => {
			const field = document.querySelector<HTMLInputElement>('[data-testid="knot-off-panRad"]');
			return field !== null && Math.abs(Math.abs(Number(field.value)) - 8) < 0.11;
		});
		await person.press('Undo');
		await hand.saved();
	});

	it('a head of the shelf turns it: its figures count', async () => {
		await hand.sheet('Move', '');
		await person.press('Head', '.topics');
		await person.picks(/^which/, /^Table-top motor head$/);
		await hand.saved();
		await person.press('Heads on the shelf');
		await person.arrives(/^\/heads$/);
		await person.press(/^Table-top motor head/);
		await person.reads(/Who holds it/);
	});
});
