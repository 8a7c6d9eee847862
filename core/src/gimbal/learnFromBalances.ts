/* eslint-disable max-lines -- one method, with its derivation beside it. */
import { CholeskyDecomposition, EigenvalueDecomposition, Matrix } from 'ml-matrix';
import { checksFor } from '../input';
import { add, dot, standardGravityMPerS2, type Vec3 } from '../mass/body';
import { chiSquarePoint } from '../numeric/chiSquare';
import { axisLoads, momentAt } from './chain';
import type { Covariance } from './covariance';
import { type GimbalRig, mountPayload, positionAt } from './rig';
import { type Turn, turnVector } from '../mass/turnBody';

/** A part as it is believed to be: where it is heavy in its own frame, and how sure that is. */
export interface PartPrior {
	readonly id: string;
	readonly massKg: number;
	readonly cgM: Vec3;
	readonly sigmaM: Vec3;
}

export interface RigPrior {
	readonly id: string;
	readonly rig: GimbalRig;
	/** How far off each scale's printed zero may be, one standard deviation, by slide id; one not named is exact. */
	readonly zeroSigmaM: Readonly<Record<string, number>>;
}

/** A finished balance: which parts stood where on which rig, and what the scales read in the end. */
export interface FinishedBalance {
	readonly rigId: string;
	/** `originM`: where the part's own frame stands in the payload's; `turn`: how it is turned there. */
	readonly parts: readonly { readonly partId: string; readonly originM: Vec3; readonly turn?: Turn }[];
	readonly readingsM: Readonly<Record<string, number>>;
	/** How exactly the readings were set and read, one standard deviation. */
	readonly readingSigmaM: number;
	/** Slides whose axis was let go and seen to hold at that reading; absent: all. What was only computed teaches nothing. */
	readonly foundSlideIds?: readonly string[];
}

export interface Learned {
	readonly value: number;
	readonly sigma: number;
	readonly prior: number;
	readonly priorSigma: number;
	/** The balances alone, without the prior, fix this figure. */
	readonly identifiable: boolean;
	/** Share of the prior variance that the balances took away, 0 to 1. */
	readonly learned: number;
}

export interface BalanceOutlier {
	/** Its place in the list of balances. */
	readonly index: number;
	/** How many standard deviations it is off what all others foretell, per equation. */
	readonly offBy: number;
}

export interface Lesson {
	readonly parts: readonly { readonly id: string; readonly cgM: readonly [Learned, Learned, Learned] }[];
	/** How much further each scale's zero sits than printed, metres of reading. */
	readonly rigs: readonly { readonly id: string; readonly zeroM: Readonly<Record<string, Learned>> }[];
	/** Figures the balances alone do not fix: they only share a sum with others, or were never weighed. */
	readonly notIdentifiable: readonly string[];
	/** How unsure the figures that a balance had to do with are together, m²: what a reading they share is unsure by. */
	readonly covariance: Covariance;
	/** Root mean square of what is left unexplained, in standard deviations of the readings; about 1 when all fits. */
	readonly misfit: number | null;
	/** By how much every deviation was widened because the balances do not fit one another; 1: they do. */
	readonly widenedBy: number;
	/** Balances that do not fit the others, the furthest first; each was judged with those before it left out. Nothing is left out of itself. */
	readonly outliers: readonly BalanceOutlier[];
}

/** Directions in parameter space weaker than this beside the strongest say nothing. */
const nullShare = 1e-9;

/**
 * What finished balances say about the gear: every part's centre of gravity and every scale's zero together.
 *
 * Parts carry a prior mean and standard deviation in metres, in their own frames; a gimbal's scale zeros have prior mean 0
 * (as printed). The balances are those of poised rigs. Rig frame as in `mountPayload`. The result gives each figure's
 * posterior mean and standard deviation; nothing is refused: what the balances cannot tell apart keeps its prior and is
 * named in `notIdentifiable` (`part:<id>.x`, `zero:<rig>.<slide>`). A prior of 0 holds a figure. Throws
 * `PhysicsInputError` for ids, masses or sigmas without sense.
 *
 * In a poised balance each axis has no first moment along each direction in which a slide balances it, up to friction
 * `τ_f/g` (uniform, so a third of its square is the variance) and the readings' own errors. First moments are linear in
 * the unknowns, so this is a linear Gaussian estimate: with whitened rows H, y, the prior Σ = D² and `S = H D`,
 * `mean = prior + D (SᵀS + I)⁻¹ Sᵀ y`, `Cov = D (SᵀS + I)⁻¹ D`, widened by the root of `yᵀ(S Sᵀ + I)⁻¹y` over the number of rows where that lies
 * beyond its 99 % point, and a balance is an outlier where what it has beyond all others' word, `rᵀ(I − S_b C S_bᵀ)⁻¹ r` with the residual
 * r of its k rows, lies beyond the point of `χ²_k` that one balance in a thousand logbooks passes by chance: as many equations as unknowns that some balance has to do with, however many
 * balances there are.
 */
export function learnFromBalances(input: {
	readonly rigs: readonly RigPrior[];
	readonly parts: readonly PartPrior[];
	readonly balances: readonly FinishedBalance[];
}): Lesson {
	const check = checksFor('learnFromBalances');
	const parameters = parametersOf(input, check);
	const rows: number[][] = [];
	const missing: number[] = [];
	const partsById = new Map(input.parts.map((part) => [part.id, part]));
	// Figures that no balance has anything to do with stay as they were: most of a shelf.
	const seen = new Set(
		input.balances.flatMap(({ rigId, parts }) => [`zero:${rigId}`, ...parts.map(({ partId }) => `part:${partId}`)])
	);
	const involved = parameters.flatMap(({ of }, j) => (seen.has(of) ? [j] : []));
	const columns = new Map(involved.map((j, column) => [(parameters[j] as Parameter).key, column]));
	/** Which balance a row is of. */
	const of: number[] = [];
	input.balances.forEach((balance, index) => {
		const equations = equationsOf(input.rigs, partsById, balance, columns, index, check);
		rows.push(...equations.rows);
		missing.push(...equations.missing);
		of.push(...equations.rows.map(() => index));
	});

	const priorSigma = parameters.map(({ sigma }) => sigma);
	const mean = parameters.map(({ prior }) => prior);
	const sigma = [...priorSigma];
	let misfit: number | null = null;
	let covariance: Covariance = { keys: [], square: [] };
	let [widenedBy, outliers]: [number, readonly BalanceOutlier[]] = [1, []];
	const determined = parameters.map(() => false);
	if (rows.length > 0) {
		const scaled = rows.map((row) => row.map((value, k) => value * (priorSigma[involved[k] as number] as number)));
		const found = estimated(scaled, missing);
		if (found.left > chiSquarePoint(rows.length, 2.326)) {
			widenedBy = Math.sqrt(found.left / rows.length);
			outliers = outliersOf(scaled, missing, of);
		}
		involved.forEach((j, k) => {
			const prior = priorSigma[j] as number;
			mean[j] = (mean[j] as number) + prior * (found.shift[k] as number);
			// No wider than what is believed without any balance.
			sigma[j] = prior * Math.min(1, widenedBy * (found.share[k] as number));
			determined[j] = found.determined[k] as boolean;
		});
		misfit = Math.sqrt(found.left / rows.length);
		covariance = {
			keys: involved.map((j) => (parameters[j] as Parameter).key),
			square: found.covariance.map((row, a) =>
				row.map(
					(value, b) =>
						widenedBy ** 2 *
						value *
						(priorSigma[involved[a] as number] as number) *
						(priorSigma[involved[b] as number] as number)
				)
			)
		};
	}

	const learned = parameters.map(({ prior, sigma: before }, j): Learned => {
		const after = sigma[j] as number;
		return {
			value: mean[j] as number,
			sigma: after,
			prior,
			priorSigma: before,
			identifiable: before === 0 || (determined[j] as boolean),
			learned: before === 0 ? 0 : 1 - (after / before) ** 2
		};
	});
	const byKey = new Map(parameters.map(({ key }, j) => [key, learned[j] as Learned]));
	const find = (key: string) => byKey.get(key) as Learned;
	return {
		parts: input.parts.map(({ id }) => ({
			id,
			cgM: [find(`part:${id}.x`), find(`part:${id}.y`), find(`part:${id}.z`)] as const
		})),
		rigs: input.rigs.map(({ id, rig }) => ({
			id,
			zeroM: Object.fromEntries(rig.slides.map((slide) => [slide.id, find(`zero:${id}.${slide.id}`)]))
		})),
		notIdentifiable: parameters.flatMap(({ key }, j) => ((learned[j] as Learned).identifiable ? [] : [key])),
		covariance,
		misfit,
		widenedBy,
		outliers
	};
}

interface Parameter {
	readonly key: string;
	/** The part or the gimbal it is a figure of. */
	readonly of: string;
	readonly prior: number;
	readonly sigma: number;
}

type Checks = ReturnType<typeof checksFor>;
const axisNames = ['x', 'y', 'z'] as const;

function parametersOf(
	{ rigs, parts }: { readonly rigs: readonly RigPrior[]; readonly parts: readonly PartPrior[] },
	check: Checks
): Parameter[] {
	check.uniqueIds('parts', parts);
	check.uniqueIds('rigs', rigs);
	const centres = parts.flatMap(({ id, massKg, cgM, sigmaM }, index) => {
		check.atLeastZero(`parts[${index}].massKg`, massKg);
		check.vector(`parts[${index}].cgM`, cgM);
		check.vector(`parts[${index}].sigmaM`, sigmaM);
		return axisNames.map((name, axis) => ({
			...{ key: `part:${id}.${name}`, of: `part:${id}` },
			prior: cgM[axis] as number,
			sigma: check.atLeastZero(`parts[${index}].sigmaM[${axis}]`, sigmaM[axis])
		}));
	});
	const zeros = rigs.flatMap(({ id, rig, zeroSigmaM }, index) =>
		rig.slides.map((slide) => ({
			...{ key: `zero:${id}.${slide.id}`, of: `zero:${id}` },
			prior: 0,
			sigma: check.atLeastZero(`rigs[${index}].zeroSigmaM.${slide.id}`, zeroSigmaM[slide.id] ?? 0)
		}))
	);
	return [...centres, ...zeros];
}

/** One balance as whitened rows: each axis along each direction in which a slide balances it. */
function equationsOf(
	rigs: readonly RigPrior[],
	partsById: ReadonlyMap<string, PartPrior>,
	balance: FinishedBalance,
	columns: ReadonlyMap<string, number>,
	index: number,
	check: Checks
): { rows: number[][]; missing: number[] } {
	const at = `balances[${index}]`;
	const prior = rigs.find(({ id }) => id === balance.rigId);
	if (prior === undefined) return check.fail(`${at}.rigId`, 'must be the id of a gimbal', balance.rigId);
	const readingSigmaM = check.positive(`${at}.readingSigmaM`, balance.readingSigmaM);
	const { rig } = prior;
	const standing = balance.parts.map(({ partId, originM, turn }, which) => {
		const part = partsById.get(partId);
		if (part === undefined) return check.fail(`${at}.parts[${which}].partId`, 'must be the id of a part', partId);
		const turned = turn === undefined ? part.cgM : turnVector(turn, part.cgM);
		const cgM = add(check.vector(`${at}.parts[${which}].originM`, originM), turned);
		return { id: String(which), part, turn, body: { massKg: part.massKg, cgM } };
	});
	const loads = axisLoads('learnFromBalances', mountPayload({ rig, payload: standing }));
	const positionsM = rig.slides.map((slide) =>
		positionAt(slide, check.number(`${at}.readingsM.${slide.id}`, balance.readingsM[slide.id]))
	);

	// Two slides that do the same work make one equation, not two; it counts when the axis was seen to hold at either.
	const found = (slide: (typeof rig.slides)[number]) =>
		balance.foundSlideIds === undefined ||
		rig.slides.some(
			(other) =>
				balance.foundSlideIds?.includes(other.id) === true &&
				other.balances === slide.balances &&
				Math.abs(dot(other.direction, slide.direction)) > 0.999
		);
	const told = rig.slides.flatMap((slide, s) => {
		if (!found(slide)) return [];
		const load = loads.find(({ axis }) => axis.id === slide.balances);
		const again = rig.slides
			.slice(0, s)
			.some((other) => other.balances === slide.balances && Math.abs(dot(other.direction, slide.direction)) > 0.999);
		return load === undefined || again ? [] : [{ direction: slide.direction, load }];
	});
	const innermost = loads.length - 1;
	const rows = told.map(({ direction, load }) => {
		const row = Array.from({ length: columns.size }, () => 0);
		const bump = (key: string, by: number) => {
			const j = columns.get(key);
			if (j !== undefined) row[j] = (row[j] as number) + by;
		};
		// The payload hangs on the innermost axis, so every axis carries all of it.
		if (innermost >= 0)
			for (const { part, turn } of standing)
				axisNames.forEach((name, axis) => {
					const unit = [0, 1, 2].map((k) => (k === axis ? 1 : 0)) as unknown as Vec3;
					const turned = turn === undefined ? unit : turnVector(turn, unit);
					bump(`part:${part.id}.${name}`, part.massKg * dot(turned, direction));
				});
		// A zero that sits further on its scale means the slide stands that much less far.
		rig.slides.forEach((slide, s) =>
			bump(`zero:${prior.id}.${slide.id}`, -slide.scale.sense * dot(load.perSlideKgM[s] as Vec3, direction))
		);
		return row;
	});
	const missing = told.map(({ direction, load }) => -dot(momentAt(load, positionsM), direction));

	const noise = Matrix.zeros(told.length, told.length);
	told.forEach((a, i) =>
		told.forEach((b, j) => {
			const shared = rig.slides.reduce(
				(sum, _, s) =>
					sum + dot(a.load.perSlideKgM[s] as Vec3, a.direction) * dot(b.load.perSlideKgM[s] as Vec3, b.direction),
				0
			);
			const bandKgM = i === j ? (a.load.axis.frictionNm ?? 0) / standardGravityMPerS2 : 0;
			noise.set(i, j, shared * readingSigmaM ** 2 + (bandKgM * bandKgM) / 3);
		})
	);
	// A direction that no slide moves has no noise of its own; a millionth of a gram-metre keeps the factor regular.
	for (let i = 0; i < told.length; i += 1) noise.set(i, i, noise.get(i, i) + 1e-18);
	return told.length === 0 ? { rows: [], missing: [] } : whitened(rows, missing, noise);
}

function whitened(rows: number[][], missing: number[], noise: Matrix): { rows: number[][]; missing: number[] } {
	const lower = new CholeskyDecomposition(noise).lowerTriangularMatrix;
	const forward = (column: readonly number[]) => {
		const out: number[] = [];
		column.forEach((value, i) => {
			let left = value;
			for (let k = 0; k < i; k += 1) left -= lower.get(i, k) * (out[k] as number);
			out.push(left / lower.get(i, i));
		});
		return out;
	};
	const columns = (rows[0] ?? []).map((_, j) => forward(rows.map((row) => row[j] as number)));
	return { rows: rows.map((_, i) => columns.map((column) => column[i] as number)), missing: forward(missing) };
}

/** Of unknowns in units of their prior: how far each is moved, what share of its deviation stays, what is left over of the rows. */
function estimated(rows: readonly (readonly number[])[], missing: readonly number[]) {
	const count = rows[0]?.length ?? 0;
	const square = Matrix.zeros(count, count);
	const told = Array.from({ length: count }, () => 0);
	rows.forEach((row, i) => {
		const there = row.flatMap((value, k) => (value === 0 ? [] : [k]));
		for (const a of there) {
			told[a] = (told[a] as number) + (row[a] as number) * (missing[i] as number);
			for (const b of there) square.set(a, b, square.get(a, b) + (row[a] as number) * (row[b] as number));
		}
	});
	if (count === 0)
		return {
			shift: [],
			share: [],
			covariance: [],
			determined: [],
			left: missing.reduce((sum, each) => sum + each * each, 0)
		};
	const factor = new CholeskyDecomposition(Matrix.add(square, Matrix.eye(count)));
	const shift = factor.solve(Matrix.columnVector(told)).to1DArray();
	const covariance = factor.solve(Matrix.eye(count));
	// What the best estimate leaves of the readings, and what it costs against the prior: yᵀ (S Sᵀ + I)⁻¹ y.
	const left = rows.reduce(
		(sum, row, i) => {
			const off = (missing[i] as number) - row.reduce((at, value, k) => at + value * (shift[k] as number), 0);
			return sum + off * off;
		},
		shift.reduce((sum, each) => sum + each * each, 0)
	);
	return {
		shift,
		share: shift.map((_, k) => Math.sqrt(Math.min(1, Math.max(0, covariance.get(k, k))))),
		covariance: covariance.to2DArray(),
		determined: determinedBy(square),
		left
	};
}

/** More than these are no outliers: the gear is not what is believed. */
const mostOutliers = 5;

/** The balance that is furthest off what the others say, then the next without it, until the rest fit. */
function outliersOf(
	rows: readonly (readonly number[])[],
	missing: readonly number[],
	of: readonly number[]
): readonly BalanceOutlier[] {
	const out: BalanceOutlier[] = [];
	const balances = new Set(of);
	// By chance one balance in a thousand logbooks of this size.
	const deviations = Math.sqrt(3.1 ** 2 + 2 * Math.log(balances.size));
	while (out.length < Math.min(mostOutliers, balances.size - 2)) {
		const left = rows.flatMap((_, i) => (out.some(({ index }) => index === of[i]) ? [] : [i]));
		const { shift, covariance } = estimated(
			left.map((i) => rows[i] as readonly number[]),
			left.map((i) => missing[i] as number)
		);
		const square = new Matrix(covariance);
		let worst: (BalanceOutlier & { readonly beyond: number }) | null = null;
		for (const index of balances) {
			const own = left.filter((i) => of[i] === index);
			if (own.length === 0) continue;
			const told = new Matrix(own.map((i) => [...(rows[i] as readonly number[])]));
			const residual = Matrix.sub(
				Matrix.columnVector(own.map((i) => missing[i] as number)),
				told.mmul(Matrix.columnVector(shift))
			);
			const kept = Matrix.sub(Matrix.eye(own.length), told.mmul(square).mmul(told.transpose()));
			// Rounding leaves it neither quite symmetric nor, where a balance alone tells of something, quite regular.
			const spread = Matrix.add(kept, kept.transpose()).mul(0.5).add(Matrix.eye(own.length).mul(1e-9));
			const factor = new CholeskyDecomposition(spread);
			const far = factor.solve(residual).dot(residual);
			const beyond = far / chiSquarePoint(own.length, deviations);
			if (worst === null || beyond > worst.beyond) worst = { index, offBy: Math.sqrt(far / own.length), beyond };
		}
		if (worst === null || worst.beyond <= 1) return out;
		out.push({ index: worst.index, offBy: worst.offBy });
	}
	return out;
}

/** Which unknowns the rows alone fix, from their `SᵀS`: those whose own direction lies wholly in the space the rows span. */
function determinedBy(square: Matrix): boolean[] {
	const { eigenvectorMatrix, realEigenvalues } = new EigenvalueDecomposition(square, { assumeSymmetric: true });
	const strongest = Math.max(...realEigenvalues);
	return Array.from({ length: square.columns }, (_, j) => {
		const inside = realEigenvalues.reduce(
			(sum, value, k) => (value > nullShare * strongest ? sum + eigenvectorMatrix.get(j, k) ** 2 : sum),
			0
		);
		return inside > 1 - 1e-6;
	});
}

/** A gimbal with its scales' zeros as learned. */
export function withZeros(rig: GimbalRig, zeroM: Readonly<Record<string, number>>): GimbalRig {
	return {
		...rig,
		slides: rig.slides.map((slide) => ({
			...slide,
			scale: { ...slide.scale, readingAtZeroM: slide.scale.readingAtZeroM + (zeroM[slide.id] ?? 0) }
		}))
	};
}
