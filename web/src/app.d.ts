import type { Role } from '$lib/model/access';
import type { Person } from '$lib/model/person';
import type { Unreadable } from '$lib/server/unreadable';

declare global {
	namespace App {
		interface Locals {
			/** Whose data this request may see; set in `hooks.server.ts` and nowhere else. */
			crewId: string;
			crewName: string;
			/** Components of a kind of support that the page shows, so that only their styles are linked. */
			shown: string[];
			person: Person;
			people: readonly Person[];
			role: Role;
		}
		interface PageData {
			/** What could not be read for this page: the frame names it. */
			unreadable?: readonly Unreadable[];
		}
		interface Error {
			message: string;
			code?: string;
		}
	}
}

export {};
