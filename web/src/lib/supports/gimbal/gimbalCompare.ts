import { combineBodies, gFromKg, mmFromM, readingAt, type Vec3 } from '@poise/core';
import { mountedBodies } from '$lib/model/payload';
import { namesLeft, recordParts, type TwoUp } from '$lib/supports/log/twoUp';
import type { GimbalRecord } from './model';

function centreOf(record: GimbalRecord): Vec3 {
	return combineBodies({ bodies: mountedBodies(recordParts(record)).map(({ body }) => body) }).cgM;
}

/** Slide readings, mass, centre and what each motor keeps, of two records, also of different rigs. */
export function twoUp(a: GimbalRecord, b: GimbalRecord): TwoUp {
	const slides = [
		...new Map([...a.support.geometry.slides, ...b.support.geometry.slides].map((slide) => [slide.id, slide.label]))
	];
	const reading = (record: GimbalRecord, id: string) => {
		const slide = record.support.geometry.slides.find((each) => each.id === id);
		const positionM = record.positionsM[id];
		return slide === undefined || positionM === undefined
			? null
			: Math.round(mmFromM(readingAt(slide, positionM)) * 2) / 2;
	};
	const [centreA, centreB] = [centreOf(a), centreOf(b)];
	const axes = [...new Set([...a.axes, ...b.axes].map(({ id }) => id))].reverse();
	const shareOf = (record: GimbalRecord, id: string) => {
		const share = record.axes.find((axis) => axis.id === id)?.motorShare;
		return share === undefined || share === null ? null : share * 100;
	};
	const labelOf = (id: string) =>
		[...a.support.geometry.axes, ...b.support.geometry.axes].find((axis) => axis.id === id)?.label ?? id;
	const namesA = recordParts(a).map(({ part }) => part.name);
	const namesB = recordParts(b).map(({ part }) => part.name);
	return {
		lines: [
			...slides.map(([id, label]) => ({
				label: `${label} reads`,
				unit: 'mm',
				printed: true,
				decimals: 1,
				a: reading(a, id),
				b: reading(b, id)
			})),
			{ label: 'Mass on the plate', unit: 'g', decimals: 0, a: gFromKg(a.payloadMassKg), b: gFromKg(b.payloadMassKg) },
			...(['Centre forward of the plate’s middle', 'Centre left of it', 'Centre above its underside'] as const).map(
				(label, k) => ({ label, unit: 'mm', decimals: 1, a: mmFromM(centreA[k] ?? 0), b: mmFromM(centreB[k] ?? 0) })
			),
			...axes.map((id) => ({
				label: `${labelOf(id)} motor keeps`,
				unit: '%',
				decimals: 1,
				a: shareOf(a, id),
				b: shareOf(b, id)
			})),
			{ label: 'Nudges', unit: '', decimals: 0, a: a.nudges.length, b: b.nudges.length }
		],
		onlyA: namesLeft(namesA, namesB),
		onlyB: namesLeft(namesB, namesA)
	};
}
