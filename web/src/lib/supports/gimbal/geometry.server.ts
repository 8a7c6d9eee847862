import Joi from 'joi';
import { type Limit, limits } from '$lib/model/limits';
import type { GimbalDraft, GimbalGeometry } from './model';
import { direction, key, lengthM, massKg, name, vector, within } from '$lib/server/schemas/quantities';

const label = () => Joi.string().min(1).max(80).required();
const point = () => vector('x', 'y', 'z');
const torque = () => within('motorTorque').optional().label('the motor’s torque in N·m');

const range = () =>
	Joi.array()
		.items(within('slideEnd').label('the end of the travel in metres'))
		.length(2)
		.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order')))
		.required();

const axis = Joi.object({
	id: key(),
	label: label(),
	direction: direction(),
	pivotM: point(),
	motorTorqueNm: torque(),
	frictionNm: within('friction').optional().label('the friction in N·m')
});

const part = Joi.object({
	id: key(),
	label: label(),
	body: Joi.object({ massKg: massKg(), cgM: point() }).required(),
	hangsOn: key().allow(null)
});

const slide = Joi.object({
	id: key(),
	label: label(),
	purpose: label(),
	plusWord: label(),
	minusWord: label(),
	balances: key(),
	direction: direction(),
	rangeM: range(),
	moves: Joi.array().items(key().optional()).min(1).max(60).required(),
	scale: Joi.object({
		readingAtZeroM: within('scaleZero').label('the scale at 0, in metres,'),
		sense: Joi.valid(1, -1).required()
	}).required(),
	knobPitchM: within('knobPitch').allow(null).label('the knob’s pitch in metres'),
	graduationM: within('graduation').optional().allow(null).label('the graduation in metres'),
	lock: Joi.string().max(80).allow(null, ''),
	zeroSigmaM: within('zeroSigma').optional().label('how far off the zero may be, in metres,'),
	extension: Joi.object({
		label: label(),
		lessM: lengthM('the reach'),
		moreM: lengthM('the reach')
	}).allow(null)
});

const alternative = Joi.object({
	id: key(),
	kind: Joi.string().valid('useHole', 'turnCradle').required(),
	label: label(),
	shiftM: point(),
	moves: Joi.array().items(key().optional()).min(1).max(60).required()
});

const place = Joi.object({
	id: key(),
	label: label(),
	atM: point(),
	hangsOn: key(),
	movesWith: Joi.array().items(key().optional()).max(60).required(),
	greatestKg: massKg()
});

const box = Joi.object({ kind: 'box', partId: key(), atM: point(), sizeM: point() });
const tube = Joi.object({
	kind: 'tube',
	partId: key(),
	pointsM: Joi.array().items(point()).min(2).max(200).required(),
	widthM: lengthM('the width')
});
const motor = Joi.object({
	kind: 'motor',
	partId: key(),
	atM: point(),
	axis: Joi.string().valid('x', 'y', 'z').required(),
	radiusM: lengthM('the radius'),
	lengthM: lengthM('the length')
});
/** Chosen by its kind rather than tried in turn: a failed try costs more than the check itself. */
const stroke = Joi.alternatives().conditional('.kind', {
	switch: [
		{ is: 'box', then: box },
		{ is: 'tube', then: tube },
		{ is: 'motor', then: motor }
	],
	otherwise: Joi.forbidden()
});

export const gimbalGeometry = Joi.object<GimbalGeometry>({
	axes: Joi.array().items(axis).min(1).max(6).required(),
	parts: Joi.array().items(part).max(40).required(),
	slides: Joi.array().items(slide).max(12).required(),
	mountM: point(),
	counterweightPlaces: Joi.array().items(place).max(20).required(),
	strokes: Joi.array().items(stroke).max(200).required(),
	alternatives: Joi.array().items(alternative).max(20),
	openingM: Joi.array().items(lengthM('the opening', 0.01)).length(3).allow(null),
	modes: Joi.array()
		.items(Joi.object({ name: label(), presses: Joi.string().allow('').max(200).required() }))
		.max(20),
	frame: Joi.object({
		pattern: Joi.string().max(40).required(),
		lengths: Joi.object().pattern(key(), lengthM('the length')).required()
	}).allow(null)
})
	.custom((geometry: GimbalGeometry, { error }) =>
		brokenReference(geometry) === null ? geometry : error('rig.reference')
	)
	.required();

/** The first id that names nothing, or null: the core would refuse the gimbal at every later step. */
export function brokenReference({
	axes,
	parts,
	slides,
	counterweightPlaces,
	alternatives = []
}: GimbalGeometry): string | null {
	const axisIds = new Set(axes.map(({ id }) => id));
	const movable = new Set([...axisIds, ...parts.map(({ id }) => id), 'payload']);
	const slideIds = new Set(slides.map(({ id }) => id));
	const named = [
		...parts.flatMap(({ hangsOn }) => (hangsOn === null ? [] : [[hangsOn, axisIds] as const])),
		...slides.flatMap(({ moves, balances }) => [
			...moves.map((id) => [id, movable] as const),
			[balances, axisIds] as const
		]),
		...counterweightPlaces.flatMap(({ hangsOn, movesWith }) => [
			[hangsOn, axisIds] as const,
			...movesWith.map((id) => [id, slideIds] as const)
		]),
		...alternatives.flatMap(({ moves }) => moves.map((id) => [id, movable] as const))
	];
	return named.find(([id, known]) => !known.has(id))?.[0] ?? null;
}

const payloadEndKg = (label: string) => within('supportPayload').label(label);

export const gimbalDraft = Joi.object<GimbalDraft>({
	name: name(),
	leastPayloadKg: payloadEndKg('the least payload in kg'),
	greatestPayloadKg: payloadEndKg('the greatest payload in kg').greater(Joi.ref('leastPayloadKg')),
	geometry: gimbalGeometry
}).required();

type Loose = Readonly<Record<string, unknown>>;
/**
 * From shape 1: nothing kept travels, scales and directions within what gimbals have. What lies outside is brought to the
 * nearest that does, so that old gear still opens; nobody could have set it.
 */
export function withinLimits(older: Loose): Loose {
	const held = (value: unknown, { least, most }: Limit) =>
		typeof value === 'number' ? Math.min(most, Math.max(least, value)) : value;
	const unit = (value: unknown) => {
		if (!Array.isArray(value) || !value.every((each) => typeof each === 'number')) return value;
		const length = Math.hypot(...(value as number[]));
		return length > 0 ? (value as number[]).map((each) => each / length) : [1, 0, 0];
	};
	const list = (value: unknown) => (Array.isArray(value) ? (value as Loose[]) : []);
	return {
		...older,
		axes: list(older.axes).map((axis) => ({ ...axis, direction: unit(axis.direction) })),
		slides: list(older.slides).map((slide) => ({
			...slide,
			direction: unit(slide.direction),
			rangeM: list(slide.rangeM).map((end) => held(end, limits.slideEnd)),
			scale: {
				...(slide.scale as Loose),
				readingAtZeroM: held((slide.scale as Loose).readingAtZeroM, limits.scaleZero)
			},
			...(slide.graduationM == null ? {} : { graduationM: held(slide.graduationM, limits.graduation) })
		}))
	};
}
