/**
 * Fields whose text cannot be used, on the page that is open. What stands in them is not saved, whatever else was; undo takes
 * it away before it touches anything that is.
 */
class Refused {
	#fields = $state.raw<readonly { readonly id: string; readonly takeBack: () => void }[]>([]);

	get count(): number {
		return this.#fields.length;
	}
	/** A field's text is refused; `takeBack` puts back what was there before. */
	add(id: string, takeBack: () => void): void {
		if (!this.#fields.some((field) => field.id === id)) this.#fields = [...this.#fields, { id, takeBack }];
	}
	/** It can be used again, or is gone. */
	drop(id: string): void {
		if (this.#fields.some((field) => field.id === id)) this.#fields = this.#fields.filter((field) => field.id !== id);
	}
	/** Takes the last one back; false: there is none. */
	takeBack(): boolean {
		const last = this.#fields[this.#fields.length - 1];
		if (last === undefined) return false;
		this.drop(last.id);
		last.takeBack();
		return true;
	}
}

export const refused = new Refused();

/** How the page's saving stands in words, with a field that is refused. */
export const refusedWords = (count: number): string =>
	count === 1 ? 'Not saved: one field is refused' : `Not saved: ${count} fields are refused`;
