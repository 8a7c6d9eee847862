import { AsyncLocalStorage } from 'node:async_hooks';
import { fileURLToPath } from 'node:url';
import { env } from '$env/dynamic/private';
import { sql } from 'drizzle-orm';
import { drizzle, type PostgresJsDatabase } from 'drizzle-orm/postgres-js';
import { migrate } from 'drizzle-orm/postgres-js/migrator';
import postgres from 'postgres';
import * as schema from './schema';

export type Database = PostgresJsDatabase<typeof schema>;
/** The database or a transaction on it. */
export type Queryable = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

let connection: postgres.Sql | undefined;
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
		connection = postgres(address, { max: 10, connect_timeout: 5, idle_timeout: 60, onnotice: () => {} });
		opened = drizzle(connection, { schema });
	}
	return opened;
}

export async function closeDatabase(): Promise<void> {
	await connection?.end({ timeout: 2 });
	connection = opened = undefined;
}

/** Brings the tables up to date with the migrations in the repository. */
export async function migrateDatabase(): Promise<void> {
	const folder = env.POISE_MIGRATIONS ?? fileURLToPath(new URL('../../../../drizzle', import.meta.url));
	await migrate(database(), { migrationsFolder: folder });
}

/** How many migrations the database has had. */
export async function migrationCount(): Promise<number> {
	const [row] = await database().execute<{ count: number }>(
		sql`select count(*)::int as count from drizzle.__drizzle_migrations`
	);
	return row?.count ?? 0;
}
