import type { ElementHandle, Page } from 'puppeteer-core';
import { expect } from 'vitest';
import { type Served, serve } from './application';
import { openBrowser, type TestBrowser } from './browser';

/** How somebody works: with a mouse, with keys alone, or with a thumb on a phone. */
export const ways = ['mouse', 'keys', 'thumb'] as const;
export type Way = (typeof ways)[number];

/** Days since 1970, or the one that a run is to be repeated for. */
export const dayNumber = Number(process.env.POISE_DAY ?? Math.floor(Date.now() / 86_400_000));
/**
 * The hand that walks a journey today: each in turn, by the day's number. `place` is the journey's own, so that every hand is
 * about every day; all three walk all of them with `./poise test --long`.
 */
export const waysToday = (place: number): readonly Way[] =>
	process.env.POISE_LONG === '1' ? ways : [ways[(dayNumber + place) % ways.length] as Way];

/**
 * Somebody in front of the application who came in at the front door, types no address, and does only what can be seen. Whatever
 * the browser complains about (a policy that blocks something, an error in a script, a request that fails) ends in `complaints`.
 */
export class Person {
	readonly complaints: string[] = [];
	/** Requests that the journey itself breaks, such as with a server that is stopped. */
	expects = /^$/;

	private constructor(
		readonly page: Page,
		readonly way: Way,
		readonly origin: string
	) {}

	static async at(browser: TestBrowser, origin: string, way: Way): Promise<Person> {
		const context = await browser.context();
		const page = await context.newPage();
		const thumb = way === 'thumb';
		await page.setViewport(
			thumb ? { width: 390, height: 844, isMobile: true, hasTouch: true } : { width: 1280, height: 800 }
		);
		const person = new Person(page, way, origin);
		const complain = (words: string) => {
			if (!person.expects.test(words)) person.complaints.push(words);
		};
		page.on('pageerror', (thrown) => complain(String(thrown)));
		page.on('console', (message) => {
			// A link to the desk that is lost is taken up again by itself; only the browser's log hears of it.
			if (message.type() === 'error' && !/WebSocket connection to/.test(message.text()))
				complain(`${message.text()} ${message.location().url ?? ''}`);
		});
		await page.goto(`${origin}/`, { waitUntil: 'load' });
		await person.settled();
		return person;
	}

	get path(): string {
		return new URL(this.page.url()).pathname;
	}
	/** The page answers to hands, and no navigation is on its way. */
	async settled(): Promise<void> {
		await this.page.waitForSelector('main[data-hydrated="true"]');
		await this.page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 30))));
	}
	async arrives(pattern: RegExp): Promise<void> {
		await this.page.waitForFunction(
			(source: string) => new RegExp(source).test(location.pathname),
			{ timeout: 15_000 },
			pattern.source
		);
		await this.settled();
	}

	/** Everything that can be read, in one line. */
	words(within = 'body'): Promise<string> {
		return this.page.$eval(within, (element) => ((element as HTMLElement).innerText ?? '').replace(/\s+/g, ' ').trim());
	}
	async reads(wanted: RegExp, within = 'main'): Promise<void> {
		const found = await this.page
			.waitForFunction(
				(css: string, source: string, flags: string) => {
					const element = document.querySelector(css) as HTMLElement | null;
					return new RegExp(source, flags).test((element?.innerText ?? '').replace(/\s+/g, ' '));
				},
				{ timeout: 15_000 },
				within,
				wanted.source,
				wanted.flags
			)
			.catch(() => null);
		if (found === null) throw new Error(`Nothing reads ${wanted} on ${this.path}:\n${await this.words(within)}`);
	}

	/** Presses what is called so: a link, a button, a summary, a label of a choice. */
	async press(name: string | RegExp, within = 'body'): Promise<void> {
		for (let tries = 0; ; tries += 1) {
			const found = await this.find(name, within, 'a[href], button, summary, [role="button"]');
			try {
				await this.act(found);
				break;
			} catch (thrown) {
				// Drawn anew under the hand, as where a head was not heard for a moment: a person finds it again.
				if (tries >= 2 || (await found.evaluate((each) => each.isConnected))) throw thrown;
			}
		}
		await this.settled();
	}
	async offers(name: string | RegExp, within = 'body'): Promise<boolean> {
		return (await this.look(name, within, 'a[href], button, summary, [role="button"]')) !== null;
	}

	/** Replaces what stands in the field with that label. */
	async types(label: string | RegExp, text: string): Promise<void> {
		const field = await this.find(label, 'body', 'input:not([type="file"]), textarea');
		await this.act(field, 'focus');
		// A tap's focus comes a moment after it, and would put the caret where the finger was.
		await this.page.waitForFunction((element: Element) => document.activeElement === element, {}, field);
		await this.settled();
		// A thumb has no Control key: it holds the field down and takes "all".
		if (this.way === 'thumb') await field.evaluate((each) => (each as HTMLInputElement).select());
		else {
			await this.page.keyboard.down('Control');
			await this.page.keyboard.press('KeyA');
			await this.page.keyboard.up('Control');
		}
		await this.page.keyboard.type(text);
		await this.page.keyboard.press('Tab');
		await this.settled();
	}

	/** Picks an entry of a list; with keys by its first letters, as a native list takes them. */
	async picks(label: string | RegExp, option: RegExp): Promise<void> {
		const list = (await this.find(label, 'body', 'select')) as ElementHandle<HTMLSelectElement>;
		const [value, words] = await list.evaluate((select, source) => {
			const found = [...select.options].find(({ text }) => new RegExp(source).test(text));
			return [found?.value ?? '', found?.text ?? ''] as const;
		}, option.source);
		expect(words, `nothing like ${option} in the list`).not.toBe('');
		if (this.way === 'keys') {
			await this.act(list, 'focus');
			// As many letters as tell it from the others: the first that does picks it, and may lead to another page at once.
			const all = await list.evaluate((select) => [...select.options].map(({ text }) => text));
			const letters = [...words].findIndex(
				(_, index) =>
					all.filter((text) => text.toLowerCase().startsWith(words.slice(0, index + 1).toLowerCase())).length === 1
			);
			await this.page.keyboard.type(words.slice(0, letters + 1));
			await this.page.keyboard.press('Tab');
		} else await list.select(value);
		await this.settled();
	}

	private async look(name: string | RegExp, within: string, css: string): Promise<ElementHandle<Element> | null> {
		const [source, flags, exact] =
			typeof name === 'string' ? [name, '', true] : ([name.source, name.flags, false] as const);
		const handle = await this.page.evaluateHandle(
			(scope: string, selector: string, wanted: string, regexFlags: string, whole: boolean) => {
				const plain = (text: string) => text.replace(/\s+/g, ' ').trim();
				const labelled = (element: Element): string => {
					const labels = (element as HTMLInputElement).labels;
					const told = [
						element.getAttribute('aria-label') ?? '',
						...(labels === null || labels === undefined ? [] : [...labels].map((label) => label.textContent ?? '')),
						['INPUT', 'SELECT', 'TEXTAREA'].includes(element.tagName) ? '' : (element.textContent ?? '')
					];
					return plain(told.find((text) => plain(text) !== '') ?? '');
				};
				const seen = (element: Element) => {
					const box = element.getBoundingClientRect();
					const style = getComputedStyle(element);
					return box.width > 1 && box.height > 1 && style.visibility !== 'hidden' && style.display !== 'none';
				};
				const all = [...document.querySelectorAll(`${scope} :is(${selector})`)].filter(seen);
				const matches = (element: Element) =>
					whole ? labelled(element) === wanted : new RegExp(wanted, regexFlags).test(labelled(element));
				return (
					all.find((element) => matches(element) && !(element as HTMLButtonElement).disabled) ??
					all.find(matches) ??
					null
				);
			},
			within,
			css,
			source,
			flags,
			exact
		);
		return handle.asElement() as ElementHandle<Element> | null;
	}

	private async find(name: string | RegExp, within: string, css: string): Promise<ElementHandle<Element>> {
		for (let tries = 0; tries < 80; tries += 1) {
			const found = await this.look(name, within, css);
			if (found !== null) return found;
			await new Promise((resolve) => setTimeout(resolve, 100));
		}
		throw new Error(`Nothing called ${name} can be seen on ${this.path}:\n${await this.words()}`);
	}

	/** With the hand that this person has. Keys walk there with Tab, as far as the page lets them. */
	private async act(element: ElementHandle<Element>, what: 'press' | 'focus' = 'press'): Promise<void> {
		if (this.way === 'keys') {
			await this.tabTo(element);
			if (what === 'focus') return;
			await this.page.keyboard.press('Enter');
			return;
		}
		await element.evaluate((each) => each.scrollIntoView({ block: 'center', behavior: 'instant' }));
		await this.still(element);
		if (this.way === 'thumb') {
			if (what === 'press') {
				const { width, height } = (await element.boundingBox()) ?? { width: 0, height: 0 };
				// A thumb needs 44 px one way at least; a link within a sentence is read before it is pressed.
				const inSentence = await element.evaluate(
					(each) => each.tagName === 'A' && each.closest('p, li, td, th, span') !== null
				);
				if (!inSentence)
					expect(
						Math.max(width, height),
						await element.evaluate((each) => each.outerHTML.slice(0, 120))
					).toBeGreaterThanOrEqual(43);
			}
			await element.tap();
		} else await element.click();
	}

	/** A hand goes where a thing has come to rest, not where it was on its way. */
	private async still(element: ElementHandle<Element>): Promise<void> {
		await element.evaluate(async (each) => {
			const place = () => {
				const { x, y, width, height } = each.getBoundingClientRect();
				return `${x} ${y} ${width} ${height}`;
			};
			let [was, rested] = [place(), 0];
			for (let tries = 0; tries < 60 && rested < 3; tries += 1) {
				await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 20)));
				rested = place() === was ? rested + 1 : 0;
				was = place();
			}
		});
	}

	private async tabTo(element: ElementHandle<Element>): Promise<void> {
		for (let steps = 0; steps < 260; steps += 1) {
			const [here, drawn] = await element.evaluate((each) => {
				const focused = document.activeElement === each;
				return [focused, !focused || each.matches(':focus-visible')] as const;
			});
			if (here) {
				expect(drawn, 'what has the focus must be seen to have it').toBe(true);
				return;
			}
			await this.page.keyboard.press('Tab');
		}
		throw new Error(`Tab never comes to ${await element.evaluate((each) => each.outerHTML.slice(0, 160))}`);
	}

	async leaves(): Promise<void> {
		await this.page.browserContext().close();
	}
}

export interface Crew extends Served {
	person(way: Way): Promise<Person>;
}

/** A crew's application with a browser: one that owns nothing yet, or the demo's. */
export async function crewWith(what: 'nothing' | 'demo', heads: 'claimed' | 'free' | null = null): Promise<Crew> {
	const [served, browser] = await Promise.all([
		serve(what === 'nothing' ? { POISE_SCENARIO: 'empty' } : {}, { heads }),
		openBrowser()
	]);
	return {
		...served,
		person: (way) => Person.at(browser, served.origin, way),
		stop: async () => {
			await browser.stop();
			await served.stop();
		}
	};
}
