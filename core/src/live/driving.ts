/*
 * Who drives one head, as a machine of state and event: times come in events. Looking at it asks nothing; asking is a press, giving is the
 * driver's. Nothing passes by itself: after a stated silence whoever asked may take it by another press, and not while it is held.
 */

/** Who speaks: the page, and whoever is chosen on it. */
export interface Driver {
	readonly page: string;
	readonly name: string;
}
export const drivingTimes = {
	/** So long a driver may be silent after being asked; then whoever asked may take it. */
	silenceMs: 15_000,
	/** So long it is said that a head is kept, or was taken. */
	saidForMs: 20_000
} as const;

export interface Driving {
	readonly driver: Driver | null;
	readonly askedBy: (Driver & { readonly sinceMs: number }) | null;
	readonly kept: { readonly page: string; readonly untilMs: number } | null;
	readonly taken: {
		readonly by: string;
		readonly from: string;
		readonly as: 'lead' | 'silence';
		readonly untilMs: number;
	} | null;
	/** When its driver did something with it last. */
	readonly activeMs: number;
}
export const nobodyDrives: Driving = { driver: null, askedBy: null, kept: null, taken: null, activeMs: -Infinity };

export type DrivingEvent =
	/** Takes a head that nobody drives, or one whose driver was silent for long. */
	| { readonly kind: 'take'; readonly by: Driver; readonly held: boolean }
	/** By name, whoever drives it. */
	| { readonly kind: 'lead'; readonly by: Driver }
	| { readonly kind: 'askFor'; readonly by: Driver }
	| { readonly kind: 'unask' | 'keep'; readonly by: Driver }
	/** Its driver gives it: to whoever asks, or to nobody. */
	| { readonly kind: 'give'; readonly by: Driver }
	/** A page is gone: what it drove nobody drives, and whoever asked for it may take it. */
	| { readonly kind: 'gone'; readonly page: string }
	/** Its driver does something with it. */
	| { readonly kind: 'active' };

export const drives = ({ driver }: Driving, page: string): boolean => driver?.page === page;

/** What comes of it, and whether it is driven by somebody else than before, or by nobody: what was left is nobody's then. */
export function drivingStep(
	driving: Driving,
	event: DrivingEvent,
	atMs: number
): readonly [Driving, { readonly passed: boolean }] {
	const { driver, askedBy } = driving;
	const stays = (changed: Partial<Driving> = {}) => [{ ...driving, ...changed }, { passed: false }] as const;
	const passes = (changed: Partial<Driving>) => [{ ...driving, ...changed }, { passed: true }] as const;
	const passTo = (by: Driver, as: 'lead' | 'silence') =>
		passes({
			taken: { by: by.name, from: (driver as Driver).page, as, untilMs: atMs + drivingTimes.saidForMs },
			...{ driver: by, askedBy: null, kept: null, activeMs: atMs }
		});
	switch (event.kind) {
		case 'take':
			if (driver === null) return passes({ driver: event.by, askedBy: null, kept: null });
			if (drives(driving, event.by.page) || askedBy?.page !== event.by.page) return stays();
			return mayTakeInMs(driving, atMs, event.held) > 0 ? stays() : passTo(event.by, 'silence');
		case 'lead':
			if (drives(driving, event.by.page)) return stays();
			return driver === null ? passes({ driver: event.by }) : passTo(event.by, 'lead');
		case 'askFor':
			if (driver === null || drives(driving, event.by.page)) return stays();
			// Whoever asked first waits first.
			return stays({ kept: null, askedBy: askedBy ?? { ...event.by, sinceMs: atMs } });
		case 'unask':
			return askedBy?.page === event.by.page ? stays({ askedBy: null }) : stays();
		case 'keep':
			if (!drives(driving, event.by.page) || askedBy === null) return stays();
			return stays({ askedBy: null, kept: { page: askedBy.page, untilMs: atMs + drivingTimes.saidForMs } });
		case 'give':
			if (!drives(driving, event.by.page)) return stays();
			return passes({
				driver: askedBy === null ? null : { page: askedBy.page, name: askedBy.name },
				askedBy: null
			});
		case 'gone':
			if (drives(driving, event.page)) return passes({ driver: null, askedBy: null });
			return askedBy?.page === event.page ? stays({ askedBy: null }) : stays();
		case 'active':
			return stays({ activeMs: atMs });
	}
}

function mayTakeInMs({ askedBy, activeMs }: Driving, atMs: number, held: boolean): number {
	if (askedBy === null) return Infinity;
	// Held, nobody is silent.
	const quietSinceMs = held ? atMs : Math.max(askedBy.sinceMs, activeMs);
	return Math.max(0, quietSinceMs + drivingTimes.silenceMs - atMs);
}

/** As every page is told. */
export function drivingSeen(driving: Driving, atMs: number, held: boolean) {
	const { driver, askedBy, kept, taken } = driving;
	return {
		driver,
		askedBy:
			askedBy === null
				? null
				: {
						page: askedBy.page,
						name: askedBy.name,
						mayTakeInS: Math.ceil(mayTakeInMs(driving, atMs, held) / 1000)
					},
		keptFrom: kept !== null && atMs < kept.untilMs ? kept.page : null,
		taken: taken === null || atMs >= taken.untilMs ? null : { by: taken.by, from: taken.from, as: taken.as }
	};
}
