/**
 * The lanes of `./poise test`: which tests run beside each other, and what each may cost. What every lane shows stands in
 * docs/ARCHITECTURE.md.
 *
 * `most`: so many servers and browsers a lane may start. They are most of what a run costs, and a figure of time would fail on
 * a busy machine; whoever needs more raises the number here, and sees by how much.
 */
export const servedLanes = /** @type {const} */ ({
	browser: { folders: ['tests/browser/', 'tests/journeys/'], most: { server: 34, browser: 0 } },
	http: { folders: ['tests/http/'], most: { server: 44, browser: 0 } },
	live: { folders: ['tests/live/'], most: { server: 18, browser: 1 } }
});

export const workspaces = /** @type {const} */ (['core', 'link', 'desk', 'head-sim', 'demo', 'web']);

/** Which lane a file of tests belongs to, and its workspace; null: it is none. */
export function laneOf(/** @type {string} */ path) {
	if (!path.endsWith('.test.ts')) return null;
	const [workspace = '', ...rest] = path.split('/');
	const within = rest.join('/');
	for (const [lane, { folders }] of Object.entries(servedLanes))
		if (workspace === 'web' && folders.some((folder) => within.startsWith(folder)))
			return { lane: /** @type {keyof typeof servedLanes} */ (lane), workspace, within };
	return workspaces.some((each) => each === workspace)
		? { lane: /** @type {const} */ ('unit'), workspace, within }
		: null;
}
