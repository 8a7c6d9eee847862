type Rows = readonly (readonly [keys: string, what: string])[];

/** What keys do on the page that is open, as it says itself: the key card shows them above the rest. */
class KeysNow {
	#rows = $state.raw<Rows>([]);
	get rows(): Rows {
		return this.#rows;
	}
	say(rows: Rows): void {
		this.#rows = rows;
	}
	clear(): void {
		this.#rows = [];
	}
}
export const keysNow = new KeysNow();
