import { seededRandom } from '@poise/core';
import { describe, expect, it } from 'vitest';
import { beyondOf, limitsOf, readMove } from './figures';
import { fromPattern } from './fromPattern';
import { keptInside } from './inside';
import { extended } from './knots';
import { type Knot, type Move, tempos, type Values } from './model';
import { baseTurnThatFits, turnsThatFit } from './panTurn';
import { type Run, runOf, runs } from './path';
import { movePatterns } from './patterns';

const made = (id: string): Move =>
	fromPattern(
		movePatterns.find((each) => each.id === id)!,
		'A move',
		null,
		null
	);
const run = (move: Move): Run => {
	const found = runOf(move);
	if (!runs(found)) throw new Error(found.words);
	return found;
};

describe('a curve that swings past an end that no knot is past', () => {
	/** Knots anywhere within the travels, a twentieth of them at its ends; every fourth rests. */
	function anyMove(number: number, random: () => number): Move {
		const bare = made(['slider', 'dolly', 'crane', 'telescopic'][number % 4]!);
		const ranges = Object.entries(limitsOf(bare)).filter(
			([axis]) => axis in bare.knots[0]!.values && axis !== 'panRad' && axis !== 'tiltRad'
		);
		let tS = 0;
		const knots = Array.from({ length: 3 + Math.floor(random() * 5) }, (_, k): Knot => {
			const values = { ...bare.knots[0]!.values } as Record<string, number>;
			for (const [axis, { range }] of ranges)
				values[axis] = range[0] + (range[1] - range[0]) * Math.min(1, Math.max(0, random() * 1.1 - 0.05));
			const dwellS = random() < 0.25 ? 1 : 0;
			const knot = {
				...bare.knots[0]!,
				id: `k${k}`,
				name: `knot ${k}`,
				tS,
				dwellS,
				values: values as unknown as Values
			};
			tS += dwellS + 0.5 + random() * 7.5;
			return knot;
		});
		return { ...bare, aim: 'knots', tempo: tempos[number % tempos.length]!, knots };
	}
	it('is offered knots that keep all of it inside, and the others as they were: hundreds of moves', () => {
		const moves = process.env.POISE_LONG === '1' ? 500 : 50;
		const random = seededRandom(28);
		let [past, none] = [0, 0];
		for (let number = 0; number < moves; number += 1) {
			const move = anyMove(number, random);
			if (beyondOf(move, run(move)).length === 0) {
				expect(keptInside(move)).toBeNull();
				continue;
			}
			past += 1;
			const found = keptInside(move);
			if (found === null) {
				none += 1;
				continue;
			}
			expect(beyondOf(found.move, run(found.move))).toEqual([]);
			expect(found.move.knots.filter(({ id }) => !found.knotIds.includes(id))).toEqual(move.knots);
		}
		expect(past).toBeGreaterThan(0.4 * moves);
		// Legs of half a second that swing far have no time for one.
		expect(none / past).toBeLessThan(0.01);
	});
	it('where a knot itself is past its end, none is offered', () => {
		const move = made('slider');
		const beyond = { ...move.knots[0]!, values: { ...move.knots[0]!.values, trackM: 0 } };
		expect(keptInside({ ...move, knots: [beyond, ...move.knots.slice(1)] })).toBeNull();
	});
	it('knots before and after, as they are put, make no good move impossible: every pattern, every tempo', () => {
		for (const { id } of movePatterns)
			for (const tempo of tempos) {
				const move: Move = { ...made(id), tempo };
				const longer = extended(extended(move, 'start', 2)!.move, 'end', 2)!.move;
				expect(readMove(longer).figures!.beyond, `${id} ${tempo}`).toEqual([]);
			}
	});
});

describe('a pan that looks the same after a whole turn', () => {
	const deg = Math.PI / 180;
	it.each([
		[[0, 10], [-170, 170], 0],
		[[240, 250], [-170, 170], -360],
		[[-300, -200], [-170, 170], 360],
		[[-600, -590], [-170, 170], 720],
		// Inside as it is: it stays, though another turn of it would do too.
		[[300, 310], [-720, 720], 0],
		// Nothing does: the least past.
		[[100, 200], [-170, 170], 0],
		[[170, 330], [-170, 170], -360]
	] as const)('from %j within %j goes by %d', (way, range, turns) => {
		const rad = ([from, to]: readonly [number, number]) => [from * deg, to * deg] as const;
		expect(turnsThatFit(rad(way), rad(range)) / deg).toBeCloseTo(turns, 9);
	});
	const standing = (headingDeg: number, startPanDeg: number): Move => {
		const bare = made('slider');
		if (bare.support.kind !== 'rail') throw new Error('no rail');
		const knots = bare.knots.map((knot) => ({ ...knot, values: { ...knot.values, panRad: startPanDeg * deg } }));
		return { ...bare, support: { ...bare.support, headingRad: headingDeg * deg }, knots };
	};
	it('is chosen for the move as a whole, whatever the first knot was told', () => {
		const found = [0, 247, -360, 720].map((start) => readMove(standing(0, start)).figures!);
		for (const figures of found) {
			expect(figures.beyond).toEqual([]);
			figures.sampled.values.panRad!.forEach((pan, k) =>
				expect(pan).toBeCloseTo(found[0]!.sampled.values.panRad![k]!, 9)
			);
		}
	});
	it('where no whole turn does, so much of a turned base makes room, and with it all is inside', () => {
		const bare = made('tripod');
		if (bare.support.kind !== 'fixed') throw new Error('no tripod');
		const { support } = bare;
		const [x, y, z] = support.atM;
		const figures = {
			...bare.head.figures,
			pan: { ...bare.head.figures.pan, range: [-100 * deg, 100 * deg] as const }
		};
		for (const stance of ['up', 'hung'] as const)
			for (const heading of [0, 150, -150, 90]) {
				const move: Move = {
					...bare,
					aim: 'subject',
					head: { ...bare.head, figures },
					support: { ...support, stance, headingRad: heading * deg },
					subject: { ...bare.subject, atM: [x - 3, y + 1, z] }
				};
				const before = readMove(move).figures!;
				const turn = baseTurnThatFits(move, before.run.extents.panRad!);
				const fitsNow = before.beyond.every(({ axis }) => axis !== 'panRad');
				expect(Math.abs(turn!) < 1e-9, `${stance} ${heading}`).toBe(fitsNow);
				const mended = { ...move, support: { ...support, stance, headingRad: heading * deg + turn! } };
				expect(
					readMove(mended).figures!.beyond.filter(({ axis }) => axis === 'panRad'),
					`${stance} ${heading}`
				).toEqual([]);
			}
	});
	it('a way that turns further than pan travels fits no base', () => {
		const move = standing(0, 0);
		const narrow = { ...move.head.figures, pan: { ...move.head.figures.pan, range: [-5 * deg, 5 * deg] as const } };
		const mended: Move = { ...move, head: { ...move.head, figures: narrow } };
		expect(baseTurnThatFits(mended, readMove(mended).figures!.run.extents.panRad!)).toBeNull();
	});
});
