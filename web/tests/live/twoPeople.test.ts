import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { by } from './deskHand';
import { type Crew, crewWith, type Person, type Way, waysToday } from '../person';

/** Two people at one desk: who looks, who drives, who asks; and that a hold does what its headline said, whatever was done before. */

const atDesk = async (crew: Crew, way: Way) => {
	const person = await crew.person(way);
	await person.press(/Live$/, 'header nav');
	await person.arrives(/^\/live$/);
	return person;
};
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const longRun = process.env.POISE_LONG === '1';

describe.each(waysToday(7))('what the next hold does, with %s', (way: Way) => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('demo', 'claimed');
		person = await atDesk(crew, way);
		hand = by(crew, person);
	});
	afterEach(() => hand.up());
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	/** Slow enough to be stopped on a way of a second, on a busy machine too. */
	const lever = async (share: number) => {
		await person.page.$eval(
			'[data-testid="pace"]',
			(each, value) => {
				(each as HTMLInputElement).value = String(value);
				each.dispatchEvent(new Event('input', { bubbles: true }));
			},
			share
		);
		await person.reads(new RegExp(`Speed lever ?${Math.round(share * 100)} %`), '.slip');
	};
	const panOf = async (id: string) => (await hand.face(id)).axes.panRad!.position;

	it('a pose that was chosen is gone with its head: left and taken again, the hold steers and moves nothing by itself', async () => {
		await hand.choose(/Left column/);
		await hand.ready();
		await person.press(/lectern/, '[data-testid="shots"]');
		await person.reads(/Hold to move head 2 to lectern/, '.slip');
		await person.reads(/next: lectern/, '[data-testid="strips"]');
		await person.press('Leave it');
		await person.reads(/^(?!.*next: )/, '[data-testid="strips"]');
		await hand.choose(/Left column/);
		await hand.ready();
		await person.reads(/Hold and steer head 2/, '.slip .answer');
		const before = await panOf('h-202');
		await hand.holds();
		await pause(900);
		await hand.up();
		expect(Math.abs((await panOf('h-202')) - before)).toBeLessThan(1e-6);
	});

	it('interrupted on its way, then another pose chosen: it goes to that one, and says so everywhere', async () => {
		const interrupted = async () => {
			await person.press(/table/, '[data-testid="shots"]');
			await lever(1);
			await hand.holdUntil(/stands at table/);
			await hand.rests('h-202');
			await person.press(/lectern/, '[data-testid="shots"]');
			await person.reads(/Hold to move head 2 to lectern/, '.slip');
			await lever(0.2);
			await hand.holds();
			await hand.up();
			await hand.rests('h-202');
			return /Hold to go on to lectern/.test(await person.words('.slip .answer'));
		};
		// A busy machine sees it arrive before the hand is up: a person begins again.
		for (let tries = 0; !(await interrupted()); tries += 1) expect(tries, 'it stops on its way').toBeLessThan(4);
		await person.reads(/stopped on its way to lectern/, '[data-testid="strips"]');
		expect(await person.words('[data-testid="shots"]')).not.toMatch(/lectern ?stands there/);
		await person.press(/pulpit/, '[data-testid="shots"]');
		await person.reads(/Hold to move head 2 to pulpit/, '.slip .answer');
		await lever(1);
		await hand.holdUntil(/stands at pulpit/);
		await hand.rests('h-202');
		await person.reads(/stands at pulpit/, '[data-testid="strips"]');
	});

	it('a thumb that is lifted presses nothing that has come under it meanwhile', async () => {
		await hand.ready();
		await hand.down();
		await person.page.evaluate(() => {
			const over = Object.assign(document.createElement('button'), {
				onclick: () => over.setAttribute('data-hit', '')
			});
			over.setAttribute('style', 'position: fixed; inset: 0; z-index: 999');
			over.setAttribute('data-testid', 'came-under-it');
			document.body.append(over);
		});
		await hand.up();
		await pause(400);
		const hit = await person.page.$eval('[data-testid="came-under-it"]', (over) => {
			over.remove();
			return over.hasAttribute('data-hit');
		});
		expect(hit).toBe(false);
	});

	it('another head offers nothing of this one’s, and a stop leaves nothing standing by', async () => {
		await hand.choose(/Jib nose/);
		await hand.ready();
		expect(await person.words('[data-testid="shots"]')).not.toMatch(/back to/);
		await person.reads(/Hold and steer head 5/, '.slip .answer');
		await hand.choose(/Left column/);
		await hand.ready();
		await person.press(/lectern/, '[data-testid="shots"]');
		await person.reads(/Hold to move head 2 to lectern/, '.slip');
		await person.press(/^Stop everything/);
		await person.reads(/Everything is stopped by/, '.slip .answer');
		await person.press(/^Clear it as/);
		await hand.ready();
		await person.reads(/Hold and steer head 2/, '.slip .answer');
	});

	it('a move planned for another mount is refused with what differs', async () => {
		await person.press('Play a move');
		await person.reads(/Not on this head|takes on by name/, '[data-testid="moves-for-head"]');
		expect(await person.page.$eval('[data-testid="play-it"]', (each) => (each as HTMLButtonElement).disabled)).toBe(
			true
		);
	});
});

describe('two people', () => {
	let crew: Crew;
	let person: Person;
	let other: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('demo', 'claimed');
		person = await atDesk(crew, 'mouse');
		other = await atDesk(crew, 'thumb');
		hand = by(crew, person);
	});
	afterEach(() => hand.up());
	afterAll(async () => {
		expect([...person.complaints, ...other.complaints]).toEqual([]);
		await crew.stop();
	});

	it('one looks at a head that the other drives, and takes nothing by it, however long', async () => {
		await hand.choose(/Choir stand/);
		await other.press(/Choir stand/, '[data-testid="strips"]');
		await other.reads(/Looking only: head 3 is driven by/, '.slip .answer');
		// A digit leads to no other station and chooses nothing.
		await other.page.keyboard.press('1');
		await other.reads(/head 3 is only looked at/, '.slip');
		await pause(6000);
		await other.reads(/Looking only: head 3 is driven by/, '.slip .answer');
		await person.reads(/Hold and steer head 3/, '.slip .answer');
		expect(await person.words('.slip')).not.toMatch(/asks for/);
	});

	it('asked, it is kept, and that is told; asked again, it is given', async () => {
		await other.press(/^Ask .* for it/, '.slip');
		await person.reads(/asks for head 3.*Without an answer they may take it in \d+ s/, '.slip');
		await other.reads(/Without an answer you may take it in \d+ s/, '.slip');
		await person.press('Keep it', '.slip');
		await other.reads(/keeps it/, '.slip');
		await other.press(/^Ask .* for it/, '.slip');
		await person.reads(/asks for head 3/, '.slip');
		await person.press('Give it', '.slip');
		// It can be held, and not only looked at.
		await other.reads(/Hold and steer head 3/, '.slip .answer');
		await person.reads(/Looking only: head 3 is driven by/, '.slip .answer');
	});

	it('after the stated silence it may be taken, by another press; a lead takes it by name at once', async () => {
		await person.press(/^Ask .* for it/, '.slip');
		await person
			.reads(/There was no answer: you may take it/, '.slip')
			.catch(() => person.reads(/There was no answer: you may take it/, '.slip'));
		await other.reads(/asks for head 3/, '.slip');
		await person.press('Take it now', '.slip');
		await person.reads(/Hold and steer head 3|getting to know the link of head 3/, '.slip .answer');
		await other.reads(/has taken it: you were asked and did not answer/, '.slip');
		await other.press('I lead this crew', '.slip');
		await other.press(/^Take it as lead, as /, '.slip');
		await person.reads(/has taken it as lead/, '.slip');
		await person.reads(/Looking only: head 3 is driven by/, '.slip .answer');
	});

	it('whoever drives stands on every page of everybody with the stop, and Esc there stops', async () => {
		await person.press(/Payload$/, 'header nav');
		await person.arrives(/^\/payload/);
		await person.reads(/Choir stand driven by/, '[data-testid="hold-band"]');
		await person.page.keyboard.press('Escape');
		await person.reads(/Everything is stopped by/, '[data-testid="hold-band"]');
		await other.reads(/Everything is stopped by/, '.slip .answer');
		await person.press(/Live$/, 'header nav');
		await person.arrives(/^\/live$/);
		await other.press('Leave it');
		await person.press(/^Clear it as/, '.slip');
	});

	it('a page that is left for good, or put aside by its browser, drives nothing any more, and does again when it is back', async () => {
		await hand.choose(/Left column/);
		await other.reads(/Left column.*Joss Averley, not held/, '[data-testid="strips"]');
		// As with a bookmark: not a link of the page itself, which would say goodbye.
		await person.page.goto(`${person.origin}/shelf`);
		await other.reads(/Left column stands.{0,40}nobody drives it/, '[data-testid="strips"]');
		await person.page.goBack();
		await person.settled();
		await person.reads(/Gallery rail.*Jib nose/, '[data-testid="strips"]');
		if (await person.offers('Look elsewhere')) await person.press('Look elsewhere');
		await hand.choose(/Left column/);
		await other.reads(/Left column.*Joss Averley, not held/, '[data-testid="strips"]');
	});

	it('several go together by one press, each by its own hold', async () => {
		await hand.choose(/Left column/);
		await hand.ready();
		await person.page.keyboard.press('2');
		await person.reads(/Hold to move head 2 to lectern/, '.slip .answer');
		await hand.takesToo(/Choir stand/);
		await hand.look(/Choir stand/);
		await hand.ready();
		await person.page.keyboard.press('1');
		await person.reads(/Hold to move heads 3 and 2 together/, '.slip .answer');
		await person.reads(/3 to organ.*2 to lectern/, '[data-testid="along"]');
		const stand = async () =>
			(await person.words('[data-testid="strips"]')).match(/stands at (organ|lectern)\b/g)?.length;
		for (let tries = 0; (await stand()) !== 2; tries += 1) {
			expect(tries, 'both come there').toBeLessThan(5);
			await hand.holds();
			await pause(2500);
			await hand.up();
			await pause(700);
		}
		await hand.rests('h-202');
		await hand.rests('h-203');
	});

	it('a move is run on the head that it was planned for, and goes on from where it was let go', async () => {
		await hand.choose(/North ceiling/);
		await hand.ready();
		await person.press('Play a move');
		await person.picks(/^move/, /North wall to lectern/);
		expect(await person.page.$('[data-testid="move-differs"]')).toBeNull();
		await person.press('Stand by for it');
		await person.reads(/Hold to run head 4 through North wall to lectern/, '.slip .answer');
		const before = (await hand.face('h-204')).axes.panRad!.position;
		await hand.holds();
		await pause(1500);
		await hand.up();
		await hand.rests('h-204');
		expect(Math.abs((await hand.face('h-204')).axes.panRad!.position - before)).toBeGreaterThan(0.02);
		await person.reads(/Hold to go on to/, '.slip .answer');
		await person.press('Stick takes over');
		await person.reads(/Hold and steer head 4/, '.slip .answer');
	});

	it('a slow cable is said before the hold, and holds nothing; a stuck axis stands in the slip until it is free', async () => {
		await hand.choose(/Left column/);
		await hand.handle('h-202', { link: { delayMs: 90, jitterMs: 0, lossPart: 0, burst: 1, duplicatePart: 0 } });
		await person
			.reads(/Too slow a link to hold head 2/, '.slip .answer')
			.catch(() => person.reads(/Too slow a link to hold head 2/, '.slip .answer'));
		await person.reads(/Its link is slow: \d+ ms there and back/, '[data-testid="cable"]');
		await hand.handle('h-202', { link: { delayMs: 0, jitterMs: 0, lossPart: 0, burst: 1, duplicatePart: 0 } });
		await person.reads(/Hold and steer head 2/, '.slip .answer');
		await hand.handle('h-202', { stuck: 'panRad' });
		const told = () =>
			person.page.waitForSelector('[data-testid="stuck"]', { timeout: 6000 }).then(
				() => true,
				() => false
			);
		// On a busy machine a hold may let go by itself before the head has missed its axis: it is pressed again.
		for (let tries = 0; ; tries += 1) {
			expect(tries, 'it is told that it is stuck').toBeLessThan(4);
			await person.page.keyboard.press('1');
			await person.reads(/Hold to move head 2 to pulpit|Hold to go on to/, '.slip .answer');
			await hand.down();
			if (await told()) break;
			await hand.up();
			await hand.rests('h-202');
		}
		await person.reads(/Stuck: pan does not come along/, '[data-testid="stuck"]');
		await hand.up();
		await hand.handle('h-202', { stuck: null });
		await person.page.waitForFunction(() => document.querySelector('[data-testid="stuck"]') === null);
	});

	it('a head that is let go says nothing of braking by itself', async () => {
		for (let tries = 0; ; tries += 1) {
			await person.page.keyboard.press(tries % 2 === 0 ? '2' : '1');
			await person.reads(/Hold to move head 2 to (lectern|pulpit)/, '.slip .answer');
			await hand.holds();
			await pause(150);
			await hand.up();
			await hand.rests('h-202');
			if (/Hold to go on to/.test(await person.words('.slip .answer'))) break;
			expect(tries).toBeLessThan(6);
		}
		expect(await person.words('.slip')).not.toMatch(/braked|hold was lost/);
	});

	it('every head away, the day line says no “poised” of the desk', async () => {
		for (const id of ['h-201', 'h-202', 'h-203', 'h-204', 'h-205']) await hand.handle(id, { powered: false });
		await person.reads(/Head 2 is away/, '.slip .answer');
		const said = () =>
			person.page.$eval('header [data-station="live"]', (each) =>
				each.querySelector('[aria-label]')?.getAttribute('aria-label')
			);
		await expect.poll(said, { timeout: 5000 }).toMatch(/every head is away/);
		expect(await said()).not.toMatch(/poised/i);
		for (const id of ['h-201', 'h-202', 'h-203', 'h-204', 'h-205']) await hand.handle(id, { powered: true });
	});
});

describe('a loop beside a drive', () => {
	let crew: Crew;
	let person: Person;
	let hand: ReturnType<typeof by>;
	beforeAll(async () => {
		crew = await crewWith('demo', 'claimed');
		person = await atDesk(crew, 'mouse');
		hand = by(crew, person);
	});
	afterAll(async () => {
		expect(person.complaints).toEqual([]);
		await crew.stop();
	});

	it(
		`runs on by its own watch for ${longRun ? 'five minutes' : 'forty seconds'} while another is driven, or says why not`,
		async () => {
			const rail = 'h-201';
			const driven = 'h-202';
			const starts = async () => {
				await hand.choose(/Gallery rail/);
				await hand.ready();
				await person.press(/rail end to end/, '[data-testid="shots"]');
				await person.page.waitForSelector('[data-testid="run-watched"]:not([disabled])', { timeout: 10_000 });
				await person.press(/^Run it, watched by/);
				// It runs, or it is said why not.
				await person.reads(/Head 1 loops rail end to end|It does not run watched: .{10}/, '.slip');
				return /Head 1 loops/.test(await person.words('.slip .answer'));
			};
			const surely = async () => {
				for (let tries = 0; !(await starts()); tries += 1) expect(tries, 'it runs').toBeLessThan(4);
			};
			const laps = async () =>
				Number(/rail end to end, lap (\d+)/.exec(await person.words('[data-testid="strips"]'))?.[1] ?? 0);
			let begun = 1;
			await surely();
			const lastsMs = longRun ? 300_000 : 40_000;
			const endMs = performance.now() + lastsMs;
			let drives = 0;
			let moved = 0;
			let was = (await hand.face(rail)).axes.trackM!.position;
			while (performance.now() < endMs) {
				await hand.choose(/Left column/);
				await hand.ready();
				await person.page.keyboard.press(drives % 2 === 0 ? '1' : '2');
				await person.reads(/Hold to move head 2/, '.slip .answer');
				await hand.down();
				await pause(1800);
				await hand.up();
				await hand.rests(driven);
				drives += 1;
				const now = (await hand.face(rail)).axes.trackM!.position;
				if (Math.abs(now - was) > 1e-4) moved += 1;
				was = now;
				if (!/loops/.test(await person.words('[data-testid="strips"]'))) {
					// A machine that had no time for its watch let go, as it must; then it is said, and begun again by a hand.
					await hand.look(/Gallery rail/);
					await person.reads(/Looking only: nobody drives head 1/, '.slip .answer');
					begun += 1;
					expect(begun, 'how often it had to be begun').toBeLessThan(8);
					await surely();
				}
			}
			expect(drives).toBeGreaterThan(lastsMs / 20_000);
			expect(moved).toBeGreaterThan(drives * 0.5);
			expect(await laps()).toBeGreaterThan(0);
			await hand.look(/Gallery rail/);
			await person.press('End it', '.slip');
			await hand.rests(rail);
		},
		longRun ? 420_000 : 120_000
	);
});
