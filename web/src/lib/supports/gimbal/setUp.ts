import type { Vec3 } from '@poise/core';
import type { BalanceOrder, BenchState } from '$lib/supports/gimbal/model';
import type { Gimbal, RigAlternative, GimbalGeometry, RigSlide, RigStroke } from './model';

type SetUp = Pick<BenchState, 'order' | 'alternativeIds' | 'weights'>;

/** The id under which a slide's extension is fitted. */
export const extensionId = (slideId: string) => `extension${slideId}`;

/** A weight of this density is drawn: steel, as a square block half as high as it is wide. */
const steelKgPerM3 = 7800;

/**
 * The gimbal as it is put together today: its slides in the chosen order, extensions fitted, another hole or the cradle
 * turned, weights fixed. Everything after this knows only the result.
 */
export function setUpGimbal(rig: Gimbal, setUp: SetUp): Gimbal {
	const chosen = new Set(setUp.alternativeIds ?? []);
	let { geometry } = rig;
	for (const alternative of geometry.alternatives ?? [])
		if (chosen.has(alternative.id)) geometry = shifted(geometry, alternative);
	geometry = {
		...geometry,
		slides: inOrder(
			geometry.slides.map((slide) => (chosen.has(extensionId(slide.id)) ? extended(slide) : slide)),
			setUp.order ?? 'verticalNext'
		)
	};
	for (const [index, weight] of (setUp.weights ?? []).entries()) geometry = weighted(geometry, weight, index);
	return { ...rig, geometry };
}

/** Vertical tilt stands right after fore-aft tilt, or after everything else. */
function inOrder(slides: readonly RigSlide[], order: BalanceOrder): RigSlide[] {
	const isVertical = ({ balances, direction }: RigSlide) => balances === 'tilt' && Math.abs(direction[2]) > 0.7;
	const rest = slides.filter((slide) => !isVertical(slide));
	const vertical = slides.filter(isVertical);
	if (order === 'verticalLast') return [...rest, ...vertical];
	const after = rest.findLastIndex(({ balances }) => balances === 'tilt') + 1;
	return [...rest.slice(0, after), ...vertical, ...rest.slice(after)];
}

const plus = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];

function extended(slide: RigSlide): RigSlide {
	const { extension } = slide;
	if (!extension) return slide;
	return { ...slide, rangeM: [slide.rangeM[0] - extension.lessM, slide.rangeM[1] + extension.moreM] };
}

function shifted(geometry: GimbalGeometry, { moves, shiftM }: RigAlternative): GimbalGeometry {
	const move = (id: string, at: Vec3) => (moves.includes(id) ? plus(at, shiftM) : at);
	const stroke = (each: RigStroke): RigStroke =>
		each.kind === 'tube'
			? { ...each, pointsM: each.pointsM.map((point) => move(each.partId, point)) }
			: { ...each, atM: move(each.partId, each.atM) };
	return {
		...geometry,
		axes: geometry.axes.map((axis) => ({ ...axis, pivotM: move(axis.id, axis.pivotM) })),
		parts: geometry.parts.map((part) => ({ ...part, body: { ...part.body, cgM: move(part.id, part.body.cgM) } })),
		mountM: move('payload', geometry.mountM),
		strokes: geometry.strokes.map(stroke)
	};
}

function weighted(
	geometry: GimbalGeometry,
	{ placeId, massKg }: { readonly placeId: string; readonly massKg: number },
	index: number
): GimbalGeometry {
	const place = geometry.counterweightPlaces.find(({ id }) => id === placeId);
	if (place === undefined) return geometry;
	const id = `weight${index}`;
	const edgeM = Math.cbrt((2 * massKg) / steelKgPerM3);
	return {
		...geometry,
		parts: [
			...geometry.parts,
			{ id, label: `Weight at ${place.label}`, body: { massKg, cgM: place.atM }, hangsOn: place.hangsOn }
		],
		slides: geometry.slides.map((slide) =>
			place.movesWith.includes(slide.id) ? { ...slide, moves: [...slide.moves, id] } : slide
		),
		strokes: [...geometry.strokes, { kind: 'box', partId: id, atM: place.atM, sizeM: [edgeM, edgeM, edgeM / 2] }]
	};
}
