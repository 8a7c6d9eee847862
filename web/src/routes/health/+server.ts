import { json } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { migrationCount } from '$lib/server/db/client';

/** That this is Poise, and which start of it; whether the database answers, and which migration it is on. */
export async function GET() {
	const who = { application: 'poise', instance: env.POISE_INSTANCE ?? null };
	try {
		return json({ ...who, database: 'answers', migration: await migrationCount() });
	} catch {
		return json({ ...who, database: 'does not answer', migration: null }, { status: 503 });
	}
}
