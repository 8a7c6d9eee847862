import type { Crew, Person } from '../person';

/** What somebody does at the desk, with whichever hand; and what somebody sees who stands before a head. */
export interface Face {
	readonly id: string;
	readonly phase: string;
	readonly code: string | null;
	readonly powered: boolean;
	readonly axes: Readonly<Record<string, { readonly position: number; readonly rate: number }>>;
}
export const by = (crew: Crew, person: Person) => {
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
		look: (name: RegExp) => person.press(name, '[data-testid="strips"]'),
		/** Looked at, and driven: two presses. */
		choose: async (name: RegExp) => {
			await person.press(name, '[data-testid="strips"]');
			await person.page.waitForSelector('[data-testid="take-it"], [data-testid="hold"]');
			if (await person.offers(/^Drive head/)) await person.press(/^Drive head/, '.slip');
			await person.page.waitForSelector('[data-testid="hold"]');
		},
		/** In hand beside the one that is looked at. */
		takesToo: async (name: RegExp) => {
			await page.evaluate((source: string) => {
				const strip = [...document.querySelectorAll('[data-testid="strip"]')].find((each) =>
					new RegExp(source).test((each as HTMLElement).innerText)
				)!;
				strip.querySelector('[data-testid="together"]')!.setAttribute('data-wanted', '');
			}, name.source);
			await person.press('together', '[data-testid="strip"]:has([data-wanted])');
		},
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
			for (let tries = 0; tries < 12; tries += 1) {
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
			for (let tries = 0; tries < 12; tries += 1) {
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
