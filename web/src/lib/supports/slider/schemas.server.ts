import Joi from 'joi';
import { key, massKg, name, version } from '$lib/server/schemas/quantities';
import { keptSnapshot } from '$lib/server/schemas/record';
import type { SliderBenchState, SliderDraft, SliderGeometry, SliderRecordDetail, SliderSetting } from './model';

const metres = (words: string, least: number, most: number) =>
	Joi.number().min(least).max(most).required().label(`${words} in metres`);
const said = (words: string, most: number) => Joi.number().greater(0).max(most).allow(null).required().label(words);
/** No rail that is carried is longer. */
const longestM = 8;

export const sliderGeometry = Joi.object<SliderGeometry>({
	pattern: Joi.string().max(40).required(),
	rail: Joi.object({ lengthM: metres('the rail', 0.2, longestM), massKg: massKg() }).required(),
	carriage: Joi.object({
		massKg: massKg(),
		plateM: metres('the plate above the rail', 0, 1),
		travelM: Joi.array()
			.items(metres('the travel', 0, longestM))
			.length(2)
			.required()
			.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order'))),
		holdsN: said('what the drive holds, in newtons,', 5000)
	}).required(),
	supportBearsN: said('what a support bears, in newtons,', 50_000),
	clampHoldsNm: said('what a clamp holds, in newton metres,', 5000),
	clampsDown: Joi.boolean().required().label('clamped down')
})
	.required()
	.custom((value: SliderGeometry, { error }) =>
		value.carriage.travelM[1] <= value.rail.lengthM ? value : error('range.order')
	)
	.label('the travel, against the rail’s length,');

const endKg = (words: string) => Joi.number().min(0).max(100).required().label(words);
export const sliderDraft = Joi.object<SliderDraft>({
	name: name(),
	leastPayloadKg: endKg('the least payload in kg'),
	greatestPayloadKg: endKg('the greatest payload in kg').greater(Joi.ref('leastPayloadKg')),
	geometry: sliderGeometry
}).required();

const setting = Joi.object<SliderSetting>({
	supportsM: Joi.array()
		.items(metres('the support', 0, longestM))
		.min(1)
		.max(2)
		.required(),
	inclineRad: Joi.number()
		.min(-Math.PI / 2)
		.max(Math.PI / 2)
		.required()
		.label('the incline'),
	atM: metres('the carriage', 0, longestM),
	hung: Joi.boolean().required(),
	looks: Joi.string().valid('along', 'across').required(),
	reachM: metres('the reach', -1.5, 1.5)
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

const figure = () => Joi.number().required();
export const sliderRecordDetail = Joi.object<SliderRecordDetail>({
	snapshot: keptSnapshot,
	support: sliderDraft.append({ id: Joi.string().guid().required(), kind: key(), version: version() }),
	setting,
	figures: Joi.object({
		carriedKg: figure(),
		leastN: figure(),
		mostN: figure(),
		momentNm: figure().allow(null),
		holdN: figure()
	}).required(),
	slips
}).required();
