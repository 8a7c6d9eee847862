/** What hangs on a payload beside its build: its power and its checklist. Saved whole, one paper at a time. */

export interface PowerPaper {
	readonly sources: readonly {
		readonly id: string;
		readonly name: string;
		readonly capacityWh: number;
		readonly voltageV: number;
		readonly count: number;
		readonly atOnce: number;
		/** Share of the printed capacity left with age, up to 1. */
		readonly ageFactor: number;
	}[];
	readonly taps: readonly {
		readonly id: string;
		readonly name: string;
		readonly sourceId: string;
		readonly voltageV: number;
		readonly limitA: number;
		readonly efficiency: number;
	}[];
	readonly loads: readonly {
		readonly id: string;
		readonly name: string;
		readonly tapId: string;
		readonly drawW: number;
	}[];
	readonly marginShare: number;
	readonly jobS: number;
	/** Shares of charge at which each step of the indicator comes on. */
	readonly indicator: readonly number[];
	/** How many steps are lit now. */
	readonly lit: number;
}

export interface ChecklistPaper {
	readonly items: readonly {
		readonly id: string;
		readonly text: string;
		/** Who ticked it and when; null: not yet. */
		readonly ticked: { readonly by: string; readonly at: string } | null;
	}[];
	/** Why it was left undone, by whom and when; null: not waived. */
	readonly waived: { readonly reason: string; readonly by: string; readonly at: string } | null;
}

export interface Papers {
	readonly power: PowerPaper;
	readonly checklist: ChecklistPaper;
}
export type PaperKind = keyof Papers;
export const paperKinds = ['power', 'checklist'] as const satisfies readonly PaperKind[];

/** Checked on every gimbal before the first slide is touched. */
const usualChecks = [
	'Card in, with room on it',
	'Battery in, the one that will be used',
	'Filters on',
	'Lens cap off',
	'Strap off, cables tied along their arms',
	'Screen in its shooting position',
	'Lens at its working zoom and focus'
];

export const freshChecklist = (newId: () => string): ChecklistPaper => ({
	items: usualChecks.map((text) => ({ id: newId(), text, ticked: null })),
	waived: null
});

export const checksLeft = ({ items, waived }: ChecklistPaper): number =>
	waived === null ? items.filter(({ ticked }) => ticked === null).length : 0;
