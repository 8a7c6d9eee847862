import { env } from '$env/dynamic/private';
import { eq, sql } from 'drizzle-orm';
import { database } from './client';
import { type Listening, listenToDatabase } from './listening';
import { liveChannel } from './liveHeads';
import { deskOwners } from './schema';

/** The lock is taken for lost after this: the database may be restarted by hand for a moment, and hangs for no longer. */
const patienceMs = 10_000;

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
): Pick<Listening, 'stop'> {
	return listenToDatabase(env.DATABASE_URL, {
		begin: async (connection) => {
			const key = `poise desk ${crewId}`;
			const { rows } = await connection.query<{ got: boolean }>('select pg_try_advisory_lock(hashtext($1)) as got', [
				key
			]);
			if (rows[0]?.got !== true) return false;
			await connection.query(`listen ${liveChannel}`);
			await connection.query(
				`insert into desk_owners (crew_id, origin, since) values ($1, $2, now())
				on conflict (crew_id) do update set origin = $2, since = now()`,
				[crewId, origin]
			);
			await gained();
			return true;
		},
		hear: (words) => words === crewId && changed(),
		lose: lost,
		trouble: (thrown) => console.error('desk:', thrown instanceof Error ? thrown.message : thrown),
		patienceMs
	});
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
