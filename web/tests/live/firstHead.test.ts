import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { openBrowser } from '../browser';
import { by } from './deskHand';
import { type Crew, crewWith, Person, type Way, waysToday } from '../person';

/** Live from the front door: heads claimed, steered, homed, sent to poses, looped, let go, stopped and cleared. */

describe.each(waysToday(6))('a first head with %s, with an empty crew', (way: Way) => {
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
		const shown = await hand.digits(first);
		// What the box shows and the question stand on one page.
		await person.reads(new RegExp(`${shown.slice(0, 3)} ?${shown.slice(3)}`), '[data-testid="free-head"]');
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

	it('is looked at without being driven; hold, stick and rings are on one screen with the stop', async () => {
		await hand.look(/Head 202/);
		await person.reads(/Looking only: nobody drives head 1/, '.slip');
		expect(await person.page.$('[data-testid="hold"]')).toBeNull();
		await hand.choose(/Head 202/);
		await hand.ready();
		await person.page.evaluate(() => scrollTo(0, 0));
		const inside = await person.page.evaluate(() => {
			const stop = document.querySelector('[data-testid="stop-all"]')!.getBoundingClientRect();
			return ['stick-ball', 'hold', 'home-focus', 'home-zoom', 'home-iris'].map((name) => {
				const box = document.querySelector(`[data-testid="${name}"]`)!.getBoundingClientRect();
				return box.height >= 44 && box.top >= 0 && box.bottom <= stop.top && box.right <= innerWidth;
			});
		});
		expect(inside).toEqual([true, true, true, true, true]);
	});

	it('is steered while it is held, to its side, and rests when it is let go', async () => {
		await hand.ready();
		expect((await hand.face(first)).axes.panRad!.position).toBe(0);
		// Arrow keys steer nothing while nobody holds.
		await person.page.keyboard.down('ArrowLeft');
		await new Promise((resolve) => setTimeout(resolve, 300));
		expect((await hand.face(first)).axes.panRad!.position).toBe(0);
		await hand.holds();
		await person.page.waitForFunction(
			() =>
				Number(
					/left (\d+)°/.exec((document.querySelector('[data-testid="places"] dd') as HTMLElement).innerText)?.[1] ?? 0
				) > 8
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
		// A hold that is lost on the way drops nothing: it is what the next hold does, too.
		await hand.holds();
		await person.page.waitForSelector('[data-testid="found-zoom"]');
		await person.reads(/Keep holding: it finds the ends of the zoom ring/, '.slip .answer');
		await person.page.evaluate(() => dispatchEvent(new Event('blur')));
		await hand.up();
		await hand.rests(first);
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
		await hand.holdUntil(/is held: steer|stands at/);
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
		const machine = await openBrowser('its own');
		const other = await Person.at(machine, crew.origin, 'mouse');
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
		await other.press(/^Stop everything/);
		await person.reads(/Everything is stopped by/, '.slip');
		await hand.up();
		await hand.rests(first);
		await other.reads(/Everything is stopped/, '[data-testid="hold-band"]');
		expect(other.complaints).toEqual([]);
		await machine.stop();
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
		await person.reads(/Hold and steer|Hold to|Choose a head|stands at|Looking only/, '.slip');
	});
});
