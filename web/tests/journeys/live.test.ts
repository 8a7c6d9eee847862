import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { startBrowser } from '../../../scripts/browser.mjs';
import { type Crew, crewWith, Person, type Way, ways } from './person';

/** Live from the front door: heads claimed, steered, homed, sent to poses, looped, let go, stopped and cleared. */

interface Face {
	readonly id: string;
	readonly phase: string;
	readonly code: string | null;
	readonly powered: boolean;
	readonly axes: Readonly<Record<string, { readonly position: number; readonly rate: number }>>;
}
const by = (crew: Crew, person: Person) => {
	const { page } = person;
	const control = crew.heads!.control;
	const face = async (id: string): Promise<Face> => {
		const all = (await (await fetch(control)).json()) as Face[];
		return all.find((each) => each.id === id)!;
	};
	let isDown = false;
	let touch: Awaited<ReturnType<typeof page.touchscreen.touchStart>> | null = null;
	const middle = async (testId: string) => {
		for (let tries = 0; tries < 20; tries += 1) {
			const element = (await page.waitForSelector(`[data-testid="${testId}"]`))!;
			await element.evaluate((each) => each.scrollIntoView({ block: 'center', behavior: 'instant' }));
			await person.settled();
			const box = await element.boundingBox();
			if (box !== null) return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
			// A head that was not heard for a moment has nothing to hold for as long.
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
		throw new Error(`${testId} does not stay.`);
	};
	const hand = {
		face,
		handle: async (id: string, handling: unknown) => {
			await fetch(`${control}/${id}`, { method: 'POST', body: JSON.stringify(handling) });
		},
		/** Somebody stands before it and reads. */
		digits: async (id: string) => {
			for (let tries = 0; tries < 60; tries += 1) {
				const { code } = await face(id);
				if (code !== null) return code;
				await new Promise((resolve) => setTimeout(resolve, 50));
			}
			throw new Error('It shows nothing.');
		},
		choose: (name: RegExp) => person.press(name, '[data-testid="strips"]'),
		/** Its link is known well enough to hold. */
		ready: () => person.reads(/Let go and it stops on its way/, '[data-testid="hold"]'),
		down: async () => {
			if (person.way === 'keys') {
				isDown = true;
				await page.keyboard.down('Space');
			} else {
				const { x, y } = await middle('hold');
				isDown = true;
				if (person.way === 'thumb') touch = await page.touchscreen.touchStart(x, y);
				else {
					await page.mouse.move(x, y);
					await page.mouse.down();
				}
			}
		},
		up: async () => {
			if (!isDown) return;
			isDown = false;
			if (person.way === 'keys') await page.keyboard.up('Space');
			else if (person.way === 'thumb') await touch?.end();
			else await page.mouse.up();
		},
		/** Down, and held: a machine that is busy for a moment lets go, as it must, and a person presses again. */
		holds: async () => {
			for (let tries = 0; tries < 5; tries += 1) {
				await hand.down();
				const held = await page
					.waitForSelector('[data-testid="hold"][data-state="held"]', { timeout: 3000 })
					.catch(() => null);
				if (held !== null) return;
				await hand.up();
			}
			throw new Error(`It is not held: ${await person.words('[data-testid="hold"]')}`);
		},
		rests: async (id: string) => {
			for (let tries = 0; tries < 120; tries += 1) {
				const { phase } = await face(id);
				if (phase === 'rest' || phase === 'off') return;
				await new Promise((resolve) => setTimeout(resolve, 50));
			}
			throw new Error(`${id} does not rest.`);
		},
		/** Holds until the answer says what is wanted, then lets go. */
		holdUntil: async (wanted: RegExp) => {
			for (let tries = 0; tries < 4; tries += 1) {
				await hand.holds();
				const came = person.reads(wanted, '.slip .answer').then(
					() => null,
					(thrown: unknown) => thrown
				);
				// A machine that is busy for a moment lets go, as it must: a person presses again.
				const lost = page
					.waitForSelector('[data-testid="hold"][data-state="ended"]', { timeout: 20_000 })
					.then(() => 'lost' as const)
					.catch(() => came);
				const outcome = await Promise.race([came, lost]);
				await hand.up();
				if (outcome === null) return;
				if (outcome !== 'lost') throw outcome;
			}
			throw new Error('It could not be held long enough.');
		},
		/** Its place on the plan, a little to the right. */
		putsAside: async () => {
			const { x, y } = await middle('head-spot');
			if (person.way === 'keys') {
				await page.$eval('[data-testid="head-spot"]', (each) => (each as SVGElement).focus());
				for (let k = 0; k < 3; k += 1) await page.keyboard.press('ArrowRight');
			} else if (person.way === 'thumb') {
				const finger = await page.touchscreen.touchStart(x, y);
				for (let k = 1; k <= 4; k += 1) await finger.move(x + 15 * k, y);
				await finger.end();
			} else {
				await page.mouse.move(x, y);
				await page.mouse.down();
				await page.mouse.move(x + 60, y, { steps: 4 });
				await page.mouse.up();
			}
		},
		keeps: async (name: string) => {
			await person.types('As it stands now', name);
			await person.press('Keep this pose');
			await person.reads(new RegExp(`${name} ?stands there`), '[data-testid="shots"]');
		}
	};
	return hand;
};

describe.each(ways)('a first head with %s, with an empty crew', (way: Way) => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	const first = 'h-202';
	beforeAll(async () => {
		crew = await crewWith('nothing', 'free');
		person = await crew.person(way);
		hand = by(crew, person);
		// Only this one has power: one is claimed at a time.
		for (const id of ['h-201', 'h-203', 'h-204', 'h-205']) await hand.handle(id, { powered: false });
	});
	afterEach(() => hand.up());
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('is claimed by the digits it shows, and by no others', async () => {
		await person.press(/Live$/, 'header nav');
		await person.arrives(/^\/live$/);
		await person.reads(/Claim the first head/);
		await person.press('Claim a head', '.slip');
		await person.arrives(/^\/live\/claim$/);
		// Those without power are forgotten in a moment.
		await person.page.waitForFunction(() => document.querySelectorAll('[data-testid="free-head"]').length === 1);
		await person.press('Claim it');
		await person.reads(/The seven digits it shows/);
		await hand.digits(first);
		await person.types('The seven digits it shows', '12a');
		await person.press('These it shows', '[data-testid="free-head"]');
		await person.reads(/2 digits and other signs; the box shows seven/);
		const wrong = String((Number(await hand.digits(first)) + 1) % 1e7).padStart(7, '0');
		await person.types('The seven digits it shows', wrong);
		await person.press('These it shows', '[data-testid="free-head"]');
		await person.reads(/Those are not its digits/);
		await person.press('Claim it');
		await person.reads(/The seven digits it shows/);
		await new Promise((resolve) => setTimeout(resolve, 600));
		const digits = await hand.digits(first);
		await person.types('The seven digits it shows', `${digits.slice(0, 3)} ${digits.slice(3)}`);
		await person.press('These it shows', '[data-testid="free-head"]');
		await person.reads(/1 Head 202 h-202, here/);
		await person.press('To the desk');
		await person.arrives(/^\/live$/);
	});

	it('is steered while it is held, to its side, and rests when it is let go', async () => {
		await hand.choose(/Head 202/);
		await hand.ready();
		expect((await hand.face(first)).axes.panRad!.position).toBe(0);
		// Arrow keys steer nothing while nobody holds.
		await person.page.keyboard.down('ArrowLeft');
		await new Promise((resolve) => setTimeout(resolve, 300));
		expect((await hand.face(first)).axes.panRad!.position).toBe(0);
		await hand.holds();
		await person.page.waitForFunction(
			() => Number((document.querySelector('[data-testid="places"] dd') as HTMLElement).innerText.replace('°', '')) > 8
		);
		await person.page.keyboard.up('ArrowLeft');
		await hand.up();
		await hand.rests(first);
		expect((await hand.face(first)).axes.panRad!.position).toBeGreaterThan(0.1);
	});

	it('finds the ends of its zoom ring before it is zoomed', async () => {
		expect(await person.page.$('[data-testid="spring-zoom"]')).toBeNull();
		await (await person.page.$('[data-testid="home-zoom"]'))!.evaluate((each) => (each as HTMLElement).click());
		await person.reads(/Hold to find the ends of the zoom ring/, '.slip');
		await hand.holds();
		await person.page.waitForSelector('[data-testid="spring-zoom"]', { timeout: 30_000 });
		await hand.up();
		await hand.rests(first);
	});

	it('keeps poses, goes from one to the other, and stops on its way when it is let go', async () => {
		await hand.keeps('left');
		await person.press(/home/, '[data-testid="shots"]');
		await person.reads(/Hold to move head 1 to home/, '.slip');
		await hand.holdUntil(/Hold and steer|stands at/);
		await hand.rests(first);
		expect((await hand.face(first)).axes.panRad!.position).toBeCloseTo(0, 2);
		await hand.keeps('middle');
		await person.press(/left/, '[data-testid="shots"]');
		await person.reads(/Hold to move head 1 to left/, '.slip');
		await person.reads(/as computed from its speeds/, '.slip');
		await person.reads(/There is no plan to try it against/, '[data-testid="room-said"]');
		await hand.holdUntil(/stands at left/);
	});

	it('loses no pose with its power, and is recognised when it comes back', async () => {
		await hand.handle(first, { powered: false });
		await person.reads(/Head 1 is away/, '.slip');
		await hand.handle(first, { powered: true });
		await person.reads(/Hold and steer head 1|Hold to move/, '.slip');
		await person.reads(/left.*middle/, '[data-testid="shots"]');
		// Its rings' ends went with its power.
		await person.page.waitForSelector('[data-testid="home-zoom"]');
	});

	it('everything is stopped from another screen, by anybody, and cleared by name', async () => {
		// Another machine: on this one its window would take this one's hand off, and its start would starve the hold.
		const { browser, stop } = await startBrowser();
		const other = await Person.at(browser, crew.origin, 'mouse');
		await new Promise((resolve) => setTimeout(resolve, 1000));
		await hand.ready();
		const seen = () =>
			other.page
				.waitForFunction(
					() =>
						/held by/.test(
							(document.querySelector('[data-testid="hold-band"]') as HTMLElement | null)?.innerText ?? ''
						),
					{ timeout: 4000 }
				)
				.then(
					() => true,
					() => false
				);
		await hand.holds();
		for (let tries = 0; !(await seen()); tries += 1) {
			expect(tries, 'it is seen held from there').toBeLessThan(4);
			await hand.up();
			await hand.holds();
		}
		await other.press('Stop everything');
		await person.reads(/Everything is stopped by/, '.slip');
		await hand.up();
		await hand.rests(first);
		await other.reads(/Everything is stopped/, '[data-testid="hold-band"]');
		expect(other.complaints).toEqual([]);
		await stop();
		await person.press(/^Clear it as/);
		await person.reads(/Hold and steer|Hold to move|Hold to go on/, '.slip');
	});

	it('is set up: a name, a venue to come, soft ends that hold', async () => {
		await person.press(/^Set up/, '[data-testid="strips"]');
		await person.arrives(/^\/live\/heads\//);
		await person.reads(/here, battery/);
		await person.types('number', '7');
		await person.reads(/Saved/);
		await person.types('number', '0');
		await person.reads(/1|least|between/i);
		await person.types('number', '7');
		// How far it gives, and where its lens is: guessed and taken to be nowhere until somebody has measured.
		await person.reads(/A careful guess by its kind.*Nobody has measured it/);
		await person.types(/^gives under load/, '15');
		await person.reads(/Its own figure/);
		await person.picks(/^where the lens is/, /^measured$/);
		await person.types(/^ahead of the axes/, '2000');
		await person.reads(/Within 1 m/);
		await person.types(/^ahead of the axes/, '60');
		await person.reads(/As the camera stands on a table/);
		await person.reads(/Saved/);
		// Put where it stands on the plan: pulled by hand or finger, or pushed with the arrows.
		const stands = () => person.page.$eval('[data-testid="live-at-0"]', (each) => (each as HTMLInputElement).value);
		const before = Number(await stands());
		await hand.putsAside();
		await person.page.waitForFunction(
			(was: number) =>
				Number(document.querySelector<HTMLInputElement>('[data-testid="live-at-0"]')?.value) > was + 0.15,
			{ timeout: 5000 },
			before
		);
		await person.reads(/Saved/);
		await person.press(/^Live$/, 'header nav').catch(() => person.press(/Live$/, 'header nav'));
		await person.arrives(/^\/live$/);
		await person.reads(/7 Head 202/, '[data-testid="strips"]');
	});
});

describe('the chapel’s heads', () => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('demo', 'claimed');
		person = await crew.person('mouse');
		hand = by(crew, person);
		await person.press(/Live$/, 'header nav');
		await person.arrives(/^\/live$/);
	});
	afterEach(() => hand.up());
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it('three heads go to poses, one after the other, by hold, digit and key', async () => {
		for (const [name, id, digit] of [
			[/Left column/, 'h-202', '2'],
			[/Choir stand/, 'h-203', '1'],
			[/North ceiling/, 'h-204', '1']
		] as const) {
			await hand.choose(name);
			await hand.ready();
			await person.page.keyboard.press(digit);
			await person.reads(/Hold to move head/, '.slip');
			await person.reads(/By the plan/, '[data-testid="room-said"]');
			await hand.holdUntil(/stands at/);
			await hand.rests(id);
		}
	});

	it('one loops while another is driven by a controller', async () => {
		const loops = () =>
			person.reads(/loops rail end to end/, '[data-testid="strips"]').then(
				() => true,
				() => false
			);
		const startsLoop = async () => {
			await hand.choose(/Gallery rail/);
			await hand.ready();
			if (await person.offers('End it')) await person.press('End it');
			if (await person.offers('Stick takes over')) await person.press('Stick takes over');
			await person.press(/rail end to end/);
			// Not before the way has been tried against the plan.
			await person.page.waitForSelector('[data-testid="run-watched"]:not([disabled])', { timeout: 10_000 });
			await person.reads(/By the plan/, '[data-testid="room-said"]');
			await person.press(/^Run it, watched by/);
			return loops();
		};
		const pad = (axes: readonly number[] | null) =>
			person.page.evaluate((at) => {
				const pads = at === null ? [] : [{ connected: true, id: 'stand-in', axes: at }];
				Object.defineProperty(navigator, 'getGamepads', { value: () => pads, configurable: true });
			}, axes);
		/** Whether the one turned and the other looped all the while: a machine that is busy for a moment stops it, as it must. */
		const bothAtOnce = async () => {
			if (!(await startsLoop())) return false;
			await hand.choose(/Left column/);
			await hand.ready();
			const before = (await hand.face('h-202')).axes.panRad!.position;
			await pad([0.9, 0, 0, 0]);
			await hand.holds();
			await new Promise((resolve) => setTimeout(resolve, 900));
			await hand.up();
			await hand.rests('h-202');
			await pad(null);
			// To the right is clockwise from above.
			const turnedRad = (await hand.face('h-202')).axes.panRad!.position - before;
			expect(turnedRad).toBeLessThan(1e-3);
			return turnedRad < -0.05 && ['armed', 'stopping'].includes((await hand.face('h-201')).phase);
		};
		for (let tries = 0; !(await bothAtOnce()); tries += 1)
			expect(tries, 'it loops while the other is driven').toBeLessThan(4);
	});

	it('lets go on its way: back along it, and forward again', async () => {
		await hand.choose(/Choir stand/);
		await hand.ready();
		await person.page.keyboard.press('2');
		await person.reads(/Hold to move/, '.slip');
		await hand.holds();
		await person.reads(/to go\. Let go/, '.slip');
		await new Promise((resolve) => setTimeout(resolve, 500));
		await hand.up();
		await hand.rests('h-203');
		await person.reads(/Hold to go on to lectern, right/, '.slip');
		const on = (await hand.face('h-203')).axes.panRad!.position;
		await person.press('Back along the way');
		const back = async () => {
			await hand.holds();
			await new Promise((resolve) => setTimeout(resolve, 1500));
			await hand.up();
			await hand.rests('h-203');
			return Math.abs((await hand.face('h-203')).axes.panRad!.position - on) > 0.02;
		};
		// A machine that is busy for a moment lets go at once, as it must: a person presses again.
		for (let tries = 0; !(await back()); tries += 1) expect(tries, 'it goes back').toBeLessThan(4);
		await person.press('Stick takes over');
	});

	it('Esc stops everything, the loop too', async () => {
		await person.page.keyboard.press('Escape');
		await person.reads(/Everything is stopped by/, '.slip');
		await hand.rests('h-201');
		await person.press(/^Clear it as/);
		await person.reads(/Hold and steer|Hold to/, '.slip');
	});

	it('two at once: one drives, the other asks and is told', async () => {
		const other = await crew.person('mouse');
		await other.press(/Live$/, 'header nav');
		await other.arrives(/^\/live$/);
		await other.press(/Choir stand/, '[data-testid="strips"]');
		await other.reads(/is driven by/, '.slip');
		await person.reads(/asks for head 3/, '.slip');
		await person.press('Give it', '.slip');
		await other.reads(/Hold and steer/, '.slip');
		expect(other.complaints).toEqual([]);
	});

	it('the hand gone with the window, it rests', async () => {
		await hand.choose(/Left column/);
		await hand.ready();
		await hand.holds();
		await person.page.evaluate(() => dispatchEvent(new Event('blur')));
		await hand.rests('h-202');
		await hand.up();
	});

	it('a stop that the desk cannot hear is said to be none, and is kept for when it can', async () => {
		person.expects = /ERR_CONNECTION|Failed to (fetch|load)/;
		await crew.away(async () => {
			await person.reads(/The link to the desk is lost/, '.slip');
			await person.page.keyboard.press('Escape');
			await person.reads(/Your stop has not reached the desk/, '.slip');
		});
		await person.reads(/Everything is stopped by/, '.slip');
		await person.reads(/^(?!.*has not reached)/, '.slip');
		await person.press(/^Clear it as/);
		await person.reads(/Hold and steer|Hold to|Choose a head|stands at/, '.slip');
	});
});
