import type { ParamMatcher } from '@sveltejs/kit';
import { kindOf } from '$lib/supports/registry';

/** A kind of support, as addresses call it. */
export const match: ParamMatcher = (param) => kindOf(param) !== null;
