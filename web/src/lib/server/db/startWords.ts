import { asRefusal } from '../refusal';

/** The database at that address as it may be said aloud: without its password. */
function spoken(address: string): { readonly name: string; readonly role: string; readonly host: string } | null {
	try {
		const { protocol, pathname, username, host } = new URL(address);
		if (!/^postgres(ql)?:$/.test(protocol)) return null;
		return { name: decodeURIComponent(pathname.slice(1)), role: decodeURIComponent(username), host };
	} catch {
		return null;
	}
}

/**
 * Why the application cannot begin on this database, and the way out, in a sentence or two; null: it is none of what a wrong address or a
 * wrong database does.
 */
export function startWords(address: string, thrown: unknown): string | null {
	const at = spoken(address);
	if (at === null)
		return 'DATABASE_URL is not the address of a PostgreSQL database. It looks like postgres://role@host:5432/name; without it Poise starts a private one.';
	for (let each = thrown; each instanceof Error; each = each.cause) {
		switch ((each as { readonly code?: string }).code) {
			case '3D000':
				return `There is no database “${at.name}” at ${at.host}. Make it with: createdb ${at.name}. Or change DATABASE_URL.`;
			case '28000':
			case '28P01':
				return `The database server at ${at.host} does not let “${at.role}” in: no such role, or another password. Change DATABASE_URL.`;
			case '42501':
				return `“${at.role}” may not make tables in “${at.name}”. Let a role that owns it start Poise, or change DATABASE_URL.`;
			case 'ENOTFOUND':
			case 'EAI_AGAIN':
				return `No machine is called ${at.host}. Change DATABASE_URL.`;
		}
	}
	return asRefusal(thrown).code === 'databaseAway'
		? 'The database does not answer. Start it, or check DATABASE_URL; nothing was changed.'
		: null;
}
