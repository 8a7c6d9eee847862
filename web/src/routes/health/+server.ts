import { json } from '@sveltejs/kit';
import { migrationCount } from '$lib/server/db/client';

/** Whether the database answers, and which migration it is on. */
export async function GET() {
	try {
		return json({ database: 'answers', migration: await migrationCount() });
	} catch {
		return json({ database: 'does not answer', migration: null }, { status: 503 });
	}
}
