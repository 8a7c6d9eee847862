import type { UnitSystem } from '$lib/model/person';
import { showMass, together } from '$lib/sheet/units/display';

export interface SupportOnOffer {
	readonly id: string;
	/** A key of the registry. */
	readonly kind: string;
	readonly name: string;
	readonly leastPayloadKg: number;
	readonly greatestPayloadKg: number;
}

/** What a person has in hand, and what it weighs; null: nothing that weighs anything. */
export type InHand = { readonly name: string; readonly massKg: number } | null;

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
