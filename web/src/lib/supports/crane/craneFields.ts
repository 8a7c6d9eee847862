import type { CraneGeometry, Span } from './model';
import { type Limit, limits } from '$lib/model/limits';
import { allowed } from '$lib/sheet/units/allowed';
import { craneLimits } from './limits';

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

const end = (span: Span, which: 0 | 1, value: number): Span => (which === 0 ? [value, span[1]] : [span[0], value]);
const changedPlaces = 'The ends have changed places.';
/** The same place, counted backwards. */
const behind = (limit: Limit): Limit => ({ ...limit, least: -limit.most, most: -limit.least });
const inOrder = (span: Span, which: 0 | 1) => (value: number) =>
	(which === 0 ? value <= span[1] : value >= span[0]) ? null : changedPlaces;

/** A field that is one end of a range: what it may be besides, in words of its own. */
const asEnd = (field: CraneField, rule: (value: number) => string | null): CraneField => ({
	...field,
	check: (value) => field.check(value) ?? rule(value)
});

/** The single figures of a crane, by where they are on it; each with what it may be and how it is put back. */
export function craneFieldGroups(
	geometry: CraneGeometry,
	shape: (next: Partial<CraneGeometry>, about: string) => void
): readonly CraneFieldGroup[] {
	const { rear, nose, hanger, trim, boomRangeRad, pivotHeightM, base, linkage } = geometry;
	const length = (
		label: string,
		value: number,
		put: (v: number) => void,
		limit: Limit = limits.onPlate,
		testId?: string
	): CraneField => ({
		label,
		value,
		quantity: 'length',
		check: allowed(limit, 'length'),
		put,
		...(testId === undefined ? {} : { testId })
	});
	const mass = (label: string, value: number, put: (v: number) => void, limit: Limit, testId?: string): CraneField => ({
		label,
		value,
		quantity: 'mass',
		check: allowed(limit, 'mass'),
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
					craneLimits.rearLength,
					'rear-length'
				),
				mass(
					'its mass',
					rear.massKg,
					(massKg) => shape({ rear: { ...rear, massKg } }, 'rear kg'),
					craneLimits.rearMass
				),
				length(
					'hanger behind the pivot',
					-hanger.uM,
					(v) => shape({ hanger: { ...hanger, uM: -v } }, 'hanger u'),
					behind(craneLimits.hangerPlace)
				),
				length(
					'weight line, up',
					hanger.vM,
					(vM) => shape({ hanger: { ...hanger, vM } }, 'hanger v'),
					craneLimits.weightLine,
					'weight-line'
				),
				mass(
					'hanger’s mass',
					hanger.massKg,
					(massKg) => shape({ hanger: { ...hanger, massKg } }, 'hanger kg'),
					craneLimits.hangerMass
				),
				mass(
					'trim weight',
					trim.massKg,
					(massKg) => shape({ trim: { ...trim, massKg } }, 'trim kg'),
					craneLimits.trimMass
				),
				asEnd(
					length(
						'trim travels from',
						-trim.rangeU[1],
						(v) => shape({ trim: { ...trim, rangeU: [trim.rangeU[0], -v] } }, 'trim near'),
						craneLimits.trimPlace
					),
					(v) => (v <= -trim.rangeU[0] ? null : changedPlaces)
				),
				asEnd(
					length(
						'to, behind the pivot',
						-trim.rangeU[0],
						(v) => shape({ trim: { ...trim, rangeU: [-v, trim.rangeU[1]] } }, 'trim far'),
						craneLimits.trimPlace
					),
					(v) => (v >= -trim.rangeU[1] ? null : changedPlaces)
				),
				length(
					'trim’s graduation',
					trim.graduationM,
					(graduationM) => shape({ trim: { ...trim, graduationM } }, 'graduation'),
					craneLimits.graduation
				)
			]
		},
		{
			title: 'Nose',
			fields: [
				mass(
					'nose’s mass',
					nose.massKg,
					(massKg) => shape({ nose: { ...nose, massKg } }, 'nose kg'),
					craneLimits.noseMass
				),
				length('hinge, up', nose.vM, (vM) => shape({ nose: { ...nose, vM } }, 'nose v'), craneLimits.line)
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
							craneLimits.pivotHeight
						),
						inOrder(pivotHeightM, which)
					)
				),
				...([0, 1] as const).map((which) =>
					angle(
						which === 0 ? 'boom down to' : 'up to',
						boomRangeRad[which],
						(v) => shape({ boomRangeRad: end(boomRangeRad, which, v) }, `boom ${which}`),
						(v) => allowed(craneLimits.boom, 'angle')(v) ?? inOrder(boomRangeRad, which)(v)
					)
				),
				length('tubes’ line, up', geometry.tubeVM, (tubeVM) => shape({ tubeVM }, 'tube v'), craneLimits.line),
				length(
					'tube across',
					geometry.tubeAcrossM,
					(tubeAcrossM) => shape({ tubeAcrossM }, 'across'),
					craneLimits.tube
				),
				length(
					'link on the nose',
					linkage.linkM,
					(linkM) => shape({ linkage: { ...linkage, linkM } }, 'link'),
					craneLimits.link
				),
				length(
					'rod’s rear pivot, forward',
					linkage.rearPivotM[0],
					(v) => shape({ linkage: { ...linkage, rearPivotM: [v, linkage.rearPivotM[1]] } }, 'rear x'),
					craneLimits.rearPivot
				),
				length(
					'rod’s rear pivot, up',
					linkage.rearPivotM[1],
					(v) => shape({ linkage: { ...linkage, rearPivotM: [linkage.rearPivotM[0], v] } }, 'rear y'),
					craneLimits.rearPivot
				),
				length(
					'rod longer than the arm',
					linkage.rodLongerM,
					(rodLongerM) => shape({ linkage: { ...linkage, rodLongerM } }, 'rod'),
					craneLimits.rodLonger
				),
				length(
					'a turn of the adjuster',
					linkage.mPerTurn,
					(mPerTurn) => shape({ linkage: { ...linkage, mPerTurn } }, 'turn'),
					craneLimits.adjusterTurn
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
					craneLimits.baseMass,
					'base-mass'
				),
				length('its centre, forward', base.cgM[0], (v) =>
					shape({ base: { ...base, cgM: [v, base.cgM[1], base.cgM[2]] } }, 'base x')
				),
				length('left', base.cgM[1], (v) => shape({ base: { ...base, cgM: [base.cgM[0], v, base.cgM[2]] } }, 'base y')),
				length('up', base.cgM[2], (v) => shape({ base: { ...base, cgM: [base.cgM[0], base.cgM[1], v] } }, 'base z'), {
					...limits.onPlate,
					least: 0
				})
			]
		}
	];
}
