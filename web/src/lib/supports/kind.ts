/** One sheet about a support: its path under the support's own, what its link says, and the component in the kind's folder that shows it. */
interface SheetOf {
	readonly path: string;
	readonly words: string;
	readonly view: string;
	/** It shows what belongs to whoever is working, and begins anew with another person. */
	readonly ofPerson?: true;
}

/** A link that belongs beside the sheets but leads elsewhere. */
export interface SheetLink {
	readonly href: string;
	readonly words: string;
}

/** What the whole application knows of a kind of support without loading its sheets. */
export interface SupportKind {
	/** What rows in the database and addresses call it. */
	readonly key: string;
	/** "gimbal", "gimbals": what a person calls one, and several; the second is also the path of their shelf. */
	readonly one: string;
	readonly many: string;
	/** Sheets of one payload on one support, the bench first with an empty path. */
	readonly sheets: readonly SheetOf[];
	/** Sheets of the support by itself, its editor with an empty path. */
	readonly ownSheets: readonly SheetOf[];
	/** How it is seen whether it is balanced, where that is not by letting go: when it was seen, and when nobody looked. */
	readonly seen?: readonly [yes: string, no: string];
	/** It has motors that follow a hand: how it feels is a station of its own. */
	readonly follows?: true;
	/** It can carry a head through a move: Moves is begun with it from its bench. */
	readonly carriesMoves?: true;
	/** After all of them. */
	readonly links?: readonly SheetLink[];
}
