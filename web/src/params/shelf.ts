import type { ParamMatcher } from '@sveltejs/kit';
import { supportKinds } from '$lib/supports/registry';

/** Where all supports of one kind stand: `gimbals`. */
export const match: ParamMatcher = (param) => supportKinds.some(({ many }) => many === param);
