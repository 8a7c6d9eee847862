import { AsyncLocalStorage } from 'node:async_hooks';
import { fileURLToPath } from 'node:url';
import { env } from '$env/dynamic/private';
import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
/** The database or a transaction on it. */
export type Queryable = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

let pool: pg.Pool | undefined;
let opened: Database | undefined;

const running = new AsyncLocalStorage<Database>();

/** Runs the work in one transaction: within it `database()` is that transaction, however deep it is called. */
export function inTransaction<T>(work: () => Promise<T>): Promise<T> {
	return database().transaction((transaction) => running.run(transaction as unknown as Database, work));
}

/** The transaction at work, or the one pool of this process, opened at first use. A query fails within seconds, not minutes, when the server is away. */
export function database(): Database {
	const transaction = running.getStore();
	if (transaction !== undefined) return transaction;
	if (opened === undefined) {
		const address = env.DATABASE_URL;
		if (!address) throw new Error('DATABASE_URL is not set. Start the application with ./poise demo, or set it.');
		pool = new pg.Pool({
			connectionString: address,
			max: 10,
			connectionTimeoutMillis: 5000,
			idleTimeoutMillis: 60_000,
			// A transaction whose request is gone gives its locks back.
			idle_in_transaction_session_timeout: 30_000
		});
		// A connection that dies says so to the query that waits on it, and to whoever listens; with nobody listening, Node
		// would end the process. Idle or in the middle of a transaction, the pool makes a new one for the next request.
		pool.on('error', noteLost);
		pool.on('connect', (client) => client.on('error', noteLost));
		opened = drizzle(pool, { schema });
	}
	return opened;
}

let saidLost = 0;
/** Once in a while, not once a connection. */
function noteLost(error: Error): void {
	if (Date.now() - saidLost < 5000) return;
	saidLost = Date.now();
	console.error(`The link to the database was lost (${error.message}); it is taken up again by itself.`);
}

export async function closeDatabase(): Promise<void> {
	const closing = pool;
	pool = opened = undefined;
	await Promise.race([closing?.end(), new Promise((resolve) => setTimeout(resolve, 2000).unref())]);
}

/** Brings the tables up to date with the migrations in the repository. */
export async function migrateDatabase(): Promise<void> {
	const folder = env.POISE_MIGRATIONS ?? fileURLToPath(new URL('../../../../drizzle', import.meta.url));
	await migrate(database(), { migrationsFolder: folder });
}

/** How many migrations the database has had. */
export async function migrationCount(): Promise<number> {
	const { rows } = await database().execute<{ count: number }>(
		sql`select count(*)::int as count from drizzle.__drizzle_migrations`
	);
	return rows[0]?.count ?? 0;
}
