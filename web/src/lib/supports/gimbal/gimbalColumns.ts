import { mFromMm, mmFromM } from '@poise/core';
import { limits } from '$lib/model/limits';
import { allowed } from '$lib/sheet/units/allowed';
import { type Column, figureWithin } from '$lib/sheet/fields/columns';
import type { RigAxis, RigPart, RigSlide } from './model';
import type { GimbalKeeper } from './gimbalKeeper.svelte';

/** What the scale reads at both ends of the travel, mm, least first. */
const readingEndsMm = ({ rangeM, scale }: RigSlide): [number, number] => {
	const ends = rangeM.map((end) => Math.round(mmFromM(scale.readingAtZeroM + scale.sense * end) * 10) / 10);
	return [Math.min(...ends), Math.max(...ends)];
};

const end = (keeper: GimbalKeeper, which: 0 | 1): Column<RigSlide> => ({
	kind: 'figure',
	head: which === 0 ? 'from' : 'to',
	quantity: 'length',
	label: (slide) => `${slide.label}, ${which === 0 ? slide.minusWord : slide.plusWord} end`,
	testId: (slide) => `${slide.id}-end-${which}`,
	get: ({ rangeM }) => rangeM[which],
	check: ({ rangeM }, value) => {
		return (
			allowed(limits.slideEnd, 'length')(value) ??
			((which === 0 ? value <= rangeM[1] : value >= rangeM[0]) ? null : 'The ends have changed places.')
		);
	},
	set: ({ id, rangeM }, value) =>
		keeper.slide(id, { rangeM: which === 0 ? [value, rangeM[1]] : [rangeM[0], value] }, `range ${id} ${which}`)
});

const tenthToTen = figureWithin(limits.graduation, 'length');

/** Travel, scale, knob, lock and extension of every slide. */
export const slideColumns = (keeper: GimbalKeeper): readonly Column<RigSlide>[] => [
	{
		kind: 'name',
		head: 'Slide',
		get: ({ label }) => label,
		under: (slide) => `${slide.purpose}; printed ${readingEndsMm(slide).join(' to ')} mm`
	},
	end(keeper, 0),
	end(keeper, 1),
	{
		kind: 'figure',
		head: 'scale there',
		quantity: 'length',
		label: ({ label }) => `${label}, scale at 0`,
		testId: ({ id }) => `${id}-zero`,
		get: ({ scale }) => scale.readingAtZeroM,
		check: figureWithin(limits.scaleZero, 'length'),
		set: ({ id, scale }, readingAtZeroM) => keeper.slide(id, { scale: { ...scale, readingAtZeroM } }, `zero ${id}`)
	},
	{
		kind: 'choice',
		head: 'counts up',
		label: ({ label }) => `${label}, its scale counts up`,
		get: ({ scale }) => String(scale.sense),
		options: ({ plusWord, minusWord }) => [
			['1', plusWord],
			['-1', minusWord]
		],
		set: ({ id, scale }, value) =>
			keeper.slide(id, { scale: { ...scale, sense: value === '1' ? 1 : -1 } }, `sense ${id}`)
	},
	{
		kind: 'figure',
		head: 'lines every',
		quantity: 'length',
		label: ({ label }) => `${label}, graduation`,
		get: ({ graduationM }) => graduationM ?? 0.001,
		check: tenthToTen,
		set: ({ id }, graduationM) => keeper.slide(id, { graduationM }, `graduation ${id}`)
	},
	{
		kind: 'choice',
		head: 'set by',
		label: ({ label }) => `${label} is set by`,
		testId: ({ id }) => `${id}-set-by`,
		get: ({ knobPitchM }) => (knobPitchM === null ? 'hand' : 'knob'),
		options: () => [
			['hand', 'hand'],
			['knob', 'a knob']
		],
		set: ({ id, knobPitchM }, value) =>
			keeper.slide(id, { knobPitchM: value === 'hand' ? null : (knobPitchM ?? mFromMm(2)) }, `knob ${id}`)
	},
	{
		kind: 'figure',
		head: 'a turn is',
		quantity: 'length',
		label: ({ label }) => `${label}, travel of one turn`,
		testId: ({ id }) => `${id}-pitch`,
		get: ({ knobPitchM }) => knobPitchM,
		check: tenthToTen,
		set: ({ id }, knobPitchM) => keeper.slide(id, { knobPitchM }, `pitch ${id}`)
	},
	{
		kind: 'text',
		head: 'held by',
		narrow: true,
		most: 80,
		label: ({ label }) => `${label} is held by`,
		get: ({ lock }) => lock ?? '',
		set: ({ id }, lock) => keeper.slide(id, { lock }, `lock ${id}`)
	},
	{
		kind: 'figure',
		head: 'extension adds',
		quantity: 'length',
		label: ({ label }) => `${label}, reach an extension adds each way`,
		testId: ({ id }) => `${id}-extension`,
		get: ({ extension }) => extension?.moreM ?? 0,
		check: figureWithin(limits.extension, 'length'),
		set: ({ id, label, extension }, metres) => {
			const name = extension?.label ?? `the ${label.toLowerCase()}’s extension`;
			keeper.slide(
				id,
				{ extension: metres === 0 ? null : { label: name, lessM: metres, moreM: metres } },
				`extension ${id}`
			);
		}
	}
];

export const axisColumns = (keeper: GimbalKeeper): readonly Column<RigAxis>[] => [
	{ kind: 'name', head: 'Axis', get: ({ label }) => label },
	{
		kind: 'figure',
		head: 'motor holds',
		quantity: 'torque',
		label: ({ label }) => `${label}, motor torque`,
		testId: ({ id }) => `${id}-torque`,
		get: ({ motorTorqueNm }) => motorTorqueNm ?? 0,
		check: figureWithin(limits.motorTorque, 'torque'),
		set: ({ id }, motorTorqueNm) => keeper.axis(id, { motorTorqueNm }, `torque ${id}`)
	},
	{
		kind: 'figure',
		head: 'friction, power off',
		quantity: 'torque',
		label: ({ label }) => `${label}, friction`,
		testId: ({ id }) => `${id}-friction`,
		get: ({ frictionNm }) => frictionNm ?? 0,
		check: figureWithin(limits.friction, 'torque'),
		set: ({ id }, frictionNm) => keeper.axis(id, { frictionNm }, `friction ${id}`)
	}
];

export const partColumns = (keeper: GimbalKeeper): readonly Column<RigPart>[] => [
	{
		kind: 'name',
		head: 'Part',
		get: ({ label }) => label,
		under: ({ hangsOn }) => (hangsOn === null ? 'never turns' : `turns with ${hangsOn}`)
	},
	{
		kind: 'figure',
		head: 'mass',
		quantity: 'mass',
		label: ({ label }) => `${label}, mass`,
		get: ({ body }) => body.massKg,
		check: figureWithin(limits.partMass, 'mass'),
		set: ({ id, body }, massKg) => keeper.part(id, { body: { ...body, massKg } }, `mass ${id}`)
	}
];
