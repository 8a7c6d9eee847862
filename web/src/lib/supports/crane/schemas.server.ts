import { crossingSides, outlineAreaM2 } from '@poise/core';
import Joi from 'joi';
import { baseKinds, type CraneBenchState, type CraneDraft, type CraneGeometry, type CraneRecordDetail } from './model';
import { id, key, massKg, name, vector, version } from '$lib/server/schemas/quantities';
import { type StoredAs, supportRenamed } from '$lib/server/stored';
import { keptSnapshot } from '$lib/server/schemas/record';
import { standing } from '$lib/server/schemas/venue';

const label = () => Joi.string().trim().min(1).max(80).required().label('the name');
const metres = (words: string, least: number, most: number) =>
	Joi.number().min(least).max(most).required().label(`${words} in metres`);
const kg = (words: string, least = 0, most = 500) =>
	Joi.number().min(least).max(most).required().label(`${words} in kg`);
const angle = (words: string, most = 1.45) => Joi.number().min(-most).max(most).required().label(words);
const span = (item: Joi.Schema, words: string) =>
	Joi.array()
		.items(item.label(words))
		.length(2)
		.required()
		.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order')));
const rate = (words: string) => Joi.number().greater(0).max(50).required().label(words);
const pair = (words: string) =>
	Joi.array()
		.items(metres(words, -20, 20))
		.length(2);

const section = Joi.object({
	id: key(),
	label: label(),
	massKg: massKg(),
	lengthM: metres('the length', 0.05, 6),
	pullsOutM: Joi.number().min(0).max(6).label('how far it pulls out, in metres')
});

/** Feet in order, round some area, without crossing: the core says the same when it is asked. */
const feet = Joi.array()
	.items(pair('the foot'))
	.min(3)
	.max(12)
	.required()
	.label('the feet')
	.custom((value: [number, number][], { error }) => {
		if (outlineAreaM2(value) <= 5e-7) return error('feet.order');
		return crossingSides(value) === null ? value : error('feet.cross');
	})
	.messages({
		'feet.order': 'the feet must go counter-clockwise round the base, seen from above',
		'feet.cross': 'the sides of the base cross each other'
	});

const head = () =>
	Joi.object({
		name: Joi.string().trim().min(1).max(80).label('the head’s name'),
		massKg: kg('the head', 0, 80),
		cgM: metres('the head’s centre', 0, 1.5),
		plateM: metres('the head’s plate', 0, 1.5),
		limits: Joi.object({
			panRadPerS: rate('the pan rate'),
			tiltRadPerS: rate('the tilt rate'),
			panRadPerS2: rate('the pan acceleration'),
			tiltRadPerS2: rate('the tilt acceleration')
		}).required()
	});

export const craneGeometry = Joi.object<CraneGeometry>({
	pattern: Joi.string().max(40).required(),
	sections: Joi.array().items(section).min(1).max(10).unique('id').required().label('the sections'),
	rear: Joi.object({ lengthM: metres('the rear length', 0.1, 5), massKg: massKg() }).required(),
	tubeVM: metres('the tubes’ line', -1, 1),
	tubeAcrossM: metres('the tube', 0.01, 0.6),
	rodKgPerM: kg('the rod, per metre,', 0, 20),
	nose: Joi.object({
		massKg: kg('the nose', 0, 50),
		vM: metres('the nose hinge', -1, 1),
		kept: Joi.string().valid('level', 'fixed').required(),
		head: Joi.string().valid('hung', 'standing').required()
	}).required(),
	head: head().required(),
	otherHeads: Joi.array().items(head()).max(6).label('the other heads'),
	hanger: Joi.object({
		massKg: kg('the hanger', 0, 80),
		uM: Joi.number().min(-5).less(-0.02).required().label('the hanger’s place in metres'),
		vM: metres('the weight line', -1.5, 1.5),
		secondVM: Joi.number().min(-1.5).max(1.5).allow(null).required().label('the second weight line in metres')
	}).required(),
	trim: Joi.object({
		massKg: kg('the trim weight', 0, 50),
		rangeU: span(Joi.number().min(-5).max(5), 'the trim’s travel in metres'),
		vM: metres('the trim’s line', -1, 1),
		graduationM: metres('the trim’s graduation', 0.001, 0.2)
	}).required(),
	plates: Joi.array()
		.items(
			Joi.object({
				massKg: Joi.number().greater(0).max(100).required().label('the plate in kg'),
				count: Joi.number().integer().min(0).max(40).required().label('how many')
			})
		)
		.min(1)
		.max(8)
		.required()
		.label('the plates'),
	boomRangeRad: span(Joi.number().min(-1.4).max(1.4), 'the boom range'),
	pivotHeightM: span(Joi.number().min(0.2).max(6), 'the pivot’s height in metres'),
	base: Joi.object({
		kind: Joi.string()
			.valid(...baseKinds)
			.required(),
		feetM: feet,
		massKg: kg('the base', 0.1, 2000),
		cgM: vector('x', 'y', 'z'),
		liftsKg: Joi.number().min(0).max(800).allow(null).required().label('the lift in kg')
	}).required(),
	linkage: Joi.object({
		linkM: metres('the link', 0.01, 1),
		rearPivotM: pair('the rear pivot').required(),
		rodLongerM: metres('the rod', -0.5, 0.5),
		mPerTurn: metres('a turn of the adjuster', 0.0001, 0.02)
	}).required()
}).required();

export const craneDraft = Joi.object<CraneDraft>({
	name: name(),
	leastPayloadKg: kg('the least payload', 0, 100),
	greatestPayloadKg: kg('the greatest payload', 0, 100).greater(Joi.ref('leastPayloadKg')),
	geometry: craneGeometry
}).required();
const setting = Joi.object({
	fitted: Joi.array().items(key().optional()).max(10).unique().required(),
	pulledOutM: metres('how far it is pulled out', 0, 10),
	hung: Joi.array().items(Joi.number().integer().min(0).max(40)).max(8).required(),
	shareSecond: Joi.number().min(0).max(1).required(),
	trimU: metres('the trim', -5, 5),
	pivotHeightM: metres('the pivot’s height', 0.2, 6),
	boomRad: angle('the boom'),
	swingRad: angle('the swing', 3.2)
}).required();

const ground = Joi.object({
	slopeRad: Joi.number().min(0).max(0.6).required().label('the slope'),
	windMPerS: Joi.number().min(0).max(60).required().label('the wind in metres a second'),
	moreAreaM2: Joi.number().min(0).max(40).required().label('the area in square metres'),
	pushN: Joi.number().min(0).max(3000).required().label('the push in newtons'),
	pushHeightM: metres('the push’s height', 0, 4),
	ballastKg: kg('the ballast', 0, 2000),
	floorN: Joi.number().greater(0).max(1e6).allow(null).required().label('what the floor bears')
}).required();

const step = Joi.object({
	id: key(),
	what: Joi.string().valid('bare', 'head', 'camera', 'plates', 'trim', 'free').required(),
	on: Joi.boolean().required(),
	share: Joi.number().greater(0).max(1),
	held: Joi.boolean().required()
});
const steps = () => Joi.array().items(step).max(20).unique('id').required();
const slips = () =>
	Joi.array()
		.items(Joi.array().items(Joi.string().max(240)).max(12))
		.max(100)
		.required();

export const craneBenchState = Joi.object<CraneBenchState>({
	setting,
	noseBiasKg: Joi.number().min(-5).max(5).required().label('the wanted nose in kg'),
	pushMovesKg: Joi.number().min(0).max(3).required().label('the push that moves it, in kg'),
	slips: slips(),
	choice: Joi.number().integer().min(0).max(9).required(),
	ground,
	loading: steps(),
	unloading: steps(),
	levels: Joi.array()
		.items(Joi.object({ id: key(), boomRad: angle('the boom'), tiltRad: angle('the level') }))
		.max(12)
		.required(),
	pass: Joi.object({
		fromSwingRad: angle('the swing', 6.3),
		toSwingRad: angle('the swing', 6.3),
		fromBoomRad: angle('the boom'),
		toBoomRad: angle('the boom'),
		durationS: Joi.number().greater(0.1).max(600).required().label('the time in seconds'),
		via: Joi.array()
			.items(
				Joi.object({
					share: Joi.number().greater(0).less(1).required().label('the time on the way'),
					swingRad: angle('the swing', 6.3),
					boomRad: angle('the boom')
				})
			)
			.max(8)
			.custom((value: { share: number }[], { error }) =>
				value.every(({ share }, index) => index === 0 || share > value[index - 1]!.share) ? value : error('range.order')
			),
		subjectM: Joi.array()
			.items(metres('the subject', -80, 80))
			.length(3)
			.required(),
		focalM: Joi.number().greater(0.001).max(2).required().label('the focal length in metres'),
		sensorWidthM: Joi.number().greater(0.001).max(0.2).required().label('the sensor’s width in metres')
	}).required(),
	room: Joi.object({
		ceilingM: Joi.number().min(1).max(60).allow(null).required().label('the ceiling in metres'),
		wallM: Joi.number().min(0.2).max(100).allow(null).required().label('the wall in metres'),
		rowsFromM: Joi.number().min(0).max(100).allow(null).required().label('the rows in metres'),
		headsM: metres('the heads', 0.5, 3),
		lineM: Joi.number().min(1).max(200).allow(null).required().label('the overhead line in metres')
	}).required(),
	looks: Joi.array()
		.items(
			Joi.object({
				what: Joi.string().valid('sinks', 'stays', 'rises').required(),
				setting,
				payloadVersion: version(),
				struck: Joi.boolean()
			})
		)
		.max(100),
	believeDrawing: Joi.boolean(),
	stepsDone: Joi.object({
		loading: Joi.array().items(key().optional()).max(20).required(),
		unloading: Joi.array().items(key().optional()).max(20).required()
	}),
	standing
}).required();

const recordDetail = Joi.object<CraneRecordDetail>({
	snapshot: keptSnapshot,
	support: craneDraft.append({ id: id(), kind: Joi.string(), version: version() }),
	setting,
	noseBiasKg: Joi.number().required(),
	ground,
	figures: Joi.object({
		uKgM: Joi.number().required(),
		vKgM: Joi.number().required(),
		noseKg: Joi.number().required(),
		reserve: Joi.number().required(),
		kind: Joi.string().max(20).required()
	}).required(),
	slips: slips()
}).required();

/** In shape 1 the copy of the support was called by its kind. */
export const craneRecordDetail: StoredAs<CraneRecordDetail> = {
	schema: recordDetail,
	upgrades: [supportRenamed('crane')]
};
