import Joi from 'joi';
import { flexLimit } from '$lib/model/flex';
import type { Limit } from '$lib/model/limits';
import { feet } from './feet.server';
import { craneLimits } from './limits';
import { baseKinds, type CraneBenchState, type CraneDraft, type CraneGeometry, type CraneRecordDetail } from './model';
import {
	counted,
	ends,
	id,
	key,
	massKg,
	name,
	reckoned,
	vector,
	version,
	within
} from '$lib/server/schemas/quantities';
import { type StoredAs, supportRenamed } from '$lib/server/stored';
import { keptSnapshot } from '$lib/server/schemas/record';
import { standing } from '$lib/server/schemas/venue';

const label = () => Joi.string().trim().min(1).max(80).required().label('the name');
const metres = (words: string, limit: Limit) => within(limit, `${words} in metres`);
const pair = (words: string, limit: Limit) => Joi.array().items(metres(words, limit)).length(2).required();
const kg = (words: string, limit: Limit) => within(limit, `${words} in kg`);

const section = Joi.object({
	id: key(),
	label: label(),
	massKg: massKg(),
	lengthM: metres('the length', craneLimits.sectionLength),
	pullsOutM: within(craneLimits.pullsOut, 'how far it pulls out, in metres').optional()
});

const head = () =>
	Joi.object({
		name: Joi.string().trim().min(1).max(80).label('the head’s name'),
		massKg: kg('the head', craneLimits.headMass),
		cgM: metres('the head’s centre', craneLimits.headHeight),
		plateM: metres('the head’s plate', craneLimits.headHeight),
		limits: Joi.object({
			panRadPerS: within(craneLimits.rate, 'the pan rate'),
			tiltRadPerS: within(craneLimits.rate, 'the tilt rate'),
			panRadPerS2: within(craneLimits.rate, 'the pan acceleration'),
			tiltRadPerS2: within(craneLimits.rate, 'the tilt acceleration')
		}).required()
	});

export const craneGeometry = Joi.object<CraneGeometry>({
	pattern: Joi.string().max(40).required(),
	sections: Joi.array().items(section).min(1).max(10).unique('id').required().label('the sections'),
	rear: Joi.object({
		lengthM: metres('the rear length', craneLimits.rearLength),
		massKg: kg('the rear tube', craneLimits.rearMass)
	}).required(),
	tubeVM: metres('the tubes’ line', craneLimits.line),
	tubeAcrossM: metres('the tube', craneLimits.tube),
	givesM: within(flexLimit, 'how far the nose gives, in metres,').optional().allow(null),
	rodKgPerM: kg('the rod, per metre,', craneLimits.rod),
	nose: Joi.object({
		massKg: kg('the nose', craneLimits.noseMass),
		vM: metres('the nose hinge', craneLimits.line),
		kept: Joi.string().valid('level', 'fixed').required(),
		head: Joi.string().valid('hung', 'standing').required()
	}).required(),
	head: head().required(),
	otherHeads: Joi.array().items(head()).max(6).label('the other heads'),
	hanger: Joi.object({
		massKg: kg('the hanger', craneLimits.hangerMass),
		uM: metres('the hanger’s place', craneLimits.hangerPlace),
		vM: metres('the weight line', craneLimits.weightLine),
		secondVM: metres('the second weight line', craneLimits.weightLine).allow(null)
	}).required(),
	trim: Joi.object({
		massKg: kg('the trim weight', craneLimits.trimMass),
		rangeU: ends(craneLimits.trimPlace, 'the trim’s travel in metres'),
		vM: metres('the trim’s line', craneLimits.line),
		graduationM: metres('the trim’s graduation', craneLimits.graduation)
	}).required(),
	plates: Joi.array()
		.items(
			Joi.object({
				massKg: kg('the plate', craneLimits.plate),
				count: within(craneLimits.plateCount, 'how many').integer()
			})
		)
		.min(1)
		.max(8)
		.required()
		.label('the plates'),
	boomRangeRad: ends(craneLimits.boom, 'the boom range'),
	pivotHeightM: ends(craneLimits.pivotHeight, 'the pivot’s height in metres'),
	base: Joi.object({
		kind: Joi.string()
			.valid(...baseKinds)
			.required(),
		feetM: feet,
		massKg: kg('the base', craneLimits.baseMass),
		cgM: vector('x', 'y', 'z'),
		liftsKg: kg('the lift', craneLimits.lift).allow(null)
	}).required(),
	linkage: Joi.object({
		linkM: metres('the link', craneLimits.link),
		rearPivotM: pair('the rear pivot', craneLimits.rearPivot),
		rodLongerM: metres('the rod', craneLimits.rodLonger),
		mPerTurn: metres('a turn of the adjuster', craneLimits.adjusterTurn)
	}).required()
}).required();

export const craneDraft = Joi.object<CraneDraft>({
	name: name(),
	leastPayloadKg: kg('the least payload', craneLimits.payload),
	greatestPayloadKg: kg('the greatest payload', craneLimits.payload).greater(Joi.ref('leastPayloadKg')),
	geometry: craneGeometry
}).required();
const setting = Joi.object({
	fitted: Joi.array().items(key().optional()).max(10).unique().required(),
	pulledOutM: metres('how far it is pulled out', craneLimits.pulledOut),
	hung: Joi.array().items(within(craneLimits.plateCount).integer().optional()).max(8).required(),
	shareSecond: within(craneLimits.shareSecond),
	trimU: metres('the trim', craneLimits.trimPlace),
	pivotHeightM: metres('the pivot’s height', craneLimits.pivotHeight),
	boomRad: within(craneLimits.boomAngle, 'the boom'),
	swingRad: within(craneLimits.swing, 'the swing')
}).required();

const ground = Joi.object({
	slopeRad: within(craneLimits.slope, 'the slope'),
	windMPerS: within(craneLimits.wind, 'the wind in metres a second'),
	moreAreaM2: within(craneLimits.moreArea, 'the area in square metres'),
	pushN: within(craneLimits.push, 'the push in newtons'),
	pushHeightM: metres('the push’s height', craneLimits.pushHeight),
	ballastKg: kg('the ballast', craneLimits.ballast),
	floorN: within(craneLimits.floorBears, 'what the floor bears').allow(null)
}).required();

const step = Joi.object({
	id: key(),
	what: Joi.string().valid('bare', 'head', 'camera', 'plates', 'trim', 'free').required(),
	on: Joi.boolean().required(),
	share: within(craneLimits.stepShare).optional(),
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
	noseBiasKg: kg('the wanted nose', craneLimits.noseBias),
	pushMovesKg: within(craneLimits.pushMoves, 'the push that moves it, in kg'),
	slips: slips(),
	choice: counted(craneLimits.choice),
	ground,
	loading: steps(),
	unloading: steps(),
	levels: Joi.array()
		.items(
			Joi.object({
				id: key(),
				boomRad: within(craneLimits.boomAngle, 'the boom'),
				tiltRad: within(craneLimits.boomAngle, 'the level')
			})
		)
		.max(12)
		.required(),
	pass: Joi.object({
		fromSwingRad: within(craneLimits.passSwing, 'the swing'),
		toSwingRad: within(craneLimits.passSwing, 'the swing'),
		fromBoomRad: within(craneLimits.boomAngle, 'the boom'),
		toBoomRad: within(craneLimits.boomAngle, 'the boom'),
		durationS: within(craneLimits.passTime, 'the time in seconds'),
		via: Joi.array()
			.items(
				Joi.object({
					share: within(craneLimits.wayShare, 'the time on the way').less(1),
					swingRad: within(craneLimits.passSwing, 'the swing'),
					boomRad: within(craneLimits.boomAngle, 'the boom')
				})
			)
			.max(8)
			.custom((value: { share: number }[], { error }) =>
				value.every(({ share }, index) => index === 0 || share > value[index - 1]!.share) ? value : error('range.order')
			),
		subjectM: Joi.array().items(metres('the subject', craneLimits.subject)).length(3).required(),
		focalM: metres('the focal length', craneLimits.focal),
		sensorWidthM: metres('the sensor’s width', craneLimits.sensor)
	}).required(),
	room: Joi.object({
		ceilingM: metres('the ceiling', craneLimits.roomCeiling).allow(null),
		wallM: metres('the wall', craneLimits.wall).allow(null),
		rowsFromM: metres('the rows', craneLimits.rows).allow(null),
		headsM: metres('the heads', craneLimits.heads),
		lineM: metres('the overhead line', craneLimits.overheadLine).allow(null)
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
	noseBiasKg: reckoned(),
	ground,
	figures: Joi.object({
		...{ uKgM: reckoned(), vKgM: reckoned(), noseKg: reckoned(), reserve: reckoned() },
		kind: Joi.string().max(20).required()
	}).required(),
	slips: slips()
}).required();

/** In shape 1 the copy of the support was called by its kind. */
export const craneRecordDetail: StoredAs<CraneRecordDetail> = {
	schema: recordDetail,
	upgrades: [supportRenamed('crane')]
};
