import type { UnitSystem } from '$lib/model/person';
import { showMass, together } from '$lib/sheet/units/display';

/** The kinds of support a payload can be balanced on, in the order of the columns. */
export const supportKinds = ['gimbal', 'sled', 'crane'] as const;
export type SupportKind = (typeof supportKinds)[number];

export const kindWords: Readonly<Record<SupportKind, { readonly many: string; readonly shelf: string }>> = {
	gimbal: { many: 'Gimbals', shelf: '/rigs' },
	sled: { many: 'Sleds', shelf: '/sleds' },
	crane: { many: 'Cranes', shelf: '/cranes' }
};

export interface SupportOnOffer {
	readonly id: string;
	readonly kind: SupportKind;
	readonly name: string;
	readonly leastPayloadKg: number;
	readonly greatestPayloadKg: number;
	/** Its path under /balance, before the payload's id. */
	readonly at: string;
}

/** Why this support does not carry so much; null: it does. */
export function whyNot(
	{ leastPayloadKg, greatestPayloadKg }: Pick<SupportOnOffer, 'leastPayloadKg' | 'greatestPayloadKg'>,
	massKg: number,
	units: UnitSystem
): string | null {
	const by = (kg: number) => together(showMass(kg, units));
	if (massKg > greatestPayloadKg)
		return `${by(massKg - greatestPayloadKg)} too heavy: carries ${by(greatestPayloadKg)} at most`;
	if (massKg < leastPayloadKg) return `${by(leastPayloadKg - massKg)} too light: wants ${by(leastPayloadKg)} at least`;
	return null;
}
