import type { HeadSeen } from './headSeen';

/** Who speaks: the page, and whoever is chosen on it. */
export interface Person {
	readonly page: string;
	readonly name: string;
}
/** So long a driver may be silent after being asked; then whoever asked may take it. */
const silenceMs = 15_000;
/** So long it is said that a head is kept, or was taken. */
const saidForMs = 20_000;

/**
 * Who drives one head. Looking at it asks nothing; asking is a press, giving is the driver's. Nothing passes by itself: after a stated silence
 * whoever asked may take it by another press, and not while it is held.
 */
export class Driving {
	driver: Person | null = null;
	#askedBy: (Person & { readonly sinceMs: number }) | null = null;
	#kept: { readonly page: string; readonly untilMs: number } | null = null;
	#taken: (NonNullable<HeadSeen['taken']> & { readonly untilMs: number }) | null = null;
	/** When its driver did something with it last. */
	#activeMs = -Infinity;

	isDriver(page: string): boolean {
		return this.driver?.page === page;
	}
	active(atMs: number): void {
		this.#activeMs = atMs;
	}
	ask(person: Person, atMs: number): void {
		if (this.driver === null || this.isDriver(person.page)) return;
		this.#kept = null;
		// Whoever asked first waits first.
		if (this.#askedBy === null) this.#askedBy = { ...person, sinceMs: atMs };
	}
	unask(page: string): void {
		if (this.#askedBy?.page === page) this.#askedBy = null;
	}
	keep(page: string, atMs: number): void {
		if (!this.isDriver(page) || this.#askedBy === null) return;
		this.#kept = { page: this.#askedBy.page, untilMs: atMs + saidForMs };
		this.#askedBy = null;
	}
	/** Its driver gives it: to whoever asks, or to nobody. */
	give(page: string): boolean {
		if (!this.isDriver(page)) return false;
		this.driver = this.#askedBy === null ? null : { page: this.#askedBy.page, name: this.#askedBy.name };
		this.#askedBy = null;
		return true;
	}
	/** A page is gone: what it drove nobody drives, and whoever asked for it may take it. */
	gone(page: string): boolean {
		this.unask(page);
		if (!this.isDriver(page)) return false;
		[this.driver, this.#askedBy] = [null, null];
		return true;
	}
	/** Takes a head that nobody drives, or one whose driver was silent for long. */
	take(person: Person, atMs: number, held: boolean): boolean {
		if (this.driver === null) {
			[this.driver, this.#askedBy, this.#kept] = [person, null, null];
			return true;
		}
		if (this.isDriver(person.page) || this.#askedBy?.page !== person.page) return false;
		if (held || this.#mayTakeInMs(atMs, held) > 0) return false;
		this.#passTo(person, 'silence', atMs);
		return true;
	}
	/** By name, whoever drives it. */
	lead(person: Person, atMs: number): boolean {
		if (this.isDriver(person.page)) return false;
		if (this.driver === null) this.driver = person;
		else this.#passTo(person, 'lead', atMs);
		return true;
	}
	#passTo(person: Person, as: 'lead' | 'silence', atMs: number): void {
		this.#taken = { by: person.name, from: this.driver!.page, as, untilMs: atMs + saidForMs };
		[this.driver, this.#askedBy, this.#kept] = [person, null, null];
		this.#activeMs = atMs;
	}
	#mayTakeInMs(atMs: number, held: boolean): number {
		if (this.#askedBy === null) return Infinity;
		const quietSinceMs = held ? atMs : Math.max(this.#askedBy.sinceMs, this.#activeMs);
		return Math.max(0, quietSinceMs + silenceMs - atMs);
	}

	seen(atMs: number, held: boolean): Pick<HeadSeen, 'driver' | 'askedBy' | 'keptFrom' | 'taken'> {
		const asked = this.#askedBy;
		const taken = this.#taken !== null && atMs < this.#taken.untilMs ? this.#taken : null;
		return {
			driver: this.driver,
			askedBy:
				asked === null
					? null
					: { page: asked.page, name: asked.name, mayTakeInS: Math.ceil(this.#mayTakeInMs(atMs, held) / 1000) },
			keptFrom: this.#kept !== null && atMs < this.#kept.untilMs ? this.#kept.page : null,
			taken: taken === null ? null : { by: taken.by, from: taken.from, as: taken.as }
		};
	}
}
