import Joi from 'joi';
import type { LimitName } from '$lib/model/limits';
import { mostPoints, mostShapes, planKinds, type PlanPoint, type VenueDraft, type VenuePlan } from '$lib/model/venue';
import { id, key, name, version, within } from './quantities';

const onPlan = within('planPoint', 'the point in metres');
const point = Joi.array<PlanPoint>().ordered(onPlan, onPlan).length(2);
const between = (words: string, limit: LimitName) =>
	Joi.array()
		.items(within(limit, words))
		.length(2)
		.allow(null)
		.required()
		.custom((value: [number, number], { error }) => (value[0] <= value[1] ? value : error('range.order')));
const height = (words: string) => within('planHeight', `${words} in metres`);

const shape = Joi.object({
	id: key(),
	kind: Joi.string()
		.valid(...planKinds)
		.required(),
	label: Joi.string().trim().min(1).max(80).required().label('the name'),
	pointsM: Joi.when('kind', {
		is: Joi.valid('wall', 'line'),
		then: Joi.array().items(point).min(2).max(mostPoints).required().label('the points'),
		otherwise: Joi.array().items(point).min(3).max(mostPoints).required().label('the points')
	}),
	bottomM: height('the bottom'),
	topM: height('the top').min(Joi.ref('bottomM'))
});

export const venuePlan = Joi.object<VenuePlan>({
	ceilingM: within('ceiling', 'the ceiling in metres').allow(null),
	shapes: Joi.array().items(shape).max(mostShapes).unique('id').required().label('what stands there'),
	underlay: Joi.object({
		pictureId: id(),
		widthPx: within('pictureSide').integer(),
		heightPx: within('pictureSide').integer(),
		mPerPx: within('dotSize', 'the scale'),
		atM: point.required(),
		turnRad: within('turn', 'the turn')
	})
		.allow(null)
		.required()
}).required();

export const venueDraft = Joi.object<VenueDraft>({ name: name(), plan: venuePlan }).required();
export const venueSave = venueDraft.append<VenueDraft & { version: number }>({
	version: version()
});

/** Where a crane stands on a plan. */
export const standing = Joi.object({
	venueId: id(),
	atM: point.required(),
	headingRad: within('turn', 'the heading'),
	stopsRad: between('the stops', 'turn'),
	boomsRad: between('the booms', 'boomStop'),
	overPeople: Joi.boolean().required()
}).allow(null);
