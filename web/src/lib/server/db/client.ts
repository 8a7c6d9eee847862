import { AsyncLocalStorage } from 'node:async_hooks';
import { fileURLToPath } from 'node:url';
import { env } from '$env/dynamic/private';
import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { countQuery } from '../requestMemory';
import * as schema from './schema';

export type Database = NodePgDatabase<typeof schema>;
/** The database or a transaction on it. */
export type Queryable = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>;

/** How many questions an answer took stands on its page (`server-timing`), and a test bounds it. */
const logger = { logQuery: countQuery };
let pool: pg.Pool | undefined;
let opened: Database | undefined;

/** A transaction at work, on a connection of its own; `depth` counts those within it. */
interface Running {
	readonly on: Database;
	readonly client: pg.ClientBase;
	readonly depth: number;
}
const running = new AsyncLocalStorage<Running>();

/**
 * Runs the work in one transaction: within it `database()` is that transaction, however deep it is called; one within another is taken back
 * by itself. The connection goes back into the pool whatever happens, and a broken one does not: the driver's own transaction keeps one whose
 * `begin` failed for ever, and ten of those are the whole pool.
 */
export async function inTransaction<T>(work: () => Promise<T>): Promise<T> {
	const within = running.getStore();
	if (within !== undefined) {
		const depth = within.depth + 1;
		return attempt(within.client, work, { ...within, depth }, [
			`savepoint nested_${depth}`,
			`release savepoint nested_${depth}`,
			`rollback to savepoint nested_${depth}`
		]);
	}
	const client = await openPool().connect();
	let broken: Error | undefined;
	const breaks = (error: Error) => (broken = error);
	client.on('error', breaks);
	try {
		const mine: Running = { on: onClient(client), client, depth: 0 };
		return await attempt(client, work, mine, ['begin', 'commit', 'rollback'], breaks);
	} finally {
		client.off('error', breaks);
		client.release(broken);
	}
}
/** Waits until no other transaction goes by this name; held until this one ends. Throws outside of one. */
export async function holdAlone(name: string): Promise<void> {
	if (running.getStore() === undefined) throw new Error(`Nothing to hold “${name}” by: there is no transaction.`);
	await database().execute(sql`select pg_advisory_xact_lock(hashtext(${name}))`);
}

/** Made once for each connection of the pool: it goes through every table. */
const ofClients = new WeakMap<pg.ClientBase, Database>();
function onClient(client: pg.PoolClient): Database {
	const known = ofClients.get(client) ?? drizzle(oneAfterTheOther(client), { schema, logger });
	ofClients.set(client, known);
	return known;
}
/** What is asked at the same moment within one transaction goes over its connection one after the other: the driver waits for nobody. */
function oneAfterTheOther(client: pg.PoolClient): pg.PoolClient {
	let last: Promise<unknown> = Promise.resolve();
	const query = (...asked: Parameters<pg.PoolClient['query']>) => {
		const answered = last.then(() => client.query(...asked));
		last = answered.catch(() => {});
		return answered;
	};
	return Object.create(client, { query: { value: query } }) as pg.PoolClient;
}

async function attempt<T>(
	client: pg.ClientBase,
	work: () => Promise<T>,
	as: Running,
	[begin, keep, takeBack]: readonly [string, string, string],
	cannotTakeBack: (error: Error) => unknown = () => {}
): Promise<T> {
	try {
		await client.query(begin);
		const result = await running.run(as, work);
		await client.query(keep);
		return result;
	} catch (thrown) {
		// What cannot even be taken back over a dead connection is taken back by the server.
		await client.query(takeBack).catch(cannotTakeBack);
		throw thrown;
	}
}

/** The transaction at work, or the one pool of this process, opened at first use. A query fails within seconds, not minutes, when the server is away. */
export function database(): Database {
	const transaction = running.getStore();
	if (transaction !== undefined) return transaction.on;
	openPool();
	return opened!;
}
function address(): string {
	if (!env.DATABASE_URL)
		throw new Error('DATABASE_URL is not set. Start the application with ./poise demo, or set it.');
	return env.DATABASE_URL;
}
function openPool(): pg.Pool {
	if (pool !== undefined) return pool;
	pool = new pg.Pool({
		connectionString: address(),
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
	opened = drizzle(pool, { schema, logger });
	return pool;
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

/** Brings the tables up to date with the migrations in the repository, over a connection of its own. */
export async function migrateDatabase(): Promise<void> {
	const folder = env.POISE_MIGRATIONS ?? fileURLToPath(new URL('../../../../drizzle', import.meta.url));
	const client = new pg.Client({ connectionString: address(), connectionTimeoutMillis: 5000 });
	client.on('error', noteLost);
	await client.connect();
	try {
		await migrate(drizzle(client, { schema }), { migrationsFolder: folder });
	} finally {
		await client.end().catch(() => {});
	}
}

/** How many migrations the database has had. */
export async function migrationCount(): Promise<number> {
	const { rows } = await database().execute<{ count: number }>(
		sql`select count(*)::int as count from drizzle.__drizzle_migrations`
	);
	return rows[0]?.count ?? 0;
}
