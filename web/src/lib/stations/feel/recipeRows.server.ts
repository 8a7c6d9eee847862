import { and, desc, eq } from 'drizzle-orm';
import type { NewRecipe, Recipe, RecipeDetail } from './model';
import { Refusal } from '$lib/server/refusal';
import { recipeDetail } from './schemas.server';
import { fromStore, type StoredAs, toStore } from '$lib/server/stored';
import { readable } from '$lib/server/unreadable';
import { database, inTransaction } from '$lib/server/db/client';
import { findPayload } from '$lib/server/db/payloads';
import { people, recipes } from '$lib/server/db/schema';
import { searched } from '$lib/server/db/searched';
import { findSupport } from '$lib/server/db/supports';

/** How a recipe lies in the database. */
const recipeAs: StoredAs<RecipeDetail> = { schema: recipeDetail };
const mostListed = 200;

const columns = {
	id: recipes.id,
	supportId: recipes.supportId,
	payloadId: recipes.payloadId,
	supportName: recipes.supportName,
	payloadName: recipes.payloadName,
	note: recipes.note,
	struck: recipes.struck,
	detail: recipes.detail,
	at: recipes.at,
	personName: people.name
};
const recipeOf = (row: { detail: unknown; at: string } & Omit<Recipe, 'detail' | 'at'>): Recipe => ({
	...row,
	detail: fromStore(recipeAs, row.detail),
	at: new Date(row.at).toISOString()
});

/** The newest first; every word that is looked for stands somewhere in it. */
export async function listRecipes(crewId: string, search = ''): Promise<Recipe[]> {
	const rows = await database()
		.select(columns)
		.from(recipes)
		.innerJoin(people, eq(people.id, recipes.personId))
		.where(and(eq(recipes.crewId, crewId), ...searched(search, recipes.at, [recipes.words, people.name])))
		.orderBy(desc(recipes.at), desc(recipes.id))
		.limit(mostListed);
	return readable('recipe', rows, recipeOf);
}

async function findRecipe(crewId: string, id: string): Promise<Recipe> {
	const [row] = await database()
		.select(columns)
		.from(recipes)
		.innerJoin(people, eq(people.id, recipes.personId))
		.where(and(eq(recipes.crewId, crewId), eq(recipes.id, id)));
	if (row === undefined) throw new Refusal('notFound', 'That recipe is not in the book.');
	return recipeOf(row);
}

/** Logs a recipe; sent twice after a lost answer it is logged once. */
export const createRecipe = (crewId: string, personId: string, draft: NewRecipe, at?: string): Promise<Recipe> =>
	inTransaction(async () => {
		const [support, payload] = await Promise.all([
			findSupport(crewId, draft.supportId),
			findPayload(crewId, draft.payloadId)
		]);
		const { detail } = draft;
		await database()
			.insert(recipes)
			.values({
				id: draft.id,
				crewId,
				personId,
				supportId: support.id,
				payloadId: payload.id,
				supportName: support.name,
				payloadName: payload.name,
				note: draft.note,
				words: [detail.shotName, detail.modeName, support.name, payload.name, draft.note].join(' '),
				detail: toStore(recipeAs, detail),
				...(at === undefined ? {} : { at })
			})
			.onConflictDoNothing();
		return findRecipe(crewId, draft.id);
	});

/** A recipe that was a mistake is struck out, never deleted. */
export async function strikeRecipe(crewId: string, id: string, struck: boolean): Promise<Recipe> {
	await database()
		.update(recipes)
		.set({ struck })
		.where(and(eq(recipes.crewId, crewId), eq(recipes.id, id)));
	return findRecipe(crewId, id);
}
