import { describe, expect, it } from 'vitest';
import type { LensAt } from '$lib/model/lensAt';
import type { PlanShape, VenuePlan } from '$lib/model/venue';
import { type ClearAnswer, readClear, tooNear, tryClear } from '$lib/places/clearance';
import { askedOf, clearQuestion, pathMark, viaThatClears } from './clear';
import { ClearTrial } from './clearTrial.svelte';
import { fromPattern } from './fromPattern';
import type { Move } from './model';
import { type Run, runOf, runs } from './path';
import { movePatterns } from './patterns';
import { behaves } from './supports';
import { backwardsSteps } from './runThrough';
import { readMove } from './figures';

const shape = (
	id: string,
	kind: PlanShape['kind'],
	at: readonly [number, number, number, number],
	heights: readonly [number, number]
): PlanShape => {
	const [x0, y0, x1, y1] = at;
	return {
		id,
		kind,
		label: id,
		pointsM:
			kind === 'wall' || kind === 'line'
				? [
						[x0, y0],
						[x1, y1]
					]
				: [
						[x0, y0],
						[x1, y0],
						[x1, y1],
						[x0, y1]
					],
		bottomM: heights[0],
		topM: heights[1]
	};
};
const hall = (...shapes: readonly PlanShape[]): VenuePlan => ({
	ceilingM: 8,
	underlay: null,
	shapes: [shape('west', 'wall', [0, 0, 0, 20], [0, 8]), shape('east', 'wall', [24, 0, 24, 20], [0, 8]), ...shapes]
});
const crane = (plan: VenuePlan): Move =>
	fromPattern(
		movePatterns.find(({ id }) => id === 'crane')!,
		'A move',
		'v',
		plan
	);
function tried(move: Move, plan: VenuePlan): ClearAnswer {
	const run = runOf(move);
	if (!runs(run)) throw new Error(run.words);
	return readClear(tryClear(clearQuestion(move, run, plan)!), askedOf(move), plan);
}
/** In the way of the crane of the pattern: its nose passes (12, 12) some metres up. */
const truss = shape('truss', 'obstacle', [11, 11.6, 13, 12.2], [1.6, 2.8]);

describe('what a move keeps from', () => {
	it('in an empty hall nothing is too near; with a truss in the way the truss is named first, and when', () => {
		const free = hall();
		expect(tried(crane(free), free).findings.filter(tooNear)).toEqual([]);
		const blocked = hall(truss);
		const [first] = tried(crane(blocked), blocked).findings;
		expect(first).toMatchObject({ id: 'truss', wantedM: 0.3 + askedOf(crane(blocked)).givesM });
		expect(tooNear(first!)).toBe(true);
		expect(first!.atS).toBeGreaterThan(0.5);
		expect(first!.atS).toBeLessThan(8.5);
	});
	it('a path through a wall strikes it', () => {
		const plan = hall(shape('across', 'wall', [8, 11, 16, 11], [0, 8]));
		const struck = tried(crane(plan), plan).findings.filter(({ clearanceM }) => clearanceM <= 0);
		expect(struck.map(({ id }) => id)).toContain('across');
	});
	it('asks ten metres of an overhead line, nothing over a keep-out, and tells whose places are passed over', () => {
		const plan = hall(
			shape('wire', 'line', [0, 14, 24, 14], [7, 7]),
			shape('exit', 'keepOut', [11, 11, 13, 12], [0, 200]),
			shape('guests', 'people', [11, 11, 13, 12], [0, 0.5])
		);
		const { findings, overPeople } = tried(crane(plan), plan);
		expect(findings.find(({ id }) => id === 'wire')).toMatchObject({ wantedM: 10 + askedOf(crane(plan)).givesM });
		expect(tooNear(findings.find(({ id }) => id === 'exit')!)).toBe(true);
		expect(overPeople).toEqual(['guests']);
	});
	it('asks as much more as the arm gives: its own figure where there is one, else a guess by its reach', () => {
		const plan = hall(truss);
		const move = crane(plan);
		if (move.support.kind !== 'arm') throw new Error('The pattern has an arm.');
		expect(askedOf(move).givesM).toBeGreaterThanOrEqual(0.02 * move.support.armM);
		const own = (givesM: number): Move => ({ ...move, support: { ...move.support, givesM } as Move['support'] });
		const at = (asked: Move, id: string) => tried(asked, plan).findings.find((each) => each.id === id)!;
		expect(at(own(0.11), 'truss').wantedM).toBeCloseTo(0.41, 12);
		expect(at(own(0), 'truss').wantedM).toBe(0.3);
		// The same way, the same distance: only more is asked.
		expect(at(own(0.11), 'truss').clearanceM).toBe(at(own(0), 'truss').clearanceM);
		// A guess is never carried over as a figure, and what gives is no part of the way that was run.
		expect(pathMark(own(0.11), 1)).toBe(pathMark(move, 1));
		const lens = (at: LensAt | null): Move => ({ ...move, camera: { ...move.camera, lens: at } });
		expect(pathMark(lens(null), 1)).toBe(pathMark(move, 1));
		expect(pathMark(lens({ atM: [0, 0, 0.05], from: 'measured' }), 1)).not.toBe(pathMark(move, 1));
	});
	it('nothing is asked over a keep-out but what the arm gives, and the floor is spoken of as soon as it may be reached', () => {
		const plan = hall(shape('exit', 'keepOut', [11, 11, 13, 12], [0, 200]));
		const move = { ...crane(plan), support: { ...crane(plan).support, givesM: 0.2 } as Move['support'] };
		expect(tried(move, plan).findings.find(({ id }) => id === 'exit')).toMatchObject({ wantedM: 0.2 });
		const near = [{ shapeId: 'floor', bodyId: 'camera', clearanceM: 0.15, atS: 1 }] as never;
		expect(readClear(near, { safetyM: 0.3, givesM: 0 }, plan).findings).toEqual([]);
		expect(readClear(near, { safetyM: 0.3, givesM: 0.2 }, plan).findings.map(tooNear)).toEqual([true]);
	});
	it('the camera’s body lies where its lens is, and comes nearer on that side alone', () => {
		const plan = hall();
		const fixedMove = fromPattern(
			movePatterns.find(({ id }) => id === 'tripod')!,
			'x',
			'v',
			plan
		);
		const body = (camera: Partial<Move['camera']>) => {
			const move = { ...fixedMove, camera: { ...fixedMove.camera, ...camera } };
			const run = runOf(move);
			return runs(run) ? clearQuestion(move, run, plan)!.bodies[0] : null;
		};
		expect(body({})).toMatchObject({ fromM: [-0.14, 0, 0], toM: [0.18, 0, 0] });
		const lens = { atM: [0.06, 0.02, 0.07], from: 'measured' } as const;
		expect(body({ lens })).toMatchObject({ fromM: [-0.14, 0.02, 0.07], toM: [0.18, 0.02, 0.07], radiusM: 0.1 });
	});
	it('the knot that is offered clears it, keeps every other knot, and every axis in its range', () => {
		const plan = hall(truss);
		const move = crane(plan);
		const via = viaThatClears(move, plan)!;
		expect(via).not.toBeNull();
		expect(tried(via.move, plan).findings.filter(tooNear)).toEqual([]);
		expect(readMove(via.move).figures!.beyond).toEqual([]);
		for (const knot of move.knots) expect(via.move.knots).toContainEqual(knot);
		expect(via.move.knots).toHaveLength(move.knots.length + 1);
	}, 60_000);
	it('a walk is never proven', () => {
		const walk = fromPattern(
			movePatterns.find(({ id }) => id === 'walk')!,
			'A walk',
			null,
			null
		);
		const run = runOf(walk);
		expect(runs(run) && clearQuestion(walk, run, hall())).toBeNull();
	});
});

describe('the run backwards', () => {
	it('goes from the end to the start, and stops where something is near', () => {
		const plan = hall(truss);
		const move = crane(plan);
		const steps = backwardsSteps(move, readMove(move).figures, tried(move, plan), 'metric');
		const times = steps.flatMap(({ atS }) => (atS === null ? [] : [atS]));
		expect(times).toEqual([...times].sort((one, two) => two - one));
		expect(steps.map(({ id }) => id)).toContain('neartruss');
		expect(steps[0]!.atS).toBeNull();
	});
	it('is of one way through the room: another knot makes it another, a tick does not', () => {
		const move = crane(hall());
		expect(pathMark({ ...move, ticked: ['hands'], name: 'B', safetyM: 1 }, 3)).toBe(pathMark(move, 3));
		const moved = move.knots.map((knot, k) => (k === 0 ? { ...knot, tS: 0.5 } : knot));
		expect(pathMark({ ...move, knots: moved }, 3)).not.toBe(pathMark(move, 3));
		// Another room, or the same one changed since, was not run through.
		expect(pathMark({ ...move, venueId: 'other' }, 3)).not.toBe(pathMark(move, 3));
		expect(pathMark(move, 4)).not.toBe(pathMark(move, 3));
	});
});

describe('a trial in its worker', () => {
	const worker = () => {
		const heard: { number: number; type: string }[] = [];
		let tell: (event: { data: unknown }) => void = () => {};
		let fail: () => void = () => {};
		return {
			heard,
			tell: (data: unknown) => tell({ data }),
			postMessage: (data: unknown) => void heard.push(data as { number: number; type: string }),
			fails: () => fail(),
			addEventListener: (type: string, listener: unknown) => {
				if (type === 'message') tell = listener as typeof tell;
				else fail = listener as typeof fail;
			},
			terminate: () => {}
		};
	};
	const rests = () => new Promise((resolve) => setTimeout(resolve, 160));
	const plan = hall();
	const move = crane(plan);
	const run = runOf(move);
	const question = runs(run) ? clearQuestion(move, run, plan) : null;

	it('says nothing of a way that was not tried: an answer to an older question is no answer', async () => {
		const stub = worker();
		const trial = new ClearTrial(stub as never);
		trial.ask(question);
		await rests();
		expect(stub.heard).toHaveLength(1);
		trial.ask(question);
		stub.tell({ type: 'ask', number: stub.heard[0]!.number, answer: [] });
		expect(trial.answer).toBeNull();
		await rests();
		stub.tell({ type: 'ask', number: stub.heard[1]!.number, answer: [] });
		expect(trial.answer).toEqual([]);
		trial.stop();
	});
	it('a trial that failed is said to prove nothing', async () => {
		const stub = worker();
		const trial = new ClearTrial(stub as never);
		trial.ask(question);
		await rests();
		stub.tell({ type: 'ask', number: stub.heard[0]!.number, answer: null });
		expect(trial.answer).toBeNull();
		expect(trial.problem).toMatch(/nothing is proven/);
		trial.stop();
	});
	it('a worker that dies leaves nobody waiting for a way', async () => {
		const stub = worker();
		const trial = new ClearTrial(stub as never);
		const way = trial.via(move, plan);
		stub.fails();
		expect(await way).toBeNull();
		expect(trial.problem).toMatch(/nothing is proven/);
		trial.stop();
	});
});

describe('what carries the camera is tried too', () => {
	const hallWith = (...shapes: readonly PlanShape[]) => hall(...shapes);
	const of = (id: string, plan: VenuePlan, change: object = {}): Move => {
		const move = fromPattern(
			movePatterns.find((each) => each.id === id)!,
			'A move',
			'v',
			plan
		);
		return { ...move, support: { ...move.support, ...change } as Move['support'] };
	};
	/** The plan's middle is (12, 10): every pattern stands about there. */
	const stage = (topM: number) => shape('Piste', 'obstacle', [11, 9.4, 12, 10.6], [0, topM]);
	const struck = (move: Move, plan: VenuePlan) =>
		tried(move, plan)
			.findings.filter(({ clearanceM }) => clearanceM <= 0)
			.map(({ id, bodyId }) => `${id}: ${bodyId}`);

	it.each(movePatterns.filter(({ id }) => id !== 'walk').map(({ id }) => id))(
		'%s, as it is made in an empty hall, strikes neither its floor nor what it stands on',
		(id) => {
			const plan = hallWith();
			expect(tried(of(id, plan), plan).findings.filter(tooNear)).toEqual([]);
		}
	);
	it('a dolly whose track lies through a platform strikes it, by its rail; on top of it, and beside it, not', () => {
		const plan = hallWith(stage(0.4));
		const move = of('dolly', plan);
		if (move.support.kind !== 'rail') throw new Error('no rail');
		const [first] = tried(move, plan).findings;
		expect(first).toMatchObject({ id: 'Piste' });
		expect(first!.clearanceM).toBeLessThanOrEqual(0);
		expect(struck(move, plan).join()).toMatch(/Piste: (standing rail|dolly)/);
		// The lens itself goes a metre over it: without its track nothing was wrong.
		const run = runOf(move) as Run;
		const { standing: _, bodies, ...bare } = clearQuestion(move, run, plan)!;
		const lens = tryClear({ ...bare, bodies: bodies.filter(({ id }) => id === 'camera') });
		expect(lens.find(({ shapeId }) => shapeId === 'Piste')!.clearanceM).toBeGreaterThan(0.9);
		const [x, y, z] = move.support.startM;
		expect(struck(of('dolly', plan, { startM: [x, y, z + 0.4] }), plan)).toEqual([]);
		expect(struck(of('dolly', plan, { startM: [x, y + 3, z] }), plan)).toEqual([]);
	});
	it('a slider’s stand, a tripod’s leg and a crane’s column stand in what is in their place', () => {
		// Higher than a stand’s foot can be on, and lower than the rail.
		const shapes: Readonly<Record<string, PlanShape>> = {
			slider: shape('bench', 'obstacle', [11, 9.9, 13, 10.1], [0.3, 0.6]),
			tripod: shape('bench', 'obstacle', [11.2, 9.2, 12.8, 10.8], [0.3, 0.6]),
			crane: shape('bench', 'obstacle', [11.9, 9.5, 12.1, 10.5], [0.3, 0.6])
		};
		for (const [id, bench] of Object.entries(shapes)) {
			const plan = hallWith(bench);
			const move = of(id, plan);
			const { support } = move;
			const [x = 0, y = 0] =
				support.kind === 'rail'
					? support.startM
					: support.kind === 'arm'
						? support.pivotM
						: support.kind === 'fixed'
							? support.atM
							: [];
			// Where it stands, whatever the pattern has made of the middle.
			const there = {
				...bench,
				pointsM: [
					[x - 0.2, y - 0.7],
					[x + 0.6, y - 0.7],
					[x + 0.6, y + 0.7],
					[x - 0.2, y + 0.7]
				] as const
			};
			const room = hallWith(there);
			expect(struck(move, room).join(), id).toMatch(/bench: standing (stand|leg|column)/);
			expect(tried(move, room).findings.find(({ id: found }) => found === 'bench')).toMatchObject({ stands: true });
		}
	});
	it('on a platform its feet stand on the platform', () => {
		for (const id of ['slider', 'tripod', 'crane']) {
			const plan = hallWith(shape('stage', 'obstacle', [2, 2, 22, 18], [0, 0.3]));
			expect(
				struck(of(id, plan), plan).filter((each) => /standing|column/.test(each)),
				id
			).toEqual([]);
			const { support } = of(id, plan);
			expect(behaves(support).moving(support, plan)!.on, id).toEqual(['stage']);
		}
	});
	it('where it stands in something no knot is offered', () => {
		const plan = hallWith(stage(0.4));
		const move = of('dolly', plan);
		expect(tried(move, plan).findings.some(tooNear)).toBe(true);
		expect(viaThatClears(move, plan)).toBeNull();
	});
});
