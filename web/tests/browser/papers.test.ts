import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Payload } from '../../src/lib/model/payload';
import type { SavedMove } from '../../src/lib/stations/moves/model';
import { send } from '../application';
import { go, type Screen, serveScreen } from '../browser';

/** Every page that is printed, as paper has it: A4 and letter, 96 dots an inch, less their margins. */
const papers = { A4: 686, letter: 710 } as const;
const complaints: string[] = [];
let screen: Screen;
let page: Page;
let paths: Readonly<Record<string, readonly [path: string, of: RegExp]>>;
const list = async <T extends { readonly id: string; readonly name?: string }>(path: string): Promise<T[]> =>
	(await send(screen.origin, 'GET', path)).body as T[];

beforeAll(async () => {
	screen = await serveScreen(complaints);
	page = await screen.newPage();
	const [moves, payloads, gimbals, sleds, sliders] = [
		await list<SavedMove & { readonly id: string }>('/api/moves'),
		await list<Payload>('/api/payloads'),
		await list('/api/supports/gimbal'),
		await list('/api/supports/sled'),
		await list('/api/supports/slider')
	];
	const { id } = moves.find(({ move }) => move.support.kind === 'rail')!;
	const wide = payloads.find(({ name }) => name.includes('wide'))!.id;
	const small = gimbals.find(({ name }) => name!.startsWith('Small'))!.id;
	const ofMove = /^Hold the hands · Kettle & Loom · Loom film/;
	paths = {
		move: [`/moves/${id}`, ofMove],
		bar: [`/moves/${id}/bar`, ofMove],
		tables: [`/moves/${id}/tables`, ofMove],
		focus: [`/moves/${id}/focus`, ofMove],
		rail: [`/moves/${id}/rail`, ofMove],
		backwards: [`/moves/${id}/backwards`, ofMove],
		gimbal: [`/balance/gimbal/${small}/${wide}`, /^Compact body, wide zoom on Small single-handed gimbal/],
		sled: [`/balance/sled/${sleds[0]!.id}/${wide}`, /^Compact body, wide zoom on Light sled/],
		slider: [`/balance/slider/${sliders[0]!.id}/${wide}`, /^Compact body, wide zoom on Table-top slider/],
		modes: [`/feel/${small}/${wide}/modes`, /Small single-handed gimbal/],
		recipes: [`/feel/${small}/${wide}/recipes`, /Compact body, wide zoom on Small/],
		checklist: [`/payload/${wide}/checklist`, /^Before Compact body, wide zoom is balanced/]
	};
});
afterAll(async () => {
	await screen?.stop();
	expect(complaints).toEqual([]);
});

const onPaper = () =>
	page.evaluate(() => {
		const seen = (element: Element) => element.getClientRects().length > 0;
		const main = document.querySelector('main') as HTMLElement;
		return {
			wide: document.documentElement.scrollWidth,
			words: main.innerText.replace(/\s+/g, ' ').trim(),
			pressed: [...main.querySelectorAll('button')]
				.filter((each) => seen(each) && each.getAttribute('aria-pressed') !== 'true')
				.filter((each) => !each.matches('[role="checkbox"], .name, .axis-name, .line, .plain'))
				.map((each) => each.textContent!.trim()),
			links: [...document.querySelectorAll('nav, header')].filter(seen).length
		};
	});

describe('on A4 and on letter', () => {
	it.each([
		...['move', 'bar', 'tables', 'focus', 'rail', 'backwards'],
		...['gimbal', 'sled', 'slider', 'modes', 'recipes', 'checklist']
	])('%s says what it is of, fits, and offers nothing to press', async (name) => {
		const [path, of] = paths[name]!;
		await page.emulateMediaType('screen');
		await page.setViewport({ width: 1280, height: 800 });
		await go(page, screen.origin + path);
		await page.emulateMediaType('print');
		for (const [paper, width] of Object.entries(papers)) {
			await page.setViewport({ width, height: 1000 });
			await new Promise((resolve) => setTimeout(resolve, 300));
			const { wide, words, pressed, links } = await onPaper();
			expect(words).toMatch(of);
			expect([paper, wide <= width, pressed, links]).toEqual([paper, true, [], 0]);
		}
	});
});
