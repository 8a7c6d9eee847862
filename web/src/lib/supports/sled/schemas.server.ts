/* eslint-disable max-lines -- one document: geometry, setting, state and record refer to one another. */
import Joi from 'joi';
import { keyPattern } from '$lib/model/limits';
import { sledLimits } from './limits';
import {
	type SledBenchState,
	type SledDraft,
	type SledEntry,
	type SledGeometry,
	sledItemKinds,
	type SledRecordDetail,
	type SledSeen,
	type SledSetting,
	sledShots,
	type WornSetup
} from './model';
import {
	ends,
	id,
	key,
	massKg,
	name,
	offsetM,
	reckoned,
	sigmas,
	vector,
	version,
	within
} from '$lib/server/schemas/quantities';
import { type StoredAs, supportRenamed } from '$lib/server/stored';
import { keptSnapshot } from '$lib/server/schemas/record';

const label = () => Joi.string().trim().min(1).max(80).required().label('the name');
const point = () => vector('x', 'y', 'z');
const size = () => Joi.array().items(within(sledLimits.itemSide, 'the size in metres')).length(3).required();
const travel = () => ends(sledLimits.travel, 'the travel in metres');

const item = Joi.object({
	id: key(),
	label: label(),
	kind: Joi.string()
		.valid(...sledItemKinds)
		.required()
		.label('the kind'),
	massKg: massKg(),
	sizeM: size(),
	atM: point(),
	foreM: travel().allow(null),
	sideM: travel().allow(null),
	upM: travel().allow(null),
	pair: Joi.boolean(),
	swingM: within(sledLimits.swingArm, 'the swing arm in metres').allow(null).optional(),
	tilts: Joi.boolean(),
	sigmaM: sigmas().allow(null)
});

const pitch = () => within(sledLimits.pitch, 'the way of a turn in metres');
const stage = Joi.object({
	massKg: massKg(),
	plateKg: massKg(),
	sizeM: size(),
	coarseForeM: travel(),
	fineForeM: travel(),
	fineSideM: travel(),
	foreMPerTurn: pitch(),
	sideMPerTurn: pitch()
});

const loadKg = () => within(sledLimits.armLoad, 'the load in kg');
const point2 = Joi.object({
	loadKg: loadKg(),
	setting: within(sledLimits.armSetting, 'the setting')
});
const arm = Joi.object({
	rangeKg: Joi.array()
		.items(within(sledLimits.armRange, 'the load in kg'))
		.length(2)
		.custom((value: [number, number], { error }) => (value[0] < value[1] ? value : error('range.order')))
		.required(),
	gimbalKg: within(sledLimits.armGimbal, 'the gimbal’s mass in kg'),
	unit: Joi.string().trim().min(1).max(20).required().label('what the setting counts'),
	sections: Joi.array()
		.items(
			Joi.object({
				id: key(),
				label: label(),
				beyondKg: within(sledLimits.beyond, 'the mass beyond it in kg'),
				points: Joi.array().items(point2).length(2).required()
			})
		)
		.min(1)
		.max(4)
		.required(),
	threads: ends(sledLimits.threads, 'the threads')
});

export const sledGeometry = Joi.object<SledGeometry>({
	pattern: Joi.string().max(40).required(),
	sections: Joi.array()
		.items(
			Joi.object({
				id: key(),
				label: label(),
				massKg: massKg(),
				lengthM: within(sledLimits.sectionLength, 'the length in metres'),
				radiusM: within(sledLimits.sectionRadius, 'the radius in metres')
			})
		)
		.min(1)
		.max(4)
		.required(),
	pullOutM: within(sledLimits.pullOut, 'how far it pulls out, in metres,'),
	stage: stage.required(),
	gimbalM: ends(sledLimits.alongPost, 'the gimbal’s clamp in metres'),
	dockM: within(sledLimits.alongPost, 'the docking height in metres'),
	items: Joi.array().items(item).max(16).unique('id').required(),
	places: Joi.array()
		.items(Joi.object({ id: key(), label: label(), atM: point(), mostKg: massKg() }))
		.max(8)
		.required(),
	arm: arm.required()
}).required();

const endKg = (words: string) => within(sledLimits.payload, words);
export const sledDraft = Joi.object<SledDraft>({
	name: name(),
	leastPayloadKg: endKg('the least payload in kg'),
	greatestPayloadKg: endKg('the greatest payload in kg').greater(Joi.ref('leastPayloadKg')),
	geometry: sledGeometry
}).required();

const angle = () => within(sledLimits.angle, 'the angle');
const sledSetting = Joi.object<SledSetting>({
	gimbalM: offsetM('the gimbal'),
	pulledOutM: offsetM('the post'),
	coarseForeM: offsetM('the plate'),
	fineForeM: offsetM('the plate'),
	fineSideM: offsetM('the plate'),
	items: Joi.object()
		.pattern(
			keyPattern,
			Joi.object({
				foreM: offsetM('the item'),
				sideM: offsetM('the item'),
				upM: offsetM('the item'),
				tiltRad: angle()
			})
		)
		.max(16)
		.required(),
	weights: Joi.array()
		.items(Joi.object({ placeId: key(), massKg: massKg() }))
		.max(8)
		.required()
}).required();

const leanRad = () => within(sledLimits.lean, 'the lean');
const dropS = () => within(sledLimits.dropTime, 'the drop time in seconds');
const when = (kinds: readonly SledSeen['kind'][], rule: Joi.Schema) =>
	Joi.when('kind', { is: Joi.valid(...kinds), then: rule, otherwise: Joi.forbidden() });
const seen = Joi.object({
	setting: sledSetting,
	payloadVersion: version(),
	struck: Joi.boolean(),
	kind: Joi.string().valid('rest', 'way', 'drop', 'spin').required(),
	plane: Joi.string().valid('fore', 'side').required(),
	leanRad: when(['rest', 'spin'], leanRad()),
	sigmaRad: when(['rest', 'spin'], within(sledLimits.sigmaAngle)),
	way: when(['way'], Joi.valid(-1, 0, 1).required()),
	dropTimeS: when(['drop'], dropS()),
	sigmaS: when(['drop'], within(sledLimits.sigmaTime)),
	runsS: when(['drop'], Joi.array().items(dropS().optional()).max(30).required()),
	spinRadPerS: when(['spin'], within(sledLimits.spinRate, 'the rate'))
});

const slips = () =>
	Joi.array()
		.items(Joi.array().items(Joi.string().max(200)).max(12))
		.max(100)
		.required();

export const sledBenchState = Joi.object<SledBenchState>({
	setting: sledSetting,
	slips: slips(),
	seen: Joi.array().items(seen).max(200).required(),
	dropTimeS: dropS(),
	shots: Joi.array()
		.items(Joi.string().valid(...sledShots))
		.max(sledShots.length)
		.unique()
		.required(),
	movers: Joi.array().items(key().optional()).max(16).unique().required(),
	believeDrawing: Joi.boolean(),
	cureId: Joi.string().max(60).allow(null),
	rigged: Joi.array().items(key().optional()).max(40).unique(),
	timing: Joi.object({
		plane: Joi.string().valid('fore', 'side').required(),
		gimbalM: offsetM('the gimbal'),
		runsS: Joi.array().items(dropS().optional()).max(30).required()
	}).allow(null)
}).required();

const note = () =>
	Joi.string()
		.allow('')
		.max(2000)
		.pattern(/^[\P{Cc}\n\r\t]*$/u)
		.required()
		.label('the note');

const recordDetail = Joi.object<SledRecordDetail>({
	snapshot: keptSnapshot,
	support: sledDraft.append({ id: id(), kind: Joi.string(), version: version() }),
	setting: sledSetting,
	dropTimeS: dropS(),
	figures: Joi.object({
		massKg: reckoned(),
		staticForeM: reckoned(),
		staticSideM: reckoned(),
		dropForeS: reckoned().allow(null),
		foreLeanRad: reckoned(),
		sideLeanRad: reckoned(),
		panInertiaKgM2: reckoned()
	}).required(),
	slips: slips()
}).required();

/** In shape 1 the copy of the support was called by its kind. */
export const sledRecordDetail: StoredAs<SledRecordDetail> = {
	schema: recordDetail,
	upgrades: [supportRenamed('sled')]
};

export const wornSetup = Joi.object<WornSetup>({
	armSide: Joi.string().valid('right', 'left').required(),
	reversed: Joi.boolean().required(),
	fitted: Joi.array().items(key().optional()).max(20).unique().required(),
	stance: Joi.object({
		carryHeightM: within(sledLimits.carryHeight, 'the gimbal above the floor, in metres,'),
		standOffM: within(sledLimits.standOff, 'the gimbal before the hips, in metres,'),
		hipHeightM: within(sledLimits.hipHeight, 'the hips above the floor, in metres,'),
		strideM: within(sledLimits.stride, 'the stride in metres')
	}).required()
}).required();

const threads = (words: string) => within(sledLimits.threads, words);
const socketEntry = Joi.object({
	kind: 'socket',
	inOut: threads('the threads of the in-out screw'),
	side: threads('the threads of the side screw'),
	drift: Joi.string().valid('away', 'into', 'left', 'right', 'stays').required(),
	note: note()
});
const vestEntry = Joi.object({
	kind: 'vest',
	minutes: within(sledLimits.wornMinutes, 'the minutes'),
	loadKg: loadKg(),
	note: note()
});
export const sledEntry = Joi.alternatives<SledEntry>()
	.conditional('.kind', {
		switch: [
			{ is: 'socket', then: socketEntry },
			{ is: 'vest', then: vestEntry }
		],
		otherwise: Joi.forbidden()
	})
	.required();
