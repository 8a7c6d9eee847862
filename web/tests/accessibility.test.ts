import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LoggedBalance } from '../src/lib/model/balance';
import type { Payload } from '../src/lib/model/payload';
import type { Gimbal } from '../src/lib/supports/gimbal/model';
import type { CraneRig } from '../src/lib/supports/crane/model';
import type { SledRig } from '../src/lib/supports/sled/model';
import type { Venue } from '../src/lib/model/venue';
import { send } from './application';
import { go, type Screen, serveScreen } from './browser';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
let screen: Screen;
let page: Page;
let views: Record<string, string>;

beforeAll(async () => {
	screen = await serveScreen([]);
	page = await screen.newPage();
	const get = async <T>(path: string) => (await send(screen.origin, 'GET', path)).body as T;
	const [payloads, rigs, log, sleds] = [
		await get<Payload[]>('/api/payloads'),
		await get<Gimbal[]>('/api/supports/gimbal'),
		await get<LoggedBalance[]>('/api/balances'),
		await get<SledRig[]>('/api/supports/sled')
	];
	const logged = log.find(({ kind }) => kind === 'gimbal');
	const loggedSled = log.find(({ kind }) => kind === 'sled');
	const cine = payloads.find(({ name }) => name.includes('Cine'))!;
	const heavy = sleds.find(({ name }) => name.includes('Heavy'))!;
	const sled = `/balance/sled/${heavy.id}/${cine.id}`;
	const loggedCrane = log.find(({ kind }) => kind === 'crane');
	const [, hall] = await get<CraneRig[]>('/api/supports/crane');
	const crane = `/balance/crane/${hall!.id}/${cine.id}`;
	const [venue] = await get<Venue[]>('/api/venues');
	const [slider] = await get<{ readonly id: string }[]>('/api/supports/slider');
	const moves = await get<{ readonly id: string; readonly move: { readonly name: string } }[]>('/api/moves');
	const held = moves.find(({ move }) => move.name.startsWith('Hold'));
	const salute = moves.find(({ move }) => move.name.startsWith('Salute'));
	const [head] = await get<{ readonly id: string }[]>('/api/heads');
	const [live] = await get<{ readonly id: string }[]>('/api/live/heads');
	const tele = payloads.find(({ name }) => name.includes('tele'))!;
	views = {
		'the desk': '/live',
		'claiming a head': '/live/claim',
		'a head at the desk': `/live/heads/${live!.id}`,
		'the simulated heads': '/live/boxes',
		payloads: '/payload',
		payload: `/payload/${payloads[0]!.id}`,
		'choosing what to balance': '/balance',
		'choosing what carries it': '/balance?choose',
		'gimbal bench': `/balance/gimbal/${rigs[0]!.id}/${payloads[0]!.id}`,
		'gimbal bench out of travel': `/balance/gimbal/${rigs[0]!.id}/${tele.id}`,
		guide: `/balance/gimbal/${rigs[0]!.id}/${payloads[0]!.id}/guide`,
		fit: `/balance/gimbal/${rigs[0]!.id}/${tele.id}/fit`,
		poses: `/balance/gimbal/${rigs[0]!.id}/${payloads[0]!.id}/poses`,
		measure: `/payload/${payloads[0]!.id}/measure`,
		power: `/payload/${payloads[0]!.id}/power`,
		checklist: `/payload/${payloads[0]!.id}/checklist`,
		'swap sheet': `/payload/${payloads[0]!.id}/swap`,
		rigs: '/rigs',
		rig: `/gimbals/${rigs[0]!.id}`,
		horizon: `/gimbals/${rigs[0]!.id}/horizon`,
		learning: '/learn',
		'two balances': '/logbook/compare',
		logbook: '/logbook',
		'empty search': '/logbook?search=nothing-like-this',
		'logged balance': `/logbook/${logged!.id}`,
		'logged sled balance': `/logbook/${loggedSled!.id}`,
		'choosing what follows': '/feel?choose',
		...Object.fromEntries(
			['', '/which', '/modes', '/scale', '/stiffness', '/stick', '/recipes'].map((sheet) => [
				`feel${sheet}`,
				`/feel/${rigs[0]!.id}/${payloads[0]!.id}${sheet}`
			])
		),
		moves: '/moves?all',
		...Object.fromEntries(
			['', '/rail', '/bar', '/tables', '/focus', '/backwards'].map((sheet) => [
				`move${sheet}`,
				`/moves/${held!.id}${sheet}`
			])
		),
		'a crane’s move': `/moves/${salute!.id}`,
		heads: '/heads',
		head: `/heads/${head!.id}`,
		sliders: '/sliders',
		slider: `/sliders/${slider!.id}`,
		'slider bench': `/balance/slider/${slider!.id}/${payloads[0]!.id}`,
		sleds: '/sleds',
		sled: `/sleds/${heavy.id}`,
		'sled bench': sled,
		'rigging sequence': `${sled}/guide`,
		'drop timer': `${sled}/drop`,
		spin: `${sled}/spin`,
		reach: `${sled}/reach`,
		trim: `${sled}/trim`,
		'arm and vest': `${sled}/arm`,
		'sled swap sheet': `${sled}/swap`,
		'logged crane balance': `/logbook/${loggedCrane!.id}`,
		cranes: '/cranes',
		crane: `/cranes/${hall!.id}`,
		'crane weights': crane,
		'loading order': `${crane}/order`,
		stability: `${crane}/stand`,
		'crane drift': `${crane}/drift`,
		'crane lengths': `${crane}/lengths`,
		'crane reach': `${crane}/reach`,
		'crane in a venue': `${crane}/venue`,
		venues: '/venues',
		venue: `/venues/${venue!.id}`,
		levelling: `${crane}/level`,
		'head rate': `${crane}/pass`,
		'crane swap sheet': `${crane}/swap`,
		shelf: '/shelf',
		'nothing there': '/nowhere'
	};
});
afterAll(() => screen?.stop());

describe.each(['day', 'house', 'blackout'])('by %s light', (theme) => {
	it('no view has a serious accessibility finding', async () => {
		expect((await send(screen.origin, 'PATCH', '/api/me', { theme })).status).toBe(200);
		const findings: string[] = [];
		// Only the colours change with the light.
		const run = theme === 'day' ? 'axe.run()' : "axe.run({ runOnly: ['color-contrast'] })";
		for (const [name, path] of Object.entries(views)) {
			await go(page, screen.origin + path);
			expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe(theme);
			if (name === 'shelf') await page.click('.new');
			if (name === 'payload') await page.click('[data-row] .name');
			if (name === 'guide') await page.click('[data-testid="motors-off"]');
			// What is typed in is as dark as the rest: a white field in the dark blinds whoever looks at it.
			const glaring = await page.$$eval('input:not([type="file"]), select, textarea', (fields) =>
				fields
					.filter((field) => {
						const [r = 0, g = 0, b = 0] = (getComputedStyle(field).backgroundColor.match(/[\d.]+/g) ?? []).map(Number);
						return Math.max(r, g, b) > 140 && field.getBoundingClientRect().width > 30;
					})
					.map((field) => field.outerHTML.slice(0, 90))
			);
			if (theme !== 'day') findings.push(...glaring.map((html) => `${name}: white in the dark, ${html}`));
			await page.evaluate(axe);
			const { violations } = (await page.evaluate(run)) as AxeResults;
			for (const { id, impact, nodes } of violations)
				if (impact === 'serious' || impact === 'critical')
					findings.push(
						`${name}: ${id} at ${nodes
							.map(({ target }) => target.join(' '))
							.slice(0, 3)
							.join(', ')}`
					);
		}
		expect(findings).toEqual([]);
	});
});
