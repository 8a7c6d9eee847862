import type { CraneGeometry, Span } from './model';
import type { UnitSystem } from '$lib/model/person';
import { showLength, together } from '$lib/sheet/units/display';

interface CraneField {
	readonly label: string;
	readonly value: number;
	readonly quantity: 'length' | 'mass' | 'angle';
	readonly check: (value: number) => string | null;
	readonly put: (value: number) => void;
	readonly testId?: string;
}

export interface CraneFieldGroup {
	readonly title: string;
	readonly fields: readonly CraneField[];
}

const within = (least: number, greatest: number, words: string) => (value: number) =>
	value >= least && value <= greatest ? null : words;
const end = (span: Span, which: 0 | 1, value: number): Span => (which === 0 ? [value, span[1]] : [span[0], value]);
const changedPlaces = 'The ends have changed places.';
const endRule = (span: Span, which: 0 | 1, least: number, most: number, words: string) => (value: number) =>
	value < least || value > most
		? words
		: (which === 0 ? value <= span[1] : value >= span[0])
			? null
			: 'The ends have changed places.';

/** A field that is one end of a range: what it may be besides, in words of its own. */
const asEnd = (field: CraneField, rule: (value: number) => string | null): CraneField => ({
	...field,
	check: (value) => field.check(value) ?? rule(value)
});

/** The single figures of a crane, by where they are on it; each with what it may be and how it is put back. */
export function craneFieldGroups(
	geometry: CraneGeometry,
	shape: (next: Partial<CraneGeometry>, about: string) => void,
	units: UnitSystem
): readonly CraneFieldGroup[] {
	const { rear, nose, hanger, trim, boomRangeRad, pivotHeightM, base, linkage } = geometry;
	const length = (
		label: string,
		value: number,
		put: (v: number) => void,
		least = -2,
		most = 3,
		testId?: string
	): CraneField => ({
		label,
		value,
		quantity: 'length',
		check: within(
			least,
			most,
			`Between ${together(showLength(least, units))}${least < 0 ? ' the other way' : ''} and ${together(showLength(most, units))}.`
		),
		put,
		...(testId === undefined ? {} : { testId })
	});
	const mass = (
		label: string,
		value: number,
		put: (v: number) => void,
		most = 500,
		least = 0,
		testId?: string
	): CraneField => ({
		label,
		value,
		quantity: 'mass',
		check: within(least, most, `Between ${least} and ${most} kg.`),
		put,
		...(testId === undefined ? {} : { testId })
	});
	const angle = (
		label: string,
		value: number,
		put: (v: number) => void,
		check: (v: number) => string | null
	): CraneField => ({
		label,
		value,
		quantity: 'angle',
		check,
		put
	});
	return [
		{
			title: 'Behind the pivot',
			fields: [
				length(
					'rear tube',
					rear.lengthM,
					(lengthM) => shape({ rear: { ...rear, lengthM } }, 'rear'),
					0.1,
					5,
					'rear-length'
				),
				mass('its mass', rear.massKg, (massKg) => shape({ rear: { ...rear, massKg } }, 'rear kg'), 60, 0.01),
				length(
					'hanger behind the pivot',
					-hanger.uM,
					(v) => shape({ hanger: { ...hanger, uM: -v } }, 'hanger u'),
					0.05,
					5
				),
				length(
					'weight line, up',
					hanger.vM,
					(vM) => shape({ hanger: { ...hanger, vM } }, 'hanger v'),
					-1.5,
					1.5,
					'weight-line'
				),
				mass('hanger’s mass', hanger.massKg, (massKg) => shape({ hanger: { ...hanger, massKg } }, 'hanger kg'), 80),
				mass('trim weight', trim.massKg, (massKg) => shape({ trim: { ...trim, massKg } }, 'trim kg'), 50),
				asEnd(
					length(
						'trim travels from',
						-trim.rangeU[1],
						(v) => shape({ trim: { ...trim, rangeU: [trim.rangeU[0], -v] } }, 'trim near'),
						-2,
						5
					),
					(v) => (v <= -trim.rangeU[0] ? null : changedPlaces)
				),
				asEnd(
					length(
						'to, behind the pivot',
						-trim.rangeU[0],
						(v) => shape({ trim: { ...trim, rangeU: [-v, trim.rangeU[1]] } }, 'trim far'),
						-2,
						5
					),
					(v) => (v >= -trim.rangeU[1] ? null : changedPlaces)
				),
				length(
					'trim’s graduation',
					trim.graduationM,
					(graduationM) => shape({ trim: { ...trim, graduationM } }, 'graduation'),
					0.001,
					0.2
				)
			]
		},
		{
			title: 'Nose',
			fields: [
				mass('nose’s mass', nose.massKg, (massKg) => shape({ nose: { ...nose, massKg } }, 'nose kg'), 50),
				length('hinge, up', nose.vM, (vM) => shape({ nose: { ...nose, vM } }, 'nose v'), -1, 1)
			]
		},
		{
			title: 'Pivot, boom and levelling',
			fields: [
				...([0, 1] as const).map((which) =>
					asEnd(
						length(
							which === 0 ? 'pivot above the floor, from' : 'to',
							pivotHeightM[which],
							(v) => shape({ pivotHeightM: end(pivotHeightM, which, v) }, `pivot ${which}`),
							0.2,
							6
						),
						endRule(pivotHeightM, which, 0.2, 6, '')
					)
				),
				...([0, 1] as const).map((which) =>
					angle(
						which === 0 ? 'boom down to' : 'up to',
						boomRangeRad[which],
						(v) => shape({ boomRangeRad: end(boomRangeRad, which, v) }, `boom ${which}`),
						endRule(boomRangeRad, which, -1.4, 1.4, 'Within 80°.')
					)
				),
				length('tubes’ line, up', geometry.tubeVM, (tubeVM) => shape({ tubeVM }, 'tube v'), -1, 1),
				length('tube across', geometry.tubeAcrossM, (tubeAcrossM) => shape({ tubeAcrossM }, 'across'), 0.01, 0.6),
				length(
					'link on the nose',
					linkage.linkM,
					(linkM) => shape({ linkage: { ...linkage, linkM } }, 'link'),
					0.01,
					1
				),
				length(
					'rod’s rear pivot, forward',
					linkage.rearPivotM[0],
					(v) => shape({ linkage: { ...linkage, rearPivotM: [v, linkage.rearPivotM[1]] } }, 'rear x'),
					-1,
					1
				),
				length(
					'rod’s rear pivot, up',
					linkage.rearPivotM[1],
					(v) => shape({ linkage: { ...linkage, rearPivotM: [linkage.rearPivotM[0], v] } }, 'rear y'),
					-1,
					1
				),
				length(
					'rod longer than the arm',
					linkage.rodLongerM,
					(rodLongerM) => shape({ linkage: { ...linkage, rodLongerM } }, 'rod'),
					-0.5,
					0.5
				),
				length(
					'a turn of the adjuster',
					linkage.mPerTurn,
					(mPerTurn) => shape({ linkage: { ...linkage, mPerTurn } }, 'turn'),
					0.0001,
					0.02
				)
			]
		},
		{
			title: 'Base',
			fields: [
				mass(
					'its mass',
					base.massKg,
					(massKg) => shape({ base: { ...base, massKg } }, 'base kg'),
					2000,
					0.1,
					'base-mass'
				),
				length('its centre, forward', base.cgM[0], (v) =>
					shape({ base: { ...base, cgM: [v, base.cgM[1], base.cgM[2]] } }, 'base x')
				),
				length('left', base.cgM[1], (v) => shape({ base: { ...base, cgM: [base.cgM[0], v, base.cgM[2]] } }, 'base y')),
				length(
					'up',
					base.cgM[2],
					(v) => shape({ base: { ...base, cgM: [base.cgM[0], base.cgM[1], v] } }, 'base z'),
					0,
					3
				)
			]
		}
	];
}
