import type { Person } from '$lib/model/person';

declare global {
	namespace App {
		interface Locals {
			/** Whose data this request may see; set in `hooks.server.ts` and nowhere else. */
			crewId: string;
			crewName: string;
			person: Person;
		}
		interface Error {
			message: string;
			code?: string;
		}
	}
}

export {};
