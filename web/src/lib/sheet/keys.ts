import { createKeybindingsHandler } from 'tinykeys';

/** Every key and what it does, as the key card shows it. */
export const keyCard: readonly (readonly [keys: string, what: string])[] = [
	['1 … 6', 'go to a station of the day line'],
	['s', 'choose payload and support'],
	['g', 'the shelf'],
	['/', 'find in the logbook'],
	['[  ]', 'dimmer and brighter, with the blackout lights'],
	['?', 'this card'],
	['u', 'millimetres and grams, or inches and pounds'],
	['← ↑ → ↓', 'nudge the part or reading in hand by 1 mm; with Shift by 10 mm'],
	['Space', 'play a move, and stop it'],
	['← →', 'a tenth of a second back and on in a move; with Shift a whole one'],
	['k', 'a knot at the moment looked at'],
	['Space, held', 'at the desk: hold, and the head in hand does what its headline says'],
	['Esc', 'while anybody drives a head: stop everything, from every page'],
	['1 … 9', 'at the desk, a head in hand: one of its poses stands by'],
	['Enter, at the desk', 'drive the head looked at; held, and standing: on to what stands by'],
	['Backspace', 'at the desk: back to the pose before stands by'],
	['Enter', 'accept the slip: it stands where the slip says'],
	['Ctrl + Z', 'undo; with Shift redo'],
	['Ctrl + S', 'save now'],
	['Delete', 'take the chosen part off the plate']
];

/** Whether a key press belongs to a field being typed in or to an open dialog, and not to the page. */
export function isTyping(event: KeyboardEvent): boolean {
	const target = event.target as HTMLElement | null;
	return target?.closest('input, textarea, select') != null || document.querySelector('dialog[open]') !== null;
}

/** What a press does; `false`: not now, and the browser has it. */
type OnKey = (event: KeyboardEvent) => unknown;
/** Bindings as tinykeys writes them: `$mod+Shift+z`, `[Shift]+?`. */
type Bindings = Readonly<Record<string, OnKey>>;

/**
 * The keys of a page, for `svelte:window`: those heard wherever the hand is, those that a field being typed in or an
 * open dialog keeps for itself, and those that a button, a link or a handle in hand keeps for itself too.
 */
export function pageKeys(bindings: {
	readonly anywhere?: Bindings;
	readonly outsideFields?: Bindings;
	readonly outsideControls?: Bindings;
}): (event: KeyboardEvent) => void {
	const heard = (keys: Bindings = {}, ignore: (event: KeyboardEvent) => boolean) =>
		createKeybindingsHandler(
			Object.fromEntries(
				Object.entries(keys).map(([key, does]) => [
					key,
					(event: KeyboardEvent) => {
						if (does(event) !== false) event.preventDefault();
					}
				])
			),
			{ ignore }
		);
	const handlers = [
		heard(bindings.anywhere, () => false),
		heard(bindings.outsideFields, isTyping),
		heard(bindings.outsideControls, (event) => isTyping(event) || isOnControl(event))
	];
	return (event) => handlers.forEach((handle) => handle(event));
}

const isOnControl = (event: KeyboardEvent): boolean =>
	(event.target as Element | null)?.closest('button, a, label, summary, [role="slider"], [role="button"]') != null;

/** Undo, redo and save, of whatever the page edits. */
export const editingKeys = (edited: () => { undo(): void; redo(): void; save(): unknown }) => ({
	anywhere: { '$mod+s': () => void edited().save() },
	outsideFields: {
		'$mod+z': () => edited().undo(),
		'$mod+Shift+z': () => edited().redo(),
		'$mod+y': () => edited().redo()
	}
});
