import { env } from '$env/dynamic/private';
import { eq, sql } from 'drizzle-orm';
import pg from 'pg';
import { database } from './client';
import { liveChannel } from './liveHeads';
import { deskOwners } from './schema';

const retryMs = 1000;

/**
 * One process owns a crew's heads: the one whose connection holds the crew's lock. The lock ends with the connection, so that whoever
 * loses the database, or dies, owns nothing from that moment, and another takes over.
 */
export function contendForDesk(
	crewId: string,
	origin: string,
	{
		gained,
		lost,
		changed
	}: {
		readonly gained: () => Promise<void>;
		readonly lost: () => void;
		readonly changed: () => void;
	}
): { readonly stop: () => Promise<void> } {
	let stopped = false;
	let client: pg.Client | null = null;
	let wake: (() => void) | null = null;
	const pause = () =>
		new Promise<void>((resolve) => {
			wake = resolve;
			setTimeout(resolve, retryMs).unref();
		});
	const run = async () => {
		while (!stopped) {
			const mine = new pg.Client({
				connectionString: env.DATABASE_URL,
				connectionTimeoutMillis: 5000,
				keepAlive: true
			});
			let owning = false;
			const ended = new Promise<void>((resolve) => {
				mine.once('end', resolve);
				mine.on('error', () => resolve());
			});
			try {
				await mine.connect();
				client = mine;
				const key = `poise desk ${crewId}`;
				const { rows } = await mine.query<{ got: boolean }>('select pg_try_advisory_lock(hashtext($1)) as got', [key]);
				if (rows[0]?.got === true) {
					mine.on('notification', ({ payload }) => payload === crewId && changed());
					await mine.query(`listen ${liveChannel}`);
					await mine.query(
						`insert into desk_owners (crew_id, origin, since) values ($1, $2, now())
						on conflict (crew_id) do update set origin = $2, since = now()`,
						[crewId, origin]
					);
					owning = true;
					await gained();
					await ended;
				}
			} catch (thrown) {
				if (owning || !stopped) console.error('desk:', thrown instanceof Error ? thrown.message : thrown);
			}
			if (owning) lost();
			client = null;
			await mine.end().catch(() => {});
			if (!stopped) await pause();
		}
	};
	void run();
	return {
		stop: async () => {
			stopped = true;
			wake?.();
			await client?.end().catch(() => {});
		}
	};
}

/** Where the process is that owns a crew's heads; null: none has. */
export async function findDeskOwner(crewId: string): Promise<string | null> {
	const [row] = await database()
		.select({ origin: deskOwners.origin })
		.from(deskOwners)
		.where(eq(deskOwners.crewId, crewId))
		.orderBy(sql`${deskOwners.since} desc`);
	return row?.origin ?? null;
}
