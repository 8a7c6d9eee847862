import Joi from 'joi';
import { flexLimit } from '$lib/model/flex';
import { ends, key, massKg, name, reckoned, version, within } from '$lib/server/schemas/quantities';
import { keptSnapshot } from '$lib/server/schemas/record';
import { sliderLimits } from './limits';
import type { SliderBenchState, SliderDraft, SliderGeometry, SliderRecordDetail, SliderSetting } from './model';

export const sliderGeometry = Joi.object<SliderGeometry>({
	pattern: Joi.string().max(40).required(),
	rail: Joi.object({ lengthM: within(sliderLimits.rail, 'the rail in metres'), massKg: massKg() }).required(),
	carriage: Joi.object({
		massKg: massKg(),
		plateM: within(sliderLimits.plate, 'the plate above the rail in metres'),
		travelM: ends(sliderLimits.alongRail, 'the travel in metres'),
		holdsN: within(sliderLimits.driveHolds, 'what the drive holds, in newtons,').allow(null),
		drive: Joi.object({
			maxRate: within(sliderLimits.driveSpeed, 'the drive’s top speed in m/s'),
			maxAccel: within(sliderLimits.driveAccel, 'the drive’s acceleration in m/s²')
		}).allow(null)
	}).required(),
	supportBearsN: within(sliderLimits.supportBears, 'what a support bears, in newtons,').allow(null),
	clampHoldsNm: within(sliderLimits.clampHolds, 'what a clamp holds, in newton metres,').allow(null),
	clampsDown: Joi.boolean().required().label('clamped down'),
	givesM: within(flexLimit, 'how far it gives, in metres,').optional().allow(null)
})
	.required()
	.custom((value: SliderGeometry, { error }) =>
		value.carriage.travelM[1] <= value.rail.lengthM ? value : error('range.order')
	)
	.label('the travel, against the rail’s length,');

const endKg = (words: string) => within(sliderLimits.payload, words);
export const sliderDraft = Joi.object<SliderDraft>({
	name: name(),
	leastPayloadKg: endKg('the least payload in kg'),
	greatestPayloadKg: endKg('the greatest payload in kg').greater(Joi.ref('leastPayloadKg')),
	geometry: sliderGeometry
}).required();

const setting = Joi.object<SliderSetting>({
	supportsM: Joi.array().items(within(sliderLimits.alongRail, 'the support in metres')).min(1).max(2).required(),
	inclineRad: within(sliderLimits.incline, 'the incline'),
	atM: within(sliderLimits.alongRail, 'the carriage in metres'),
	hung: Joi.boolean().required(),
	looks: Joi.string().valid('along', 'across').required(),
	reachM: within(sliderLimits.reach, 'the reach in metres')
}).required();
const slips = Joi.array()
	.items(Joi.array().items(Joi.string().max(200)).max(8))
	.max(100)
	.required();

export const sliderBenchState = Joi.object<SliderBenchState>({
	setting,
	slips,
	looks: Joi.array()
		.items(
			Joi.object({
				what: Joi.string().valid('stays', 'startLifts', 'endLifts', 'slides').required(),
				setting,
				payloadVersion: version(),
				struck: Joi.boolean()
			})
		)
		.max(100)
		.required()
}).required();

export const sliderRecordDetail = Joi.object<SliderRecordDetail>({
	snapshot: keptSnapshot,
	support: sliderDraft.append({ id: Joi.string().guid().required(), kind: key(), version: version() }),
	setting,
	figures: Joi.object({
		carriedKg: reckoned(),
		leastN: reckoned(),
		mostN: reckoned(),
		momentNm: reckoned().allow(null),
		holdN: reckoned()
	}).required(),
	slips
}).required();
