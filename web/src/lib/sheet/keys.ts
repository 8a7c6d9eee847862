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
	['Enter', 'accept the slip: it stands where the slip says'],
	['Ctrl + Z', 'undo; with Shift redo'],
	['Ctrl + S', 'save now'],
	['Delete', 'take the chosen part off the plate']
];

/** Whether a key press belongs to a field being typed in or to an open dialog, and not to the page. */
export function isTyping(event: KeyboardEvent): boolean {
	const target = event.target as HTMLElement | null;
	return target?.closest('input, textarea, select, dialog') != null;
}
