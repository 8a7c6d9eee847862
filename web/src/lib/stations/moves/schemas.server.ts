import type { Vec3 } from '@poise/core';
import Joi from 'joi';
import { flexLimit } from '$lib/model/flex';
import type { Limit } from '$lib/model/limits';
import { moveLimits, most } from './limits';
import { axisWords } from './axes';
import {
	allAxes,
	headAxes,
	headKinds,
	type Move,
	runSeen,
	type RunSeen,
	stances,
	subjectShapes,
	tempos,
	type Values
} from './model';
import { headFigures } from '$lib/server/schemas/head';
import { lensAt } from '$lib/server/schemas/lensAt';
import { id, key, name, version, within } from '$lib/server/schemas/quantities';
import { flag, maybeWords, note, one, span, words } from '$lib/server/schemas/words';

const place = (label: string) =>
	Joi.array<Vec3>()
		.ordered(within(moveLimits.place, label), within(moveLimits.place, label), within(moveLimits.height, label))
		.length(3)
		.required();
const gear = { gearId: id().allow(null), gearName: words('the gear’s name') };
const carrier = { ...gear, givesM: within(flexLimit, 'how far it gives').optional().allow(null) };

const axis = (limit: Limit, rate: 'speed' | 'rate', label: string) =>
	Joi.object({
		range: span(limit, `the range of ${label}`),
		maxRate: within(moveLimits[rate], `the speed of ${label}`),
		maxAccel: within(moveLimits.accel, `the acceleration of ${label}`)
	});
const stance = one(stances, 'how the head stands');
const support = Joi.object({ kind: one(['fixed', 'rail', 'arm', 'walk'] as const, 'the support') })
	.unknown()
	.when('.kind', {
		switch: [
			{
				is: 'fixed',
				then: Joi.object({
					kind: Joi.string(),
					...carrier,
					atM: place('where it stands'),
					headingRad: within(moveLimits.heading, 'the heading'),
					stance
				}).unknown(false)
			},
			{
				is: 'rail',
				then: Joi.object({
					kind: Joi.string(),
					...carrier,
					what: one(['slider', 'dolly'] as const, 'what runs on the rail'),
					startM: place('where the rail starts'),
					headingRad: within(moveLimits.heading, 'the heading'),
					inclineRad: within(moveLimits.incline, 'the slope'),
					stance,
					lengthM: within(moveLimits.rail, 'the rail’s length'),
					travelM: span(moveLimits.along, 'the travel'),
					maxRate: within(moveLimits.speed, 'the carriage’s speed'),
					maxAccel: within(moveLimits.accel, 'the carriage’s acceleration'),
					reachM: within(moveLimits.reach, 'the extension'),
					plateM: within(moveLimits.offset, 'the head above the rail'),
					railKg: within(moveLimits.mass, 'the rail’s mass'),
					carriageKg: within(moveLimits.mass, 'the carriage’s mass'),
					supportsM: Joi.array()
						.items(within(moveLimits.along, 'where it is supported'))
						.min(1)
						.max(2)
						.required()
						.label('where it is supported'),
					clampsDown: flag('clamped down'),
					supportBearsN: within(moveLimits.force, 'what a support bears').allow(null),
					clampHoldsNm: within(moveLimits.force, 'what a clamp holds').allow(null),
					holdsN: within(moveLimits.force, 'what the carriage holds').allow(null)
				}).unknown(false)
			},
			{
				is: 'arm',
				then: Joi.object({
					kind: Joi.string(),
					...carrier,
					pivotM: place('the pivot'),
					headingRad: within(moveLimits.heading, 'the heading'),
					armM: within(moveLimits.arm, 'the arm'),
					tailM: within(moveLimits.tail, 'the tail'),
					tubeM: within(moveLimits.tube, 'the tube'),
					noseToCentreM: Joi.array().items(within(moveLimits.offset, 'from the nose to the head')).length(2).required(),
					keptLevel: flag('kept level'),
					hung: flag('hung'),
					swing: axis(moveLimits.turn, 'rate', 'the swing').required(),
					boom: axis(moveLimits.incline, 'rate', 'the boom').required(),
					extension: axis(moveLimits.along, 'speed', 'the extension').allow(null).required(),
					track: axis(moveLimits.along, 'speed', 'the track')
						.append({ headingRad: within(moveLimits.heading, 'the track’s heading') })
						.allow(null)
						.required()
				}).unknown(false)
			},
			{
				is: 'walk',
				then: Joi.object({
					kind: Joi.string(),
					...gear,
					maxRate: within(moveLimits.speed, 'the pace'),
					maxAccel: within(moveLimits.accel, 'how hard it starts')
				}).unknown(false)
			}
		]
	})
	.required();

const values = Joi.object<Values>(
	Object.fromEntries(
		allAxes.map((each) => {
			const number = within(axisWords[each].limit, axisWords[each].words);
			return [each, (headAxes as readonly string[]).includes(each) ? number : number.optional()];
		})
	) as Joi.StrictSchemaMap<Values>
).required();

const knot = Joi.object({
	id: key(),
	name: words('the knot’s name', 40),
	tS: within(moveLimits.time, 'the time'),
	dwellS: within(moveLimits.dwell, 'the rest'),
	values,
	off: Joi.object({
		panRad: within(moveLimits.turn, 'off the subject'),
		tiltRad: within(moveLimits.turn, 'off the subject'),
		focusM: within(moveLimits.offFocus, 'focus off the subject')
	}).required()
});

export const moveDraft = Joi.object<Move & { readonly ends?: never }>({
	name: name(),
	job: maybeWords('the job'),
	venueId: id().allow(null),
	support,
	head: Joi.object({
		kind: one(headKinds, 'the head'),
		...gear,
		figures: headFigures,
		bar: Joi.object({
			crankM: within(moveLimits.crank, 'the crank'),
			distanceM: within(moveLimits.rail, 'the subject’s distance'),
			choose: one(['ends', 'leastWorst'] as const, 'how the bar is matched'),
			setting: one(['holding', 'sweeping'] as const, 'what the bar does')
		}).required(),
		followLagS: within(moveLimits.lag, 'the head’s lag')
	}).required(),
	camera: Joi.object({
		name: words('the camera'),
		backM: within(moveLimits.body, 'to the camera’s back'),
		frontM: within(moveLimits.body, 'to the lens’ front'),
		radiusM: within(moveLimits.body, 'round the camera'),
		massKg: within(moveLimits.mass, 'the camera’s mass'),
		sensorWidthM: within(moveLimits.sensor, 'the sensor’s width'),
		sensorHeightM: within(moveLimits.sensor, 'the sensor’s height'),
		fNumber: within(moveLimits.fNumber, 'the stop'),
		closestM: within(moveLimits.closest, 'the closest focus'),
		zoomM: span(moveLimits.focal, 'the zoom’s range').allow(null),
		lens: lensAt
	}).required(),
	subject: Joi.object({
		name: words('the subject', 60),
		atM: place('the subject'),
		tallM: within(moveLimits.tall, 'the subject’s height'),
		shape: one(subjectShapes, 'what the subject is').optional()
	}).required(),
	aim: one(['subject', 'knots'] as const, 'where it looks'),
	focus: one(['subject', 'knots'] as const, 'where it focuses'),
	knots: Joi.array().items(knot).min(1).max(most.knots).unique('id').required().label('the knots'),
	tempo: one(tempos, 'the tempo'),
	rampInS: within(moveLimits.dwell, 'the ramp in'),
	rampOutS: within(moveLimits.dwell, 'the ramp out'),
	/** Of a change that a browser has kept since before shape 2. */
	ends: Joi.any().strip(),
	loops: within(moveLimits.loops, 'there and back').integer(),
	restFarS: within(moveLimits.dwell, 'the rest at the far end'),
	restHomeS: within(moveLimits.dwell, 'the rest at home'),
	safetyM: within(moveLimits.safety, 'the room asked'),
	ranBackwards: Joi.object({
		by: words('who ran it'),
		at: Joi.string().isoDate().required().label('when it was run'),
		path: words('what was run', 80)
	})
		.allow(null)
		.required(),
	ticked: Joi.array().items(key().optional()).max(most.ticks).required().label('what is ticked'),
	tickedPath: maybeWords('which way was ticked', 80)
}).required();

type Json = Readonly<Record<string, unknown>>;
/** From shape 1: whether it started and ended at rest was said beside the tempo, and eased what eased already. */
export const endsByTempo = ({ ends, tempo, ...rest }: Json): Json => ({
	...rest,
	tempo: tempo === 'even' && ends !== 'natural' ? 'smooth' : tempo
});

export const moveSave = Joi.object<{ version: number; move: Move }>({ version: version(), move: moveDraft }).required();
export const moveNew = Joi.object<{ move: Move }>({ move: moveDraft }).required();

const seen = one(runSeen, 'what was seen');
export const moveRunDetail = Joi.object<{ move: Move; seen: RunSeen }>({ move: moveDraft, seen }).required();
/** What ran: the version that was in front of the person, and what was seen. */
export const runNew = Joi.object<{ id: string; version: number; note: string; seen: RunSeen }>({
	id: id(),
	version: version(),
	note: note(),
	seen
}).required();
export const runChange = Joi.object<{ struck: boolean }>({ struck: flag('struck out') }).required();
