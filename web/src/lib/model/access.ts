/**
 * What a role may, in one table, read by the server, by the desk where it heeds a page, and by pages that offer something. Until a crew
 * gives roles, everybody leads.
 */
export const roles = ['lead', 'operator', 'assistant', 'watcher'] as const;
export type Role = (typeof roles)[number];

const everybody: readonly Role[] = roles;
const hands: readonly Role[] = ['lead', 'operator', 'assistant'];
const setters: readonly Role[] = ['lead', 'operator'];

const mayBy = {
	/** Sees pages, lists, and how heads stand. */
	see: everybody,
	/** Stops everything: whoever sees a danger may. */
	stop: everybody,
	/** Own units, light, bench at hand and thumb. */
	beOneself: everybody,
	/** Logs what was set up, ticks, keeps what a sheet says. */
	log: hands,
	/** Takes a head that nobody drives, asks for one, holds, steers, lets fall what runs. */
	drive: hands,
	/** Sets what a crew keeps: gear, payloads, benches, venues, moves. */
	set: setters,
	/** Starts and ends a recording on a head. */
	record: setters,
	/** Claims a head for the crew, gives one up, lets one show its light. */
	claim: setters,
	/** Clears a stop of everything. */
	clear: setters,
	/** Takes a head over from whoever drives it. */
	lead: ['lead']
} as const satisfies Record<string, readonly Role[]>;
export type Verb = keyof typeof mayBy;
export const verbs = Object.keys(mayBy) as readonly Verb[];

/** Whether a role may; one that is none of the known may nothing. */
export const allowed = (role: Role, verb: Verb): boolean => (mayBy[verb] as readonly Role[]).includes(role);
