import Joi from 'joi';
import { type ChangedMeanwhile, mergeFields } from '$lib/model/fieldMerge';
import { validated } from './api';
import { Refusal } from './refusal';

/** A save of what somebody changed since `begun`. */
export interface WantedChange<T> {
	readonly begun: unknown;
	readonly wanted: T;
}
/** What stands now, and what somebody else changed while it was changed here. */
export interface MergedSave<T> {
	readonly value: T;
	readonly meanwhile: ChangedMeanwhile | null;
}

export const wantedChange = <T>(schema: Joi.Schema<T>): Joi.ObjectSchema<WantedChange<T>> =>
	Joi.object<WantedChange<T>>({ begun: Joi.object().unknown().required(), wanted: schema }).required();

/**
 * What is saved where `stands` lies there now, by whom. Two changes that do not go together, and a beginning that nobody can read, leave
 * the last word to the save: it is never refused for what somebody else did.
 */
export function mergedSave<T>(
	schema: Joi.Schema<T>,
	{ begun, wanted }: WantedChange<T>,
	stands: { readonly value: T; readonly by: string } | null
): MergedSave<T> {
	if (stands === null) return { value: wanted, meanwhile: null };
	const began = readOrNone(begun, schema);
	if (began === null) return { value: wanted, meanwhile: null };
	const { value, theirs, over } = mergeFields(began, wanted, stands.value);
	const together = readOrNone(value, schema);
	if (together === null) return { value: wanted, meanwhile: { by: stands.by, theirs: 0, over: theirs + over } };
	return { value: together, meanwhile: theirs + over === 0 ? null : { by: stands.by, theirs, over } };
}

function readOrNone<T>(value: unknown, schema: Joi.Schema<T>): T | null {
	try {
		return validated(value, schema);
	} catch (thrown) {
		if (thrown instanceof Refusal && thrown.code === 'invalid') return null;
		throw thrown;
	}
}
