import type { SledDraft, SledGeometry, SledItem, SledItemKind, SledSetting, Travel } from './model';
import { dockedSetting, itemAt, postLengthM } from './standing';

/** A sled whose parts were pulled about in its drawing: what a pull means for the sled itself. */
export function pulled(from: SledGeometry, next: Partial<SledSetting>): SledGeometry {
	const docked = dockedSetting(from);
	const items =
		next.items === undefined
			? from.items
			: from.items.map((item): SledItem => {
					const [was, is] = [itemAt(docked, item.id), next.items?.[item.id]];
					if (is === undefined) return item;
					const [x, y, z] = item.atM;
					return { ...item, atM: [x + is.foreM - was.foreM, y + is.sideM - was.sideM, z + is.upM - was.upM] };
				});
	const last = from.sections.length - 1;
	const longer = next.pulledOutM ?? 0;
	const sections = from.sections.map((section, index) =>
		index === last ? { ...section, lengthM: Math.max(0.02, section.lengthM + longer) } : section
	);
	const top = next.gimbalM ?? from.gimbalM[1];
	return {
		...from,
		items,
		sections,
		gimbalM: [from.gimbalM[0], Math.max(from.gimbalM[0], Math.min(top, postLengthM({ sections }, 0)))]
	};
}

/** A name that the sled does not have yet. */
function freshId(geometry: SledGeometry, word: string): string {
	const taken = new Set([...geometry.items, ...geometry.places, ...geometry.sections].map(({ id }) => id));
	for (let count = 2; ; count += 1) {
		const id = `${word}${count}`;
		if (!taken.has(id)) return id;
	}
}

const newItems: Readonly<Record<SledItemKind, Omit<SledItem, 'id' | 'kind'>>> = {
	monitor: {
		label: 'Second monitor',
		massKg: 0.5,
		sizeM: [0.04, 0.18, 0.12],
		atM: [0.2, 0, 0.2],
		foreM: [-0.05, 0.05],
		sideM: null,
		upM: [-0.1, 0.1],
		tilts: true
	},
	battery: {
		label: 'Second battery',
		massKg: 1,
		sizeM: [0.06, 0.1, 0.14],
		atM: [-0.16, 0, 0.05],
		foreM: [-0.06, 0.06],
		sideM: null,
		upM: null
	},
	electronics: {
		label: 'Receiver',
		massKg: 0.3,
		sizeM: [0.08, 0.06, 0.03],
		atM: [0, 0.06, 0.3],
		foreM: null,
		sideM: null,
		upM: null
	},
	accessory: {
		label: 'Accessory',
		massKg: 0.2,
		sizeM: [0.05, 0.05, 0.05],
		atM: [0.05, 0, 0.4],
		foreM: null,
		sideM: null,
		upM: null
	},
	cable: {
		label: 'Cable',
		massKg: 0.1,
		sizeM: [0.02, 0.02, 0.3],
		atM: [0, -0.03, 0.25],
		foreM: null,
		sideM: null,
		upM: null
	}
};

export function withNewItem(geometry: SledGeometry, kind: SledItemKind): { geometry: SledGeometry; id: string } {
	const id = freshId(geometry, kind);
	return { geometry: { ...geometry, items: [...geometry.items, { id, kind, ...newItems[kind] }] }, id };
}

export const withItem = (geometry: SledGeometry, id: string, next: Partial<SledItem>): SledGeometry => ({
	...geometry,
	items: geometry.items.map((item) => (item.id === id ? { ...item, ...next } : item))
});

export const withoutItem = (geometry: SledGeometry, id: string): SledGeometry => ({
	...geometry,
	items: geometry.items.filter((item) => item.id !== id)
});

export const withNewPlace = (geometry: SledGeometry): SledGeometry => ({
	...geometry,
	places: [
		...geometry.places,
		{ id: freshId(geometry, 'place'), label: 'another place', atM: [-0.2, 0, 0.02], mostKg: 0.5 }
	]
});

export const withNewSection = (geometry: SledGeometry): SledGeometry => ({
	...geometry,
	sections: [
		...geometry.sections,
		{ id: freshId(geometry, 'section'), label: 'Post section', massKg: 0.3, lengthM: 0.2, radiusM: 0.018 }
	]
});

/** How many of a thing stand on which way to move. */
export type Mounting = 'fixed' | 'slide' | 'pair' | 'swing';

export const mountingOf = ({ pair, swingM, foreM, sideM, upM }: SledItem): Mounting =>
	pair === true
		? swingM == null
			? 'pair'
			: 'swing'
		: foreM === null && sideM === null && upM === null
			? 'fixed'
			: 'slide';

const usualTravel: Travel = [-0.06, 0.06];

/** One alone, fixed or on a slide; or two mirrored, side by side or on arms that swing about the post. */
export function mounted(item: SledItem, mounting: Mounting): Partial<SledItem> {
	const outM = Math.max(0.06, Math.abs(item.atM[1]));
	const foreM = item.foreM ?? usualTravel;
	if (mounting === 'fixed') return { pair: false, swingM: null, foreM: null, sideM: null, upM: null };
	if (mounting === 'slide') return { pair: false, swingM: null, foreM, atM: [item.atM[0], 0, item.atM[2]] };
	if (mounting === 'pair')
		return { pair: true, swingM: null, foreM, sideM: null, atM: [item.atM[0], outM, item.atM[2]] };
	const radiusM = Math.max(0.1, Math.abs(item.atM[0]));
	return {
		pair: true,
		swingM: radiusM,
		foreM: [0, 0.8 * radiusM],
		sideM: null,
		atM: [-radiusM, Math.min(outM, 0.08), item.atM[2]]
	};
}

/** What is wrong with the whole, that no field alone can say. Null: nothing. */
export function wrongWith({ geometry, leastPayloadKg, greatestPayloadKg }: SledDraft): string | null {
	const post = postLengthM(geometry, 0);
	if (geometry.gimbalM[1] > post + 1e-9) return 'The gimbal’s clamp reaches past the top of the post.';
	if (geometry.dockM > post) return 'The docking pin sits above the post.';
	if (greatestPayloadKg <= leastPayloadKg) return 'The greatest payload must be more than the least.';
	const { rangeKg, sections } = geometry.arm;
	if (rangeKg[0] >= rangeKg[1]) return 'The arm’s range has no width.';
	const twice = sections.find(({ points: [a, b] }) => a.loadKg === b.loadKg);
	return twice === undefined ? null : `${twice.label}: its two known points stand at one load.`;
}
