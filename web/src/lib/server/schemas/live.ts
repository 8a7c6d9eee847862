import Joi from 'joi';
import { flexLimit } from '$lib/model/flex';
import {
	cableWays,
	type LiveHeadDraft,
	liveLimits,
	type LivePlace,
	type LivePose,
	type LiveSettings,
	liveStands,
	mostLive
} from '$lib/model/liveHead';
import { lensAt } from './lensAt';
import { counted, name, version, within } from './quantities';
import { one, span, words } from './words';

const axisName = Joi.string().pattern(/^[a-zA-Z]{2,20}$/);
const uuid = Joi.string().uuid();
const byAxis = (each: Joi.Schema) => Joi.object().pattern(axisName, each).max(16).required();

const place = Joi.object<LivePlace>({
	stands: one(liveStands, 'what it stands on'),
	atM: Joi.array()
		.ordered(
			within(liveLimits.place, 'where it stands'),
			within(liveLimits.place, 'where it stands'),
			within(liveLimits.height, 'how high it stands')
		)
		.length(3)
		.required(),
	headingRad: within(liveLimits.heading, 'its heading'),
	looksRad: within(liveLimits.heading, 'where pan 0 looks'),
	armM: within(liveLimits.arm, 'the arm'),
	givesM: within(flexLimit, 'how far it gives').optional().allow(null)
}).required();

const programme = Joi.object({
	id: words('the programme', 40),
	name: name(),
	legs: Joi.array()
		.items(
			Joi.object({
				poseId: uuid.required(),
				restS: within(liveLimits.rest, 'the rest'),
				wantedS: within(liveLimits.wanted, 'the time wanted').allow(null)
			})
		)
		.max(mostLive.legs)
		.required(),
	laps: within(liveLimits.laps, 'how often').integer().allow(null)
});

/** A head's settings at the desk. Watched needs a person who has marked the zone. */
export const liveSettings = Joi.object<LiveSettings>({
	place,
	hold: one(['held', 'watched'], 'who holds it'),
	zoneBy: Joi.string().trim().min(1).max(80).allow(null).required().label('who marked the zone'),
	soft: byAxis(
		Joi.object({
			range: span(liveLimits.turn, 'the soft ends'),
			maxRate: within(liveLimits.rate, 'the speed'),
			maxAccel: within(liveLimits.accel, 'the acceleration')
		})
	),
	cable: one(cableWays, 'the way its cable winds up'),
	camera: Joi.object({
		focalM: span(liveLimits.focal, 'the focal length'),
		sensorWidthM: within(liveLimits.sensor, 'the width of the sensor'),
		sensorHeightM: within(liveLimits.sensor, 'the height of the sensor'),
		lens: lensAt
	}).required(),
	programmes: Joi.array().items(programme).max(mostLive.programmes).required()
})
	.custom((value: LiveSettings, helpers) =>
		value.hold === 'watched' && value.zoneBy === null ? helpers.error('any.zone') : value
	)
	.messages({ 'any.zone': 'a head that may run watched needs the name of who has marked its zone' })
	.required();

export const liveHeadDraft = Joi.object<LiveHeadDraft>({
	name: name(),
	number: within(liveLimits.number, 'the number').integer(),
	venueId: uuid.allow(null).required(),
	settings: liveSettings
}).required();
export const liveHeadSave = liveHeadDraft.append<LiveHeadDraft & { version: number }>({ version: version() });

const poseValues = byAxis(within(liveLimits.value, 'where it stands')).min(1);
const poseDraft = Joi.object<Pick<LivePose, 'name' | 'values'>>({ name: name(), values: poseValues });
export const poseNew = poseDraft.append<Pick<LivePose, 'id' | 'name' | 'values'>>({ id: uuid.required() }).required();
export const poseSave = poseDraft
	.append<Pick<LivePose, 'name' | 'values' | 'locked' | 'ordinal' | 'version'>>({
		locked: Joi.boolean().required(),
		ordinal: counted('ordinal'),
		version: version()
	})
	.required();

export const poseContent = Joi.object<Pick<LivePose, 'values'>>({ values: poseValues }).required();
