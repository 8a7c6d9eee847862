import type { Mount, MovingBody, Vec3 } from '@poise/core';
import type { AxisFigures } from '$lib/model/head';
import type { Flex } from '$lib/model/flex';
import type { VenuePlan } from '$lib/model/venue';
import type { BaseAxis, Values } from '../model';

/** A straight piece of a support as every drawing shows it, room frame. */
interface Stroke {
	readonly as: 'rail' | 'arm' | 'tail' | 'base' | 'column';
	readonly fromM: Vec3;
	readonly toM: Vec3;
	/** Across. */
	readonly thickM: number;
}

/** A handle on the plan that places the support itself. */
interface Placing<Support> {
	readonly id: string;
	readonly words: string;
	readonly atM: Vec3;
	readonly put: (toM: Vec3) => Support;
}

interface Moving {
	readonly mount: Mount;
	readonly bodies: readonly MovingBody[];
	readonly standing: readonly MovingBody[];
	/** What of the plan it is reckoned to stand on, by name. */
	readonly on: readonly string[];
}

export interface Reached {
	readonly values: Partial<Record<BaseAxis, number>>;
	/** How far off it stays. */
	readonly missM: number;
	/** Why, in words; null: it gets there. */
	readonly why: string | null;
}

/**
 * What carries a head in a move. Adding one is one file: its axes, how they bring the head somewhere, how a hand takes it somewhere, and
 * its strokes, from which plan, elevation and picture draw it.
 */
export interface SupportOfMove<Support> {
	readonly words: string;
	/** The axes that carry the head, with what they can do. */
	readonly axes: (support: Support) => Partial<Record<BaseAxis, AxisFigures>>;
	/** As the core has it, at these places. */
	readonly mount: (support: Support, values: Partial<Values>) => Mount;
	/** Of the whole move, for its clearance: what goes along, and what stands, where a plan has it stand; null: its way is not proven. */
	readonly moving: (support: Support, plan: VenuePlan | null) => Moving | null;
	/** How far it gives under a camera; null: nobody can say, as of a walk. */
	readonly gives: (support: Support) => Flex | null;
	/** The places that bring the head nearest a point, from where it stands. */
	readonly reach: (support: Support, from: Partial<Values>, toM: Vec3) => Reached;
	/** The base alone goes there; null: it has none that goes while it runs. */
	readonly reachByBase?: (support: Support, from: Partial<Values>, toM: Vec3) => Reached | null;
	readonly strokes: (support: Support, values: Partial<Values>) => readonly Stroke[];
	readonly placings: (support: Support) => readonly Placing<Support>[];
	/** What it needs and what it can do to somebody. */
	readonly cautions: (support: Support) => readonly string[];
}

export const clamped = (value: number, [from, to]: readonly [number, number]) => Math.min(to, Math.max(from, value));
export const apart = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
