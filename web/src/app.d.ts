import type { Person } from '$lib/model/person';

declare global {
	namespace App {
		interface Locals {
			/** Whose data this request may see; set in `hooks.server.ts` and nowhere else. */
			crewId: string;
			crewName: string;
			/** Components of a kind of support that the page shows, so that only their styles are linked. */
			shown: string[];
			person: Person;
		}
		interface Error {
			message: string;
			code?: string;
		}
	}
}

export {};
