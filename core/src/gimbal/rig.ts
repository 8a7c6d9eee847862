import { checksFor } from '../input';
import { add, type Body, type Vec3 } from '../mass/body';
import type { GimbalAxis, GimbalChain, GimbalPart, GimbalSlide } from './chain';
import type { CounterweightPlace } from './remedies';

/** The printed scale beside a slide: what it reads at position 0, and whether it counts with (+1) or against the slide. */
export interface SlideScale {
	readonly readingAtZeroM: number;
	readonly sense: 1 | -1;
}

/** A slide of a real rig. Its `moves` may hold {@link payloadToken}, which stands for everything on the plate. */
export interface RigSlide extends GimbalSlide {
	readonly scale: SlideScale;
	/** Travel for one turn of its knob; null where it is pushed by hand. */
	readonly knobPitchM: number | null;
	/** The axis this slide is there to balance. */
	readonly balances: string;
}

/** A gimbal without its payload. The payload's frame has its origin at `mountM` with every slide at 0. */
export interface GimbalRig {
	readonly axes: readonly GimbalAxis[];
	readonly parts: readonly GimbalPart[];
	/** In the order they are set. */
	readonly slides: readonly RigSlide[];
	readonly mountM: Vec3;
	readonly counterweightPlaces: readonly CounterweightPlace[];
}

export const payloadToken = 'payload';
const payloadPrefix = 'payload:';

/**
 * The chain of a gimbal with a payload on its plate: payload parts hang on the innermost axis, at `mountM` from their own
 * frame, and move with every slide that moves the payload. Their ids gain the prefix `payload:`, so that they cannot
 * meet a part of the gimbal. Throws `PhysicsInputError` for an empty payload or gimbal.
 */
export function mountPayload(input: {
	readonly rig: GimbalRig;
	readonly payload: readonly { readonly id: string; readonly body: Body }[];
}): GimbalChain {
	const check = checksFor('mountPayload');
	const { rig, payload } = input;
	check.list('payload', payload);
	check.list('rig.axes', rig.axes);
	rig.slides.forEach(({ scale }, index) => {
		check.number(`rig.slides[${index}].scale.readingAtZeroM`, scale.readingAtZeroM);
		check.number(`rig.slides[${index}].scale.sense`, scale.sense);
	});
	const innermost = (rig.axes[rig.axes.length - 1] as GimbalAxis).id;
	const mounted = payload.map(({ id, body }, index) => {
		check.body(`payload[${index}].body`, body);
		return {
			id: payloadPrefix + id,
			body: { ...body, cgM: add(check.vector('rig.mountM', rig.mountM), body.cgM) },
			hangsOn: innermost
		};
	});
	return {
		axes: rig.axes,
		parts: [...rig.parts, ...mounted],
		slides: rig.slides.map(({ id, direction, rangeM, moves }) => ({
			id,
			direction,
			rangeM,
			moves: moves.flatMap((moved) => (moved === payloadToken ? mounted.map((part) => part.id) : [moved]))
		}))
	};
}

/** What the slide's scale reads at a position, metres as printed. */
export const readingAt = ({ scale }: Pick<RigSlide, 'scale'>, positionM: number): number =>
	scale.readingAtZeroM + scale.sense * positionM;

/** The position at which the slide's scale gives a reading; the inverse of {@link readingAt}. */
export const positionAt = ({ scale }: Pick<RigSlide, 'scale'>, readingM: number): number =>
	scale.sense * (readingM - scale.readingAtZeroM);

/** Everything at mid-travel: where a gimbal stands when nothing is known yet. */
export const midTravel = (slides: readonly GimbalSlide[]): Record<string, number> =>
	Object.fromEntries(slides.map(({ id, rangeM }) => [id, (rangeM[0] + rangeM[1]) / 2]));
