import { mFromMm, radFromDeg } from '@poise/core';
import { scenario } from '@poise/demo';
import { v7 as newId } from 'uuid';
import type { DemoCrew } from '$lib/server/station';
import { motorsOf } from './figures';
import { freshFeel, freshSheet } from './fresh';
import { type FeelState, type ModeSheet, settingNames, type TimedRun } from './model';
import { recipeFor } from './recipe';
import { fittedFollow, scalesFrom } from './scales';
import { noShots, shotOf } from './shots';
import { saveFeelPaper } from './papers.server';
import { createRecipe } from './recipeRows.server';
import { listSupports } from '$lib/server/db/supports';
import { feelData } from './data.server';

const { feel } = scenario;
const daysAgo = (days: number) => new Date(Date.now() - days * 24 * 3600 * 1000).toISOString();

/** The scenario's mode sheets, timed turns, recipes and shots of the day, through the same doors as anything typed. */
export async function loadFeel({ crewId, personIds, payloads }: DemoCrew): Promise<void> {
	const gimbals = await listSupports(crewId, 'gimbal');
	const idOf = (name: string) => found(gimbals.find((each) => each.name === name)?.id, name);
	const personId = (name: string) => found(personIds.get(name), name);
	const someone = found([...personIds.values()][0], 'anybody');
	const anyPayload = found([...payloads.values()][0], 'any payload').id;

	for (const each of feel.sheets) {
		const support = idOf(each.gimbal);
		const { turnings } = await feelData(crewId, { support, payload: anyPayload });
		const sheet = sheetOf(each, freshSheet(motorsOf(turnings), each.pattern));
		await saveFeelPaper(crewId, someone, { kind: 'sheet', supportId: support, payloadId: null }, 0, sheet);
	}

	const made: string[] = [];
	for (const each of feel.recipes) {
		const support = idOf(each.gimbal);
		const payload = found(payloads.get(each.payload), each.payload);
		const data = await feelData(crewId, { support, payload: payload.id });
		const fresh = freshFeel(data.sheet.value, 'pan');
		const shot = shotOf(noShots, each.shot);
		const state: FeelState = {
			...fresh,
			shotId: shot.id,
			gesture: shot.gesture,
			modeId: each.mode,
			focalM: mFromMm(each.focalMm),
			now: { ...fresh.now, pan: each.pan }
		};
		await saveFeelPaper(
			crewId,
			personId(each.person),
			{ kind: 'setting', supportId: support, payloadId: payload.id },
			0,
			state
		);
		const detail = found(recipeFor(data.sheet.value, state, shot, data), each.note);
		const id = newId();
		made.push(id);
		await createRecipe(
			crewId,
			personId(each.person),
			{ id, supportId: support, payloadId: payload.id, note: each.note, detail },
			daysAgo(each.daysAgo)
		);
	}

	await saveFeelPaper(crewId, someone, { kind: 'shots', supportId: null, payloadId: null }, 0, {
		own: [],
		day: feel.day.map((line) => ({
			id: newId(),
			words: line.words,
			shotId: line.shot,
			recipeId: 'recipe' in line ? (made[line.recipe] ?? null) : null
		}))
	});
}

function sheetOf({ menu, runs }: (typeof feel.sheets)[number], fresh: ModeSheet): ModeSheet {
	const named = Object.fromEntries(
		settingNames.map((name) => [name, { ...fresh.scales[name], name: menu[name] }])
	) as ModeSheet['scales'];
	const timed: TimedRun[] = runs.map(({ person, daysAgo: days, shortDeg, ...run }) => ({
		id: newId(),
		at: daysAgo(days),
		by: person,
		...run,
		angleRad: radFromDeg(45),
		restShortRad: radFromDeg(shortDeg),
		struck: false
	}));
	const sheet: ModeSheet = { ...fresh, scales: named, runs: timed };
	const fit = fittedFollow(sheet);
	const last = timed[timed.length - 1];
	return fit === null || last === undefined
		? sheet
		: { ...sheet, scales: scalesFrom(sheet, fit, { at: last.at, by: last.by }) };
}

function found<T>(value: T | null | undefined, name: string): T {
	if (value === null || value === undefined) throw new Error(`The scenario names something it does not hold: ${name}`);
	return value;
}
